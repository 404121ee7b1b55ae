import type { ReachedServer } from '@/office/socket';

import { storageKeys } from './kinds';
import type { Backend } from './Vault';

/** What an office keeps for all, wherever it is hosted; the rest is its device's own. */
const ofOffice = [storageKeys.history, storageKeys.sound, 'picture/', 'faxPages/'];
const isOfOffice = (key: string) => ofOffice.some((prefix) => key.startsWith(prefix));

/** Under it stands on this device what of the office was read here, for when it is not reached. */
export const keptPrefix = 'kept/';
/** So long a server that is just being connected to is waited for. */
const reachMs = 2_000;

/**
 * What this device keeps, with what the office's server keeps for its person where it would stand if the office were here. What was read once is
 * kept here too, and given where the server is not reached.
 */
export function withOfficeFiles(
  device: Backend,
  { askOfFiles: ask, reachedWithin }: Pick<ReachedServer, 'askOfFiles' | 'reachedWithin'>,
): Backend & Required<Pick<Backend, 'getKeys'>> {
  const ownKeys = async (prefix: string) =>
    (await device.getAllKeys()).filter((key) => key.startsWith(prefix));
  const keysOfOffice = async (prefix: string) => {
    if (!(await reachedWithin(reachMs)))
      return (await ownKeys(keptPrefix + prefix)).map((key) => key.slice(keptPrefix.length));
    const answer = await ask({ what: 'keys', prefix });
    return 'keys' in answer ? answer.keys : [];
  };
  const keep = (texts: Record<string, string>) => {
    const entries = Object.entries(texts).map(([key, text]) => [keptPrefix + key, text]);
    // Where there is no room for it, it is only not there without the server.
    if (entries.length > 0) void device.setMany(Object.fromEntries(entries)).catch(() => undefined);
  };
  const readOfOffice = async (keys: string[]): Promise<Record<string, string | null>> => {
    if (!(await reachedWithin(reachMs))) {
      const kept = await device.getMany(keys.map((key) => keptPrefix + key));
      return Object.fromEntries(keys.map((key) => [key, kept[keptPrefix + key] ?? null]));
    }
    const answer = await ask({ what: 'read', keys });
    const texts = 'texts' in answer ? answer.texts : {};
    keep(texts);
    return Object.fromEntries(keys.map((key) => [key, texts[key] ?? null]));
  };
  const ofDevice = async (prefix: string) =>
    (await ownKeys(prefix)).filter((key) => !isOfOffice(key) && !key.startsWith(keptPrefix));
  const getKeys = async (prefix: string) => {
    if (prefix.startsWith(keptPrefix)) return ownKeys(prefix);
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
      return there.length === 0 ? found : { ...found, ...(await readOfOffice(there)) };
    },
    setMany: async (entries) => {
      const all = Object.entries(entries);
      const [here, there] = [all.filter(([key]) => !isOfOffice(key)), all.filter(([key]) => isOfOffice(key))];
      if (here.length > 0) await device.setMany(Object.fromEntries(here));
      if (there.length === 0) return;
      await ask({ what: 'write', entries: Object.fromEntries(there) });
      keep(Object.fromEntries(there));
    },
    // What a row named the office takes out with the row (`fileOfGone`).
    removeMany: async (keys) => {
      const here = keys.filter((key) => !isOfOffice(key));
      if (here.length > 0) await device.removeMany(here);
      const kept = keys.filter(isOfOffice).map((key) => keptPrefix + key);
      if (kept.length > 0) await device.removeMany(kept);
    },
  };
}
