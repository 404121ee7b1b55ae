import type { KeptInbox, Session } from '@/core/office';
import type { OfficeSetup } from '@/core/setup';
import type { Clock } from '@/office/clock';
import { InPageOffice, type OfficeState } from '@/office/link';
import { OfficeLock } from '@/office/lock';
import { SoundPlayer } from '@/office/sound';

import {
  clockKind,
  isStorageFault,
  officeKind,
  planDraftKind,
  readTables,
  settingsKind,
  setupKind,
  soundKind,
  storageKeys,
  Vault,
  workKinds,
  readBelongings,
  type StoredClock,
} from '../storage';
import type { Beginning } from './beginning';
import { forgetOwnOffice } from '../offices';
import { startAttention } from './attention';
import { Belongings } from './belongings';
import { selectTaken } from './callViews';
import { followConnection, tellOfConnection } from './connection';
import { habitsTakenOver } from './habits';
import { loadHistory, recordEntriesByDay } from './historyStore';
import { keepOffice, officeEntry, recordsOf, setupEntry } from './keepingOffice';
import { saidOfLeavers } from './leaving';
import { startMeasuring } from './measuring';
import { tablesChanged } from './asking';
import { draftLoaded } from './planSlice';
import { RecordingSound } from './recordingSound';
import type { Services } from './services';
import {
  actDone,
  actRefused,
  clockChanged,
  historyCompleted,
  joined,
  phaseChanged,
  recordsAdded,
  recordsSetAside,
  settingsLoaded,
  soundChanged,
  startFailed,
  storageChanged,
  updated,
} from './slices';
import { soundUpdate, startSounding } from './sounding';
import { OwnRows, ownRowsRead } from './ownRows';
import type { AppStore } from './store';
import { fetchClip } from './clips';
import { soundReader } from './voicemailSound';

/** Whoever the office's one app belongs to. */
function whoIsHere({ devices }: OfficeSetup): { personId: string; deviceId: string } {
  for (const { kind, personId, id } of devices)
    if (kind === 'app' && personId !== null) return { personId, deviceId: id };
  throw new Error('Nobody of this office has an app.');
}

const outsideSession: Session = {
  id: 'outside',
  personId: null,
  deviceId: null,
  roles: ['simulator', 'network'],
};

/** What was begun here has been taken out of this browser. */
class NoOfficeHere extends Error {
  constructor() {
    super('There is no office of your own here any more. The next start opens the sample.');
  }
}

/** Part of the app that is fetched after the start, and then works until it is stopped. */
export type LaterPart = () => Promise<
  (context: { store: AppStore; services: Services; vault: Vault }) => () => void
>;

/** Brings the app up in this tab: finds out whether it may run the office, and if so restores it and starts it. */
export async function boot(
  store: AppStore,
  services: Services,
  beginning: Beginning,
  later: readonly LaterPart[] = [],
): Promise<void> {
  const { dispatch } = store;
  let stop: () => Promise<void> = async () => undefined;
  const lock = new OfficeLock(async () => {
    await stop();
    dispatch(phaseChanged({ phase: 'elsewhere' }));
  });
  let hasRun = false;
  const run = async () => {
    hasRun = true;
    try {
      stop = await runOffice(store, services, beginning, later);
      dispatch(phaseChanged({ phase: 'running' }));
    } catch (error) {
      if (error instanceof NoOfficeHere) forgetOwnOffice();
      dispatch(startFailed(error));
    }
  };
  services.takeOver = async () => {
    dispatch(phaseChanged({ phase: 'starting' }));
    await lock.takeOver();
    // What this tab knows is of the time before another tab ran the office.
    if (hasRun) window.location.reload();
    else await run();
  };
  followConnection(store);
  if (await lock.acquire()) await run();
  else dispatch(phaseChanged({ phase: 'elsewhere' }));
}

