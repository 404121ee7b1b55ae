// What the project's own commands share: they run on a machine that has only Node and npm.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Runs a program in the project; ends this one when it fails. */
export function run(program, args, options = {}) {
  const result = spawnSync(program, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.status !== 0) {
    console.error(`\n${program} ${args.join(' ')} failed.`);
    process.exit(result.status ?? 1);
  }
}

export const bin = (name) => join(root, 'node_modules', '.bin', name);

/** Installs the packages of the lock file, unless those are there already. */
export function installPackages() {
  const lock = hashOf([join(root, 'package-lock.json')]);
  const stamp = join(root, 'node_modules', '.cendro-installed');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing packages …');
  run('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error']);
  writeFileSync(stamp, lock);
}

const sources = [
  'app',
  'src',
  'sample',
  'public',
  'app.json',
  'babel.config.js',
  'metro.config.js',
  'package-lock.json',
  'scripts/build.mjs',
  'scripts/serviceWorker.mjs',
];
const ignored = [
  join('public', 'fonts'),
  join('public', 'pdf'),
  join('public', 'noise'),
  join('public', 'segmenter'),
];

/** Every file below the given places, in order. */
export function filesBelow(places) {
  return places
    .map((place) => join(root, place))
    .filter((path) => existsSync(path) && !ignored.some((skip) => path === join(root, skip)))
    .flatMap((path) => {
      if (!statSync(path).isDirectory()) return [path];
      const relative = path.slice(root.length + 1);
      return filesBelow(
        readdirSync(path)
          .sort()
          .map((name) => join(relative, name)),
      );
    });
}

export const sourceHash = () => hashOf(filesBelow(sources).filter((file) => !/\.test\.tsx?$/.test(file)));

function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(file.slice(root.length)).update(readFileSync(file));
  return hash.digest('hex');
}

/** What tests need of Debian: Chromium, without a window and whole, a relay for voices, a store that several processes share, and what speaks typed words. */
const programs = {
  'chromium-headless-shell': 'chromium-headless-shell',
  chromium: 'chromium',
  turnserver: 'coturn',
  'redis-server': 'redis-server',
  'espeak-ng': 'espeak-ng',
};

export function installForTests() {
  const packages = Object.entries(programs).flatMap(([program, name]) =>
    existsSync(`/usr/bin/${program}`) ? [] : [name],
  );
  if (packages.length === 0) return;
  console.log(`Installing ${packages.join(', ')} …`);
  const apt = (...args) =>
    run('apt-get', args, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', ...packages);
}
