import { createServer as createHttpServer, type Server } from 'node:http';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';

import { createServer } from './createServer';

const firstPort = Number(process.env['PORT'] ?? 4310);
const portsToTry = 20;
const dist = join(import.meta.dirname, '..', 'dist');

/** Listens on the given port or, where it is taken, on the next free one. */
function listen(server: Server, port: number, last: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE' && port < last) resolve(listen(server, port + 1, last));
      else reject(error);
    });
    server.listen(port, () => resolve(port));
  });
}

function addressesOfThisMachine(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((addresses) => addresses ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
}

const port = await listen(createHttpServer(createServer(dist)), firstPort, firstPort + portsToTry);
console.log('\nCendro is running. Open it on this machine:');
console.log(`  http://localhost:${port}`);
for (const address of addressesOfThisMachine())
  console.log(`or on a phone in the same network:\n  http://${address}:${port}`);
console.log('To be called, open Outside (in the place Office) and ring yourself. Ctrl-C ends it.');
