import { ClassicLevel } from 'classic-level';

import { afterAll, type OfficeBackend } from './backend';

/** An office's store on this machine's disk, in a folder of its own. What is written is on the disk when it is said to be, all of it or nothing. */
export async function openLevel(folder: string): Promise<OfficeBackend> {
  const level = new ClassicLevel<string, string>(folder);
  await level.open();
  const getKeys = (prefix: string) => level.keys({ gte: prefix, lt: `${prefix}${afterAll}` }).all();
  return {
    getKeys,
    getAllKeys: () => getKeys(''),
    getMany: async (keys) => {
      const texts = await level.getMany(keys);
      return Object.fromEntries(keys.map((key, at) => [key, texts[at] ?? null]));
    },
    setMany: (entries) =>
      level.batch(
        Object.entries(entries).map(([key, value]) => ({ type: 'put' as const, key, value })),
        { sync: true },
      ),
    removeMany: (keys) =>
      level.batch(
        keys.map((key) => ({ type: 'del' as const, key })),
        { sync: true },
      ),
    close: () => level.close(),
  };
}
