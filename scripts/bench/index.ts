// `npm run bench`: the figures, as a table and as JSON in build/bench.json.
import { mkdirSync, writeFileSync } from 'node:fs';
import { createServer as createHttpServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';

import { createServer } from '../../server/createServer';
import { benchBrowser, firstLoadSize, keptSize } from './browser';
import { benchCallFigures } from './callFigures';
import { benchConfiguring } from './configuring';
import { benchExchange } from './exchange';
import { benchQueueing } from './queueing';
import { benchRandom } from './random';
import { benchRoute } from './route';
import { benchBundled } from './bundled';
import { asTable } from './figures';

async function main() {
  const dist = join(process.cwd(), 'dist');
  const server = createHttpServer(createServer(dist)).listen(0);
  const { port } = server.address() as AddressInfo;
  const figures = [
    ...benchExchange(),
    ...benchConfiguring(),
    ...benchQueueing(),
    ...benchCallFigures(),
    ...benchRoute(),
    ...benchRandom(),
    ...(await benchBundled()),
    firstLoadSize(dist),
    keptSize(dist),
    ...(await benchBrowser(`http://localhost:${port}`)),
  ];
  server.closeAllConnections();
  server.close();
  mkdirSync('build', { recursive: true });
  writeFileSync('build/bench.json', `${JSON.stringify(figures, null, 2)}\n`);
  console.log(asTable(figures));
}

void main();
