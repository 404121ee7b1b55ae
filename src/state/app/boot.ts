import type { Session } from '@/core/office';
import type { OfficeSetup } from '@/core/setup';
import type { OfficeLink } from '@/office/link';
import { OfficeLock } from '@/office/lock';
import { SoundPlayer } from '@/office/sound';

import {
  isStorageFault,
  planDraftKind,
  settingsKind,
  soundKind,
  storageKeys,
  Vault,
  type PlanDraft,
  type Settings,
} from '../storage';
import type { Beginning } from './beginning';
import { forgetOwnOffice } from '../offices';
import { tablesChanged } from './asking';
import { startAttention } from './attention';
import { selectTaken } from './callViews';
import { fetchClip } from './clips';
import { followConnection, tellOfConnection } from './connection';
import { habitsTakenOver } from './habits';
import { loadHistory, recordEntriesByDay } from './historyStore';
import { NoOfficeHere, openHost, type Host } from './host';
import { recordsOf } from './keepingOffice';
import { saidOfLeavers } from './leaving';
import { startMeasuring } from './measuring';
import { OwnRows, ownRowsRead } from './ownRows';
import { draftLoaded } from './planSlice';
import { RecordingSound } from './recordingSound';
import { createServices, type Services } from './services';
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
import { whenChanged, type AppStore } from './store';
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
  // It may come before there is an office to be closed.
  let fault: unknown = null;
  const onFault = (error: unknown) => {
    fault ??= error;
    services.giveUp(error);
  };
  const isOnline = () => store.getState().office.isOnline;
  const [host, device] = await Promise.all([
    openHost(beginning, { vault, clock, isOnline, onFault }),
    readDevice(vault),
  ]);
  const { setup, work, office } = host;
  const me = whoIsHere(setup);
  if (device.settings) dispatch(settingsLoaded({ ...device.settings, formerHabits: [] }));
  if (device.plan) dispatch(draftLoaded(device.plan));
  // Whoever has the app also sees to the office.
  const link = office.linkFor({ id: me.deviceId, ...me, roles: ['member', 'administrator'] });
  const player = new SoundPlayer((status) => dispatch(soundChanged(status)));
  fillServices(services, store, { host, vault, link, player });
  if (fault !== null) throw fault;
  const recordings = new RecordingSound(vault, me.personId, fetchClip);
  const callOf = (id: string) => store.getState().calls.byId[id];

  dispatch(joined({ setup, contacts: beginning.contacts, outsiders: beginning.outsiders, me }));
  const ownRows = new OwnRows(store, link);
  services.ownRows = ownRows;
  void host.openBelongings(work, false);
  ownRows.takeIn(() => dispatch(ownRowsRead(work, me.personId)));
  if (device.settings) dispatch(habitsTakenOver(device.settings.formerHabits));
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
  const stops = [
    startSounding(store, player),
    keepDevice(store, vault),
    followClock(store, host),
    startMeasuring(store, clock),
    tellOfConnection(store, office),
    startAttention(store),
    () => ownRows.close(),
  ];
  dispatch(clockChanged(clock.get()));

  // Which records are there is asked before the office starts, so that none it writes is read a second time.
  const keys = await vault.keys(storageKeys.history);
  await recordings.resume();
  office.start();
  stops.push(...later.map((part) => startLater(part, { store, services, vault })));
  void recordings.mixEnded(callOf);
  void readHistory(keys).catch((error: unknown) => {
    if (isStorageFault(error)) return services.giveUp(error);
    dispatch(historyCompleted());
    dispatch(
      actRefused('The sample’s calls could not be made. They will be at the next start with a network.'),
    );
  });

  async function readHistory(present: string[]): Promise<void> {
    const { zone } = setup;
    const all =
      present.length > 0 ? present : await layDownHistory(vault, { beginning, zone, now: clock.now() });
    await loadHistory(vault, all, me.personId, dispatch);
  }

  return async () => {
    for (const stop of stops) stop();
    office.close();
    player.close();
    emptyServices(services);
    await vault.close();
    window.removeEventListener('pagehide', rescue);
  };
}

/** What the app's acts work with, as long as this tab runs the office. */
function fillServices(
  services: Services,
  store: AppStore,
  { host, vault, link, player }: { host: Host; vault: Vault; link: OfficeLink; player: SoundPlayer },
): void {
  const keepSound: Services['keepSound'] = (id, sound) =>
    vault.write({ [`${storageKeys.sound}${id}`]: Vault.encode([sound], soundKind) });
  const read: Services['readSound'] = (id) =>
    vault.read(`${storageKeys.sound}${id}`, soundKind).then(
      (found) => found?.[0] ?? null,
      () => null,
    );
  const giveUp = (error: unknown) => {
    host.office.close();
    store.dispatch(startFailed(error));
  };
  Object.assign(services, {
    ...{ link, player, vault, keepSound, giveUp },
    outside: host.office.linkFor(outsideSession),
    openBelongings: host.openBelongings,
    readSound: soundReader(store, { read, keep: keepSound }),
  });
}

function emptyServices(services: Services): void {
  const { link, ownRows, outside, player, vault, openBelongings, readSound, keepSound } = createServices();
  Object.assign(services, { link, ownRows, outside, player, vault, openBelongings, readSound, keepSound });
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

/** What is chosen for this device, and the ring plan as it is being changed on it. */
async function readDevice(
  vault: Vault,
): Promise<{ settings: Settings | undefined; plan: PlanDraft | undefined }> {
  const [settings, plan] = await Promise.all([
    vault.read(storageKeys.settings, settingsKind),
    vault.read(storageKeys.planDraft, planDraftKind),
  ]);
  return { settings: settings?.[0], plan: plan?.[0] };
}

function keepDevice(store: AppStore, vault: Vault): () => void {
  const stops = [
    whenChanged(
      store,
      ({ settings }) => settings,
      (settings) => void vault.write({ [storageKeys.settings]: Vault.encode([settings], settingsKind) }),
    ),
    whenChanged(
      store,
      ({ plan }) => plan,
      (plan) => void vault.write({ [storageKeys.planDraft]: Vault.encode([plan], planDraftKind) }),
    ),
  ];
  return () => stops.forEach((stop) => stop());
}

const followClock = (store: AppStore, { keepClock }: Host): (() => void) =>
  whenChanged(
    store,
    (state) => state.office.clock,
    () => void keepClock(),
  );
