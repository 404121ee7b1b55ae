import { ClassicLevel } from 'classic-level';

import { afterAll, type OfficeBackend } from './backend';

/** As much of a store, or of a part of one, as is used. */
interface Level {
  keys: (range: { gte: string; lt: string }) => { all: () => Promise<string[]> };
  getMany: (keys: string[]) => Promise<(string | undefined)[]>;
  batch: (operations: Operation[], options: { sync: boolean }) => Promise<void>;
}
type Operation = { type: 'put'; key: string; value: string } | { type: 'del'; key: string };

/** An office's store on this machine's disk, in a folder of its own. What is written is on the disk when it is said to be, all of it or nothing. */
export async function openLevel(folder: string): Promise<OfficeBackend> {
  const level = new ClassicLevel<string, string>(folder);
  await level.open();
  return over(level, () => level.close());
}

/** A store that several offices share, each of which knows of its own alone. */
export async function openSharedLevel(folder: string) {
  const level = new ClassicLevel<string, string>(folder);
  await level.open();
  return {
    // The names of parts hold what stands in host names, and nothing else.
    of: (office: string): OfficeBackend => over(level.sublevel(office), async () => undefined),
    close: () => level.close(),
  };
}

function over(level: Level, close: () => Promise<void>): OfficeBackend {
  const getKeys = (prefix: string) => level.keys({ gte: prefix, lt: `${prefix}${afterAll}` }).all();
  const write = (operations: Operation[]) => level.batch(operations, { sync: true });
  return {
    getKeys,
    getAllKeys: () => getKeys(''),
    getMany: async (keys) => {
      const texts = await level.getMany(keys);
      return Object.fromEntries(keys.map((key, at) => [key, texts[at] ?? null]));
    },
    setMany: (entries) => write(Object.entries(entries).map(([key, value]) => ({ type: 'put', key, value }))),
    removeMany: (keys) => write(keys.map((key) => ({ type: 'del', key }))),
    close,
  };
}