async function runOffice(
  store: AppStore,
  services: Services,
  beginning: Beginning,
  later: readonly LaterPart[],
): Promise<() => Promise<void>> {
  const { dispatch } = store;
  const vault = Vault.named(
    beginning.storage,
    (status) => dispatch(storageChanged(status)),
    ({ count }) => dispatch(recordsSetAside(count)),
  );
  const { clock } = services;
  const rescue = () => vault.rescue();
  window.addEventListener('pagehide', rescue);
  await vault.recover();
  const [savedOffice, savedSetup, savedClock, savedSettings, savedPlan, work] = await Promise.all([
    vault.read(storageKeys.office, officeKind),
    vault.read(storageKeys.setup, setupKind),
    vault.read(storageKeys.clock, clockKind),
    vault.read(storageKeys.settings, settingsKind),
    vault.read(storageKeys.planDraft, planDraftKind),
    readBelongings(vault, workKinds),
  ]);
  const saved = savedOffice?.[0];
  const settings = savedSettings?.[0];
  const fromAddress = restoreClock(clock, savedClock?.[0], saved?.exchange.now ?? 0);
  if (settings) dispatch(settingsLoaded({ ...settings, formerHabits: [] }));
  if (savedPlan?.[0]) dispatch(draftLoaded(savedPlan[0]));

  const state = saved ?? { exchange: freshExchange(clock.now()) };
  // An office of an earlier version, also from an archive, brings its own.
  const setup = saved?.setup ?? savedSetup?.[0] ?? beginning.setup;
  if (!setup) throw new NoOfficeHere();
  const { zone } = setup;
  const me = whoIsHere(setup);
  /** Whoever has the app also sees to the office. */
  const mySession: Session = { id: me.deviceId, ...me, roles: ['member', 'administrator'] };
  const belongings = new Belongings(vault);
  const office: InPageOffice = new InPageOffice({
    setup,
    cast: beginning.cast,
    clock,
    state,
    inbox: readInbox(vault, services),
    isOnline: () => store.getState().office.isOnline,
    keep: (step) => keepOffice(step, office, { vault, zone, belongings }),
    onBeat: () => void vault.write(officeEntry(office)),
  });
  const player = new SoundPlayer((status) => dispatch(soundChanged(status)));
  if (saved?.setup) void vault.write({ ...setupEntry(setup), ...officeEntry(office) });
  const link = office.linkFor(mySession);
  services.link = link;
  services.giveUp = (error) => {
    office.close();
    dispatch(startFailed(error));
  };
  services.openBelongings = (read, isLast) => belongings.open(office, read, isLast);
  services.outside = office.linkFor(outsideSession);
  services.player = player;
  services.vault = vault;
  services.keepSound = (id, sound) =>
    vault.write({ [`${storageKeys.sound}${id}`]: Vault.encode([sound], soundKind) });
  const read: Services['readSound'] = (id) =>
    vault.read(`${storageKeys.sound}${id}`, soundKind).then(
      (found) => found?.[0] ?? null,
      () => null,
    );
  services.readSound = soundReader(store, { read, keep: services.keepSound });
  const recordings = new RecordingSound(vault, me.personId, fetchClip);
  const callOf = (id: string) => store.getState().calls.byId[id];

  dispatch(joined({ setup, contacts: beginning.contacts, outsiders: beginning.outsiders, me }));
  const ownRows = new OwnRows(store, link);
  services.ownRows = ownRows;
  void services.openBelongings(work, false);
  ownRows.takeIn(() => dispatch(ownRowsRead(work, me.personId)));
  if (settings) dispatch(habitsTakenOver(settings.formerHabits));
  dispatch(updated(await link.snapshot()));
  link.subscribe((update) => {
    const left = saidOfLeavers(update, selectTaken(store.getState()));
    dispatch(updated(update));
    dispatch(tablesChanged(update.changes));
    ownRows.hear(update.changes);
    if (left !== null) dispatch(actDone(left));
    const mine = recordsOf(update).filter((record) => record.personId === me.personId);
    if (mine.length > 0) dispatch(recordsAdded(mine.reverse()));
    soundUpdate(update, store.getState(), { player, readSound: services.readSound });
    void recordings.follow(update, callOf);
  });
  void player.useSpeaker(store.getState().settings.speakerId);
  const stopSounding = startSounding(store, player);
  const stopKeeping = keepSettings(store, clock, fromAddress, vault);
  const stopMeasuring = startMeasuring(store, clock);
  const stopConnection = tellOfConnection(store, office);
  const stopAttention = startAttention(store);
  dispatch(clockChanged(clock.get()));

  // Which records are there is asked before the office starts, so that none it writes is read a second time.
  const keys = await vault.keys(storageKeys.history);
  await recordings.resume();
  office.start();
  const stopLater = later.map((part) => startLater(part, { store, services, vault }));
  void recordings.mixEnded(callOf);
  void readHistory(keys).catch((error: unknown) => {
    if (isStorageFault(error)) return services.giveUp(error);
    dispatch(historyCompleted());
    dispatch(
      actRefused('The sample’s calls could not be made. They will be at the next start with a network.'),
    );
  });

  async function readHistory(present: string[]): Promise<void> {
    const all =
      present.length > 0 ? present : await layDownHistory(vault, { beginning, zone, now: clock.now() });
    await loadHistory(vault, all, me.personId, dispatch);
  }

  return async () => {
    stopSounding();
    stopKeeping();
    stopMeasuring();
    stopConnection();
    stopAttention();
    ownRows.close();
    for (const end of stopLater) end();
    office.close();
    player.close();
    services.link = null;
    services.ownRows = null;
    services.outside = null;
    services.player = null;
    services.vault = null;
    services.openBelongings = async () => undefined;
    services.readSound = async () => null;
    services.keepSound = async () => undefined;
    await vault.close();
    window.removeEventListener('pagehide', rescue);
  };
}

