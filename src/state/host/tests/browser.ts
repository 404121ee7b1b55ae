import { sampleCast, sampleOffice } from '@sample';

import type { Port } from '@/office/channel';

import { Vault } from '../../storage';
import {
  OfficeFromTab,
  Unasked,
  type Denied,
  type Fault,
  type HostState,
  type KeptHost,
  type Who,
} from '../../tabs';
import { OfficeForTabs } from '..';

export const start = Date.UTC(2026, 10, 26, 10, 40);
const storage = 'cendro';

interface End {
  name: string;
  hear: (message: unknown) => void;
}

/** For the tests: a browser with its storage, in which tabs and workers hear each other by names, and can be killed. */
export function browser() {
  const entries = new Map<string, string>();
  const local = new Map<string, string>();
  const ends = new Set<End>();
  let isUnreadable = false;
  let isBusy = false;
  let isBroken = false;

  /** Ends of channels for one tab or worker, all of which it loses when it is killed. */
  const place = () => {
    let isAlive = true;
    const own = new Set<End>();
    const openPort = (name: string): Port => {
      const end: End = { name, hear: () => undefined };
      ends.add(end);
      own.add(end);
      return {
        say: (message) => {
          if (!isAlive || !ends.has(end)) return;
          const text = JSON.stringify(message);
          for (const other of ends)
            if (other !== end && other.name === name)
              void Promise.resolve().then(() => ends.has(other) && other.hear(JSON.parse(text)));
        },
        hear: (listener) => void (end.hear = listener),
        close: () => void ends.delete(end),
      };
    };
    const kill = () => {
      isAlive = false;
      for (const end of own) ends.delete(end);
    };
    return { openPort, kill, isAlive: () => isAlive };
  };

  /** A worker that hosts the office. */
  const host = async (time: string | null = '2026-11-26T10:40Z', hasChairs = true) => {
    const { openPort, kill, isAlive } = place();
    const never = () => new Promise<never>(() => undefined);
    const backend = {
      getMany: async (keys: string[]) => {
        if (isUnreadable) throw new Error('UnknownError');
        return Object.fromEntries(keys.map((key) => [key, entries.get(key) ?? null]));
      },
      setMany: async (given: Record<string, string>) => {
        if (!isAlive() || isBusy) return never();
        for (const [key, text] of Object.entries(given)) entries.set(key, text);
      },
      removeMany: async (keys: string[]) => {
        if (!isAlive()) return never();
        keys.forEach((key) => entries.delete(key));
      },
      getAllKeys: async () => [...entries.keys()],
    };
    const beginning = { storage, setup: sampleOffice, cast: sampleCast, hasChairs };
    const office = new OfficeForTabs(beginning, {
      ...{ isOnline: true, time, openPort, pinCost: 1 },
      openVault: (_, onStatus, onSetAside) => {
        const vault = new Vault(onStatus, onSetAside, backend as never, undefined, () => false);
        const write = vault.write.bind(vault);
        vault.write = (given) => (isBroken ? Promise.reject(new Error('A fault of ours')) : write(given));
        return vault;
      },
    });
    await office.open();
    return { kill };
  };

  const tab = async (
    time: string | null = null,
    chair: string | null = null,
    shown?: Who,
    kept?: () => Promise<KeptHost | null>,
  ) => {
    const { openPort, kill } = place();
    const states: HostState[] = [];
    const faults: Fault[] = [];
    const denied: Denied[] = [];
    const told = { anew: 0, silent: 0, other: 0 };
    const hosted = new OfficeFromTab({
      ...{ storage, openPort, isOnline: () => true, time },
      who: shown ?? { by: 'chair', personId: chair },
      onDenied: (why) => void denied.push(why),
      onState: (state) => states.push(state),
      ...(kept && { kept, commandMs: 3_000 }),
      onOther: () => told.other++,
      onAnew: () => told.anew++,
      onFault: (fault) => faults.push(fault),
      onSilent: () => told.silent++,
      unasked: new Unasked(storage, localStorageOn(local)),
    });
    return { hosted, states, faults, denied, told, kill };
  };

  return {
    entries,
    local,
    place,
    host,
    tab,
    spoil: () => (isUnreadable = true),
    isBusy: (busy: boolean) => (isBusy = busy),
    breakDown: () => (isBroken = true),
  };
}

const localStorageOn = (entries: Map<string, string>) => ({
  key: (index: number) => [...entries.keys()][index] ?? null,
  get length() {
    return entries.size;
  },
  getItem: (key: string) => entries.get(key) ?? null,
  setItem: (key: string, text: string) => void entries.set(key, text),
  removeItem: (key: string) => void entries.delete(key),
});
