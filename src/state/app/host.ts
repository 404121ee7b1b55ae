import type { KeptInbox } from '@/core/office';
import type { OfficeSetup } from '@/core/setup';
import type { Clock } from '@/office/clock';
import { InPageOffice, type OfficeState } from '@/office/link';

import {
  clockKind,
  officeKind,
  readBelongings,
  readTables,
  setupKind,
  storageKeys,
  Vault,
  workKinds,
  type ReadBelongings,
  type StoredClock,
} from '../storage';
import type { Beginning } from './beginning';
import { Belongings } from './belongings';
import { keepOffice, officeEntry, setupEntry } from './keepingOffice';

/** The office as this page hosts it: read from storage and kept there, not started yet. */
export interface Host {
  office: InPageOffice;
  setup: OfficeSetup;
  /** What each keeps for themselves and is wanted at once; to be opened by whoever has taken it in. */
  work: ReadBelongings;
  openBelongings: (read: ReadBelongings, isLast: boolean) => Promise<void>;
  /** Writes how the clock is set. */
  keepClock: () => Promise<void>;
}

/** What was begun here has been taken out of this browser. */
export class NoOfficeHere extends Error {
  constructor() {
    super('There is no office of your own here any more. The next start opens the sample.');
  }
}

interface HostOptions {
  vault: Vault;
  clock: Clock;
  isOnline: () => boolean;
  /** What was kept can't be read: to go on without it would be to write over it. */
  onFault: (error: unknown) => void;
}

/** Reads the office where it was left, or begins it. */
export async function openHost(beginning: Beginning, options: HostOptions): Promise<Host> {
  const { vault, clock, isOnline, onFault } = options;
  const [savedOffice, savedSetup, savedClock, work] = await Promise.all([
    vault.read(storageKeys.office, officeKind),
    vault.read(storageKeys.setup, setupKind),
    vault.read(storageKeys.clock, clockKind),
    readBelongings(vault, workKinds),
  ]);
  const saved = savedOffice?.[0];
  const fromAddress = restoreClock(clock, savedClock?.[0], saved?.exchange.now ?? 0);
  // An office of an earlier version, also from an archive, brings its own.
  const setup = saved?.setup ?? savedSetup?.[0] ?? beginning.setup;
  if (!setup) throw new NoOfficeHere();
  const belongings = new Belongings(vault);
  const office: InPageOffice = new InPageOffice({
    ...{ setup, clock, isOnline, cast: beginning.cast },
    state: saved ?? { exchange: freshExchange(clock.now()) },
    inbox: readInbox(vault, onFault),
    keep: (step) => keepOffice(step, office, { vault, zone: setup.zone, belongings }),
    onBeat: () => void vault.write(officeEntry(office)),
  });
  if (saved?.setup) void vault.write({ ...setupEntry(setup), ...officeEntry(office) });
  return {
    ...{ office, setup, work },
    openBelongings: (read, isLast) => belongings.open(office, read, isLast),
    keepClock: () =>
      vault.write({ [storageKeys.clock]: Vault.encode([{ setting: clock.get(), fromAddress }], clockKind) }),
  };
}

/** An exchange that begins anew: its numbers are far beyond all that the sample or an earlier one gave. */
function freshExchange(now: number): OfficeState['exchange'] {
  return {
    now,
    nextId: Math.floor(now / 1000),
    signedIn: [],
    withoutWaiting: [],
    recentCallers: [],
    calls: [],
  };
}

/** Messages, rooms and faxes of earlier runs. What can't be read stops the office: no rows are ever given. */
async function readInbox(vault: Vault, onFault: HostOptions['onFault']): Promise<KeptInbox> {
  try {
    return await readTables(vault);
  } catch (error) {
    onFault(error);
    return new Promise(() => undefined);
  }
}

/**
 * `?now=2026-11-26T10:40Z` fixes the clock once; what it was moved on to since then holds through reloads. It never
 * shows an instant before what the office has already seen, since an exchange's time can't run backwards.
 */
function restoreClock(clock: Clock, stored: StoredClock | undefined, earliest: number): string | null {
  const inAddress = new URLSearchParams(window.location.search).get('now');
  const asked = inAddress === null || inAddress === stored?.fromAddress ? NaN : Date.parse(inAddress);
  if (!Number.isNaN(asked)) clock.fixAt(asked);
  else if (stored) clock.set(stored.setting);
  clock.notBefore(earliest);
  return inAddress ?? stored?.fromAddress ?? null;
}
