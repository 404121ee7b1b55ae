import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = join(__dirname, '..');
const text = readFileSync(join(root, 'docs', 'architecture.md'), 'utf8');

it('every file that docs/architecture.md names with its whole path is there', () => {
  const named = [...text.matchAll(/`((?:src|app|server|scripts|sample|tests)\/[\w./[\]-]+\.\w+)`/g)].map(
    ([, path]) => path ?? '',
  );
  expect(named.length).toBeGreaterThan(24);
  expect(named.filter((path) => !existsSync(join(root, path)))).toEqual([]);
});
