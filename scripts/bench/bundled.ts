import { build } from 'esbuild';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

import type { Figure } from './figures';

/**
 * The routing's figures from code as it ships: in one piece. Run file by file, as scripts are, every import and every
 * function would be looked up anew, and the figures would be of that.
 */
export async function benchRoutingBundled(): Promise<Figure[]> {
  const outfile = join(process.cwd(), 'build', 'bench-routing.mjs');
  await build({
    entryPoints: ['scripts/bench/routing.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    tsconfig: 'tsconfig.json',
    outfile,
    external: ['json-rules-engine'],
    logLevel: 'error',
  });
  const { benchRouting } = (await import(pathToFileURL(outfile).href)) as {
    benchRouting: () => Promise<Figure[]>;
  };
  return benchRouting();
}
