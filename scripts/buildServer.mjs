// Bundles the servers into build/, which they are started from: without it each start reads and compiles some hundreds of files anew.
import { join } from 'node:path';

import { root } from './lib.mjs';

/** What brings a binary, or files of its own that it looks for beside itself. */
const asInstalled = ['classic-level', 'pino'];

/** Packages that were not written as modules ask for others so. */
const banner = `import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);`;

/** It takes less than a second, and is done each time. */
export async function buildServer() {
  const { build } = await import('esbuild');
  await build({
    entryPoints: ['start', 'office', 'forwarding/thread'].map((name) => join(root, 'server', `${name}.mts`)),
    outdir: join(root, 'build'),
    outExtension: { '.js': '.mjs' },
    ...{ bundle: true, platform: 'node', format: 'esm', target: 'node20', sourcemap: true },
    ...{ tsconfig: join(root, 'tsconfig.json'), external: asInstalled, banner: { js: banner } },
    ...{ absWorkingDir: root, logLevel: 'warning' },
  });
}

/** How one of them, `start` or `office`, is run by Node. */
export const serverArgs = (name) => ['--enable-source-maps', join(root, 'build', `${name}.mjs`)];
