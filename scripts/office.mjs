// `npm run office`: installs what is missing, builds if the sources changed, and hosts an office for whoever connects.
import { spawn } from 'node:child_process';

import { build } from './build.mjs';
import { serverArgs } from './buildServer.mjs';
import { installPackages, root } from './lib.mjs';

installPackages();
await build();
const args = [...serverArgs('office'), ...process.argv.slice(2)];
const server = spawn(process.execPath, args, { cwd: root, stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
