import type { ReachedServer } from '@/office/socket';

import { storageKeys } from './kinds';
import type { Backend } from './Vault';

/** What an office keeps for all, wherever it is hosted; the rest is its device's own. */
const ofOffice = [storageKeys.history, storageKeys.sound, 'picture/', 'faxPages/'];
const isOfOffice = (key: string) => ofOffice.some((prefix) => key.startsWith(prefix));

/** What this device keeps, with what the office's server keeps for its person where it would stand if the office were here. */
export function withOfficeFiles(
  device: Backend,
  ask: ReachedServer['askOfFiles'],
): Backend & Required<Pick<Backend, 'getKeys'>> {
  const keysOfOffice = async (prefix: string) => {
    const answer = await ask({ what: 'keys', prefix });
    return 'keys' in answer ? answer.keys : [];
  };
  const ofDevice = async (prefix: string) =>
    (await device.getAllKeys()).filter((key) => !isOfOffice(key) && key.startsWith(prefix));
  const getKeys = async (prefix: string) => {
    if (isOfOffice(prefix)) return keysOfOffice(prefix);
    const inOffice = ofOffice.filter((each) => each.startsWith(prefix));
    return (await Promise.all([ofDevice(prefix), ...inOffice.map(keysOfOffice)])).flat();
  };
  return {
    getKeys,
    getAllKeys: () => getKeys(''),
    getMany: async (keys) => {
      const here = keys.filter((key) => !isOfOffice(key));
      const there = keys.filter(isOfOffice);
      const found: Record<string, string | null> = here.length === 0 ? {} : await device.getMany(here);
      if (there.length === 0) return found;
      const answer = await ask({ what: 'read', keys: there });
      const texts = 'texts' in answer ? answer.texts : {};
      return { ...found, ...Object.fromEntries(there.map((key) => [key, texts[key] ?? null])) };
    },
    setMany: async (entries) => {
      const all = Object.entries(entries);
      const [here, there] = [all.filter(([key]) => !isOfOffice(key)), all.filter(([key]) => isOfOffice(key))];
      if (here.length > 0) await device.setMany(Object.fromEntries(here));
      if (there.length > 0) await ask({ what: 'write', entries: Object.fromEntries(there) });
    },
    // What a row named the office takes out with the row (`fileOfGone`).
    removeMany: async (keys) => {
      const here = keys.filter((key) => !isOfOffice(key));
      if (here.length > 0) await device.removeMany(here);
    },
  };
}
