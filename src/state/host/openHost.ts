import type { KeptInbox } from '@/core/office';
import type { Device, OfficeSetup } from '@/core/setup';
import type { Clock } from '@/office/clock';
import { type OfficeState } from '@/office/link';
import { HostedOffice, type HostedOfficeOptions } from '@/office/hosted';

import { keptKinds } from '../kept';
import {
  clockKind,
  OfficeParts,
  readAccess,
  readBelongings,
  readOfficeState,
  readTables,
  setupKind,
  storageKeys,
  Vault,
  workKinds,
} from '../storage';
import { Belongings } from './belongings';
import { keepOffice, setupEntry } from './keepingOffice';

/** An office as it is before anything of it was kept on this device, and how those outside behave. */
export interface HostBeginning {
  /** The name under which all of it is kept on this device. */
  storage: string;
  /** null: how it is configured has been kept when it was begun. */
  setup: OfficeSetup | null;
  cast: HostedOfficeOptions['cast'];
  /** Whether anybody may be used as whom they like: it is the sample. */
  hasChairs: boolean;
  /** It is no model: everybody in it is real and comes in by what they show, also before anybody has a PIN; no colleague is played. */
  isReal?: boolean;
  /** Desk phones and mobiles are played in Outside; left out: where it is a model. */
  playsPhones?: boolean;
}

/** The office as it is hosted here: read from storage and kept there, not started yet. */
export interface Host {
  office: HostedOffice;
  setup: OfficeSetup;
  /** Writes how the clock is set. */
  keepClock: () => Promise<void>;
  /** The time that an address asks for is shown, once. */
  showTime: (asked: string | null) => void;
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
  /** The time that the address of the first tab asks for. */
  time: string | null;
  isOnline: () => boolean;
  /** What was kept can't be read: to go on without it would be to write over it. */
  onFault: (error: unknown) => void;
  onDone?: HostedOfficeOptions['onDone'];
  /** How costly it is to guess a PIN; left out: as costly as it should be. */
  pinCost?: number | undefined;
  gatherMs?: number | undefined;
  appsRemembered?: number | undefined;
}

/** Reads the office where it was left, or begins it. What is not wanted at once is read after that, by itself. */
export async function openHost(beginning: HostBeginning, options: HostOptions): Promise<Host> {
  const { vault, clock, time, isOnline, onFault, onDone, pinCost, gatherMs, appsRemembered } = options;
  const [access, saved, savedSetup, savedClock, work] = await Promise.all([
    readAccess(vault),
    readOfficeState(vault),
    vault.read(storageKeys.setup, setupKind),
    vault.read(storageKeys.clock, clockKind),
    readBelongings(vault, workKinds),
  ]);
  const [stored] = savedClock ?? [];
  if (stored) clock.set(stored.setting);
  let fromAddress = stored?.fromAddress ?? null;
  /** `?now=2026-11-26T10:40Z` fixes the clock once; what it was moved on to since then holds through reloads. */
  const showTime = (asked: string | null) => {
    const at = asked === null || asked === fromAddress ? NaN : Date.parse(asked);
    if (Number.isNaN(at)) return;
    fromAddress = asked;
    // An exchange's time can't run backwards.
    clock.fixAt(Math.max(at, earliest()));
  };
  let earliest = () => saved?.exchange.now ?? 0;
  showTime(time);
  clock.notBefore(earliest());
  // An office of an earlier version, also from an archive, brings its own.
  const kept = saved?.setup ?? savedSetup?.[0] ?? beginning.setup;
  if (!kept) throw new NoOfficeHere();
  const setup = runBySomebody(kept);
  const [belongings, parts] = [new Belongings(vault), new OfficeParts()];
  const office: HostedOffice = new HostedOffice({
    ...{ setup, clock, isOnline, cast: beginning.cast, isReal: beginning.isReal ?? false },
    ...(onDone && { onDone }),
    ...(pinCost !== undefined && { pinCost }),
    ...(gatherMs !== undefined && { gatherMs }),
    ...(appsRemembered !== undefined && { appsRemembered }),
    signsIn: (device) => isPlayed(beginning, device),
    state: saved ?? { exchange: freshExchange(clock.now()) },
    inbox: readInbox(vault, onFault),
    access,
    keep: (step) => orStop(keepOffice(step, office, { vault, zone: setup.zone, belongings, parts }), onFault),
    onBeat: () => void vault.write(parts.headOf(office)),
  });
  earliest = () => office.now;
  if (saved?.setup) void vault.write({ ...setupEntry(setup), ...parts.headOf(office) });
  void belongings.open(office, work, false);
  void readBelongings(vault, keptKinds).then((read) => belongings.open(office, read, true), onFault);
  const keepClock = () =>
    vault.write({ [storageKeys.clock]: Vault.encode([{ setting: clock.get(), fromAddress }], clockKind) });
  void keepClock();
  return { office, setup, showTime, keepClock };
}

/** Whether nobody has to come for a device to be there. */
export const isPlayed = (
  { isReal = false, playsPhones = !isReal }: HostBeginning,
  { kind }: Pick<Device, 'kind'>,
): boolean => !isReal || (playsPhones && kind !== 'app');

/** Of earlier versions nobody ran the office: whoever has its app does. */
function runBySomebody(setup: OfficeSetup): OfficeSetup {
  if (setup.people.some(({ administers }) => administers)) return setup;
  const appsOwner = setup.devices.find(({ kind, personId }) => kind === 'app' && personId !== null)?.personId;
  const people = setup.people.map((person) =>
    person.id === appsOwner ? { ...person, administers: true } : person,
  );
  return { ...setup, people };
}

/** An exchange that begins anew: its numbers are far beyond all that the sample or an earlier one gave. */
function freshExchange(now: number): OfficeState['exchange'] {
  return {
    now,
    nextId: Math.floor(now / 1000),
    signedIn: [],
    withoutWaiting: [],
    recentCallers: [],
    wrongPins: [],
    agents: [],
    queues: [],
    talksEnded: [],
    calls: [],
  };
}

/** What can't be done stops the office, which has said so then: what waits for it goes on no more. */
const orStop = <T>(done: Promise<T>, onFault: HostOptions['onFault']): Promise<T> =>
  done.catch((error: unknown) => {
    onFault(error);
    return new Promise<never>(() => undefined);
  });

/** Messages, rooms and faxes of earlier runs: what can't be read stops the office, and no rows are ever given. */
const readInbox = (vault: Vault, onFault: HostOptions['onFault']): Promise<KeptInbox> =>
  orStop(readTables(vault), onFault);
