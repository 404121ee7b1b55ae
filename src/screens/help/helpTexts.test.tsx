import { readdirSync } from 'node:fs';
import { join } from 'node:path';

import { helpOf, helpTexts } from './helpTexts';
import { shortcuts } from './keyWords';

/** Addresses of all screens, of the files of the router. */
function addresses(folder: string, at = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const name = entry.name.replace(/\.tsx$/, '');
    if (entry.isDirectory()) return addresses(join(folder, entry.name), `${at}/${name}`);
    if (name.startsWith('_') || name.startsWith('+')) return [];
    return [name === 'index' ? at || '/' : `${at}/${name}`];
  });
}

describe('what screens are for', () => {
  // Guests of a meeting have none of the app, nor its keys: their page says by itself what it is for.
  const paths = addresses(join(process.cwd(), 'app')).filter((path) => path !== '/guest');

  it.each(paths)('%s has a help of its own', (path) => {
    expect(path === '/' || helpOf(path) !== helpOf('/')).toBe(true);
    const part = /^\/office\/(\w+)/.exec(path);
    if (part) expect(helpOf(path)).not.toBe(helpTexts['/office']);
  });

  it('is told of no screen that is not there, in three sentences, with keys that exist', () => {
    const keys = new Set<string>(shortcuts.map(({ key }) => key));
    for (const [path, help] of Object.entries(helpTexts)) {
      expect(paths.some((each) => each === path || each.startsWith(`${path}/`))).toBe(true);
      expect(help.sentences.every((sentence) => /[.?!]$/.test(sentence))).toBe(true);
      expect(help.keys.filter((key) => !keys.has(key))).toEqual([]);
    }
  });
});
