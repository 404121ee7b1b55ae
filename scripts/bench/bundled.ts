import { build } from 'esbuild';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

import type { Figure } from './figures';

/**
 * Figures of the core from code as it ships: in one piece. Run file by file, as scripts are, every import and every
 * function would be looked up anew, and the figures would be of that.
 */
export async function benchBundled(): Promise<Figure[]> {
  const routing = await bundled<{ benchRouting: () => Promise<Figure[]> }>('routing');
  const inbox = await bundled<{ benchInbox: () => Promise<Figure[]> }>('inbox');
  const messaging = await bundled<{ benchMessaging: () => Figure[] }>('messaging');
  const channel = await bundled<{ benchChannel: () => Promise<Figure[]> }>('channel');
  const personal = await bundled<{ benchPersonal: () => Figure[] }>('personal');
  const people = await bundled<{ benchPeople: () => Promise<Figure[]> }>('people');
  return [
    ...(await routing.benchRouting()),
    ...(await inbox.benchInbox()),
    ...messaging.benchMessaging(),
    ...(await channel.benchChannel()),
    ...personal.benchPersonal(),
    ...(await people.benchPeople()),
  ];
}

async function bundled<T>(name: string): Promise<T> {
  const outfile = join(process.cwd(), 'build', `bench-${name}.mjs`);
  await build({
    entryPoints: [`scripts/bench/${name}.ts`],
    bundle: true,
    platform: 'node',
    format: 'esm',
    tsconfig: 'tsconfig.json',
    outfile,
    external: ['json-rules-engine'],
    logLevel: 'error',
  });
  return (await import(pathToFileURL(outfile).href)) as T;
}