/** Fetches a part and starts it; without a network, once there is one. Gives what ends it. */
function startLater(part: LaterPart, context: Parameters<Awaited<ReturnType<LaterPart>>>[0]): () => void {
  let isOver = false;
  let end: () => void = () => undefined;
  const start = async () => {
    try {
      const run = await part();
      if (!isOver) end = run(context);
    } catch {
      if (!isOver) window.addEventListener('online', () => void start(), { once: true });
    }
  };
  void start();
  return () => {
    isOver = true;
    end();
  };
}

/**
 * What lies behind the sample is laid down at the very first start, while the office is already open; later starts go on where the
 * last one ended.
 */
async function layDownHistory(
  vault: Vault,
  { beginning, zone, now }: { beginning: Beginning; zone: string; now: number },
): Promise<string[]> {
  await idle();
  const records = await beginning.makeHistory(now);
  const entries = await recordEntriesByDay(records, zone, idle);
  await vault.write(entries);
  return Object.keys(entries);
}

/** When the page has drawn what it had to; soon in any case. */
function idle(): Promise<void> {
  return new Promise((resolve) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve);
    else requestIdleCallback(() => resolve(), { timeout: 500 });
  });
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

/** Messages, rooms and faxes of earlier runs. What can't be read stops the office, since to go on without it would be to write over it. */
async function readInbox(vault: Vault, services: Services): Promise<KeptInbox> {
  try {
    return await readTables(vault);
  } catch (error) {
    services.giveUp(error);
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

function keepSettings(store: AppStore, clock: Clock, fromAddress: string | null, vault: Vault): () => void {
  let last = store.getState();
  return store.subscribe(() => {
    const state = store.getState();
    if (state.settings !== last.settings) {
      void vault.write({ [storageKeys.settings]: Vault.encode([state.settings], settingsKind) });
    }
    if (state.plan !== last.plan) {
      void vault.write({ [storageKeys.planDraft]: Vault.encode([state.plan], planDraftKind) });
    }
    if (state.office.clock !== last.office.clock) {
      void vault.write({
        [storageKeys.clock]: Vault.encode([{ setting: clock.get(), fromAddress }], clockKind),
      });
    }
    last = state;
  });
}
