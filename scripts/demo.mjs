// `npm run demo`: installs what is missing, builds if the sources changed, starts the server.
import { spawn } from 'node:child_process';

import { build } from './build.mjs';
import { serverArgs } from './buildServer.mjs';
import { installPackages, root } from './lib.mjs';

installPackages();
await build();
const server = spawn(process.execPath, serverArgs('start'), { cwd: root, stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
