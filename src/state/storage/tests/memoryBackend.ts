import type { Backend } from '../Vault';

/** Storage in memory, over what is kept there. */
export const memoryBackend = (entries = new Map<string, string>()) =>
  ({
    entries,
    getAllKeys: async () => [...entries.keys()],
    getMany: async (keys) => Object.fromEntries(keys.map((key) => [key, entries.get(key) ?? null])),
    setMany: async (given) => Object.entries(given).forEach(([key, text]) => entries.set(key, text)),
    removeMany: async (keys) => keys.forEach((key) => entries.delete(key)),
  }) satisfies Backend & { entries: Map<string, string> };
