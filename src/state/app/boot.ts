import { broadcastPort, type ChannelLink } from '@/office/channel';
import { recordsIn, type OfficeUpdate } from '@/office/link';
import { SoundPlayer } from '@/office/sound';

import { askedToJoin, chosenChair, forgetOwnOffice, keepOwnToken, ownToken } from '../offices';
import {
  forgetKeptView,
  isStorageFault,
  readKeptView,
  recordEntriesByDay,
  withOfficeFiles,
  type SetAside,
  soundKind,
  storageKeys,
  Vault,
  type VaultStatus,
} from '../storage';
import { keptHost, OfficeFromTab, OtherTabs, type Fault, type HostState, type Who } from '../tabs';
import { tablesChanged } from './asking';
import { startAttention } from './attention';
import type { Beginning } from './beginning';
import { selectIncoming, selectTaken } from './callViews';
import { followConnection } from './connection';
import { keepDevice, readDevice } from './device';
import { Duties } from './duties';
import { startFront } from './front';
import { habitsTakenOver } from './habits';
import { loadHistory, loadMissed } from './historyStore';
import { Hosting } from './hosting';
import { saidOfAnswered, saidOfLeavers, saidOfPassing } from './leaving';
import { leaveForGood } from './leavingForGood';
import { selectOffice } from './selectors';
import { startMeasuring } from './measuring';
import { OwnRows, ownRowsRead } from './ownRows';
import { draftTakenOver } from './planDraft';
import type { Services } from './services';
import {
  actDone,
  actRefused,
  begunAnew,
  doorShut,
  clockChanged,
  historyCompleted,
  historyLaid,
  joined,
  phaseChanged,
  recordsAdded,
  recordsSetAside,
  soundChanged,
  startFailed,
  storageChanged,
  updated,
} from './slices';
import { soundUpdate, startSounding } from './sounding';
import { onceSo, whenChanged, type AppStore } from './store';
import { startTellingFront } from './tellingFront';

/** So long what is done in a call waits for a server, and what is begun for one to be reached. */
const commandMs = 8_000;
const reachMs = 2_000;

/** Part of the app that is fetched after the start, and then works until it is stopped. */
export type LaterPart = () => Promise<
  (context: { store: AppStore; services: Services; vault: Vault; duties: Duties }) => () => void
>;

/** Brings the app up in this tab: joins the office, which this tab hosts where no other one does. */
export async function boot(
  store: AppStore,
  services: Services,
  beginning: Beginning,
  later: readonly LaterPart[] = [],
): Promise<void> {
  const { dispatch } = store;
  const { storage } = beginning;
  const server = await beginning.reach?.().catch((error: unknown) => dispatch(startFailed(error)) && null);
  if (server === null) return;
  const openPort = server?.openPort ?? broadcastPort;
  const followStorage = worstOf((status) => dispatch(storageChanged(status)));
  const setAside = ({ count }: SetAside) => dispatch(recordsSetAside(count));
  const vault = Vault.named(
    ...([storage, followStorage('tab'), setAside] as const),
    server && ((device) => withOfficeFiles(device, server)),
  );
  const others = new OtherTabs(broadcastPort(`${storage}/tabs`));
  const duties = new Duties();
  const isOnline = () => store.getState().office.isOnline;
  const time = new URLSearchParams(window.location.search).get('now');
  followConnection(store, server);
  const hosted = new OfficeFromTab({
    ...{ storage, isOnline, time, openPort },
    who: whoComes(beginning.which),
    // Who was let in and is not any more begins anew, and is told why then.
    onDenied: (denied) => {
      if (!store.getState().office.me) return void dispatch(doorShut(denied));
      void (server ? forgetKeptView(vault) : Promise.resolve()).then(() => window.location.assign('/'));
    },
    ...(server && {
      commandMs,
      prove: server.prove,
      // Only to whom it was told: who has signed out, or comes by a link, waits for the office.
      kept: async () => {
        const view = mayOpenKept(beginning.which) ? await readKeptView(vault) : null;
        return view && keptHost(view);
      },
    }),
    onOther: () => void forgetKeptView(vault).then(() => window.location.reload()),
    onState: followHost(store, services, followStorage('office')),
    onAnew: () => dispatch(begunAnew()),
    onFault: (fault) => giveUp(store, fault),
    onSilent: () => server || hosting.takeOver(),
  });
  const hosting = new Hosting({
    ...{ storage, duties, ...(beginning.openWorker && { openWorker: beginning.openWorker }) },
    begin: () => ({ office: beginning.which, isOnline: isOnline(), time }),
    onFetch: () => hosted.hostIsFetched(),
    // A fault of an office that runs costs what it was doing, and no more.
    onFailure: (words) => {
      if (store.getState().office.phase === 'starting') dispatch(startFailed(words));
    },
  });
  Object.assign(services, {
    ...{ vault, storage },
    server: server ?? null,
    ...toTheOffice(hosted, hosting, others),
    // What a server keeps is not this device’s to end.
    ...(server && { finish: () => vault.flush() }),
  });
  try {
    // Before the office reads what is kept.
    await vault.recover();
    const stopFront = startFront(store, storage);
    whenThePageGoes(() => {
      vault.rescue();
      hosted.leave();
      stopFront();
      hosting.close();
    });
    hosting.start();
    await join(store, services, { beginning, later, vault, others, duties, hosted });
    if (store.getState().office.phase === 'starting') dispatch(phaseChanged({ phase: 'running' }));
  } catch (error) {
    dispatch(startFailed(error));
  }
}

/** As whom this tab comes to the office: in the sample as whom one likes, elsewhere as who is signed in on this device. */
function whoComes(which: Beginning['which']): Who {
  if (which === 'sample') return { by: 'chair', personId: chosenChair() };
  const token = askedToJoin() === null ? ownToken() : null;
  return token === null ? { by: 'chair', personId: null } : { by: 'token', token };
}

const mayOpenKept = (which: Beginning['which']): boolean =>
  askedToJoin() === null && (which === 'sample' || ownToken() !== null);

interface Joining {
  beginning: Beginning;
  later: readonly LaterPart[];
  vault: Vault;
  others: OtherTabs;
  duties: Duties;
  hosted: OfficeFromTab;
}

/** Reads the office as the worker sees it, and follows it from then on. */
async function join(
  store: AppStore,
  services: Services,
  { beginning, later, vault, others, duties, hosted }: Joining,
): Promise<void> {
  const { dispatch } = store;
  const [former, link] = await Promise.all([readDevice(store, vault), hosted.join('worker')]);
  const { token } = hosted;
  // Other tabs are whoever this device is now.
  if (token !== null && token !== ownToken() && keepOwnToken(token)) others.say({ kind: 'reload' });
  const early: OfficeUpdate[] = [];
  let take = (update: OfficeUpdate) => void early.push(update);
  link.subscribe((update) => take(update));
  const [snapshot, own] = await Promise.all([link.snapshot(), link.own()]);
  const { setup } = snapshot;
  if (!setup) throw new Error('The office did not say how it is configured.');
  const { me } = hosted;
  if (!me) throw new Error('The office did not say who this is.');
  const player = new SoundPlayer((status) => dispatch(soundChanged(status)), services.server?.speak);
  fillServices(services, { vault, link, hosted, player });
  const ownRows = new OwnRows(store, link);
  services.ownRows = ownRows;

  dispatch(joined({ setup, contacts: beginning.contacts, outsiders: beginning.outsiders, me }));
  ownRows.takeIn(() => dispatch(ownRowsRead(own)));
  dispatch(habitsTakenOver(former.habits));
  if (former.draft) dispatch(draftTakenOver(former.draft, vault));
  dispatch(updated(snapshot));
  take = (update) => {
    const left =
      saidOfLeavers(update, selectTaken(store.getState())) ??
      saidOfAnswered(update, selectIncoming(store.getState()), me.personId, selectOffice(store.getState())) ??
      saidOfPassing(update, me.personId, selectOffice(store.getState()));
    dispatch(updated(update));
    dispatch(tablesChanged(update.changes));
    ownRows.hear(update.changes);
    if (left !== null) dispatch(actDone(left));
    const mine = recordsIn(update).filter((record) => record.personId === me.personId);
    if (mine.length > 0) dispatch(recordsAdded(mine.reverse()));
    if (store.getState().office.isInFront)
      soundUpdate(update, store.getState(), { player, playSound: services.playSound });
  };
  early.forEach(take);
  player.setRingVolume(store.getState().settings.ringVolume / 100);
  whenChanged(
    store,
    ({ settings }) => settings.ringVolume,
    (volume) => player.setRingVolume(volume / 100),
  );
  startSounding(store, player);
  keepDevice(store, vault, others);
  startMeasuring(store, services);
  startAttention(store);
  startTellingFront(store, others);
  whenChanged(
    store,
    ({ office }) => office.isOnline,
    (isOnline) => hosted.setOnline(isOnline),
  );
  // What pages that are gone have left is taken up at once, before anything newer is written.
  const asked = hosted.askForOthers();
  // A server that is not reached is not waited for.
  const takenUp = services.server?.reachedWithin(reachMs).then((is) => (is ? asked : undefined)) ?? asked;
  window.addEventListener('storage', ({ key }) => {
    if (key?.startsWith(`${beginning.storage}/unasked/`)) void hosted.askForOthers();
    if (key?.startsWith(`${beginning.storage}/unwritten/`)) void vault.recover().catch(services.giveUp);
  });

  // Once in this browser.
  duties.add(() => {
    void layDownHistory(vault, { beginning, zone: setup.zone, now: services.clock.now() })
      .catch(unread)
      .then(() => hosted.historyLaid());
    return () => undefined;
  });
  // They go by what is chosen, which a page may have asked for in the moment of its going.
  for (const part of later) startLater(part, takenUp, { store, services, vault, duties });
  void onceSo(store, ({ history }) => history.isLaid)
    .then(() => vault.keys(storageKeys.history))
    .then((keys) => loadHistory(vault, keys, me.personId, store))
    .catch(unread);
  whenChanged(
    store,
    ({ office }) => office.readings,
    () => {
      void loadMissed(vault, me.personId, store).catch(unread);
    },
  );

  function unread(error: unknown): void {
    if (isStorageFault(error)) return services.giveUp(error);
    dispatch(historyCompleted());
    dispatch(
      actRefused('The sample’s calls could not be made. They will be at the next start with a network.'),
    );
  }
}

/** What this tab shows of the office's host. */
function followHost(
  store: AppStore,
  { clock }: Services,
  onStorage: (status: VaultStatus) => void,
): (state: HostState) => void {
  const { dispatch } = store;
  let setAside = 0;
  return (state) => {
    if (JSON.stringify(state.clock) !== JSON.stringify(clock.get())) clock.set(state.clock);
    clock.notBefore(state.at);
    dispatch(clockChanged(state.clock));
    onStorage(state.storage);
    if (state.setAside > setAside) dispatch(recordsSetAside(state.setAside - setAside));
    setAside = state.setAside;
    if (state.isHistoryThere) dispatch(historyLaid());
  };
}

function giveUp(store: AppStore, { isNoOfficeHere, words }: Fault): void {
  if (isNoOfficeHere) forgetOwnOffice();
  store.dispatch(startFailed(words));
}

/** What acts ask of the office's host and of the other tabs. */
function toTheOffice(hosted: OfficeFromTab, hosting: Hosting, others: OtherTabs) {
  others.hear(({ kind }) => {
    if (kind === 'reload') window.location.assign('/');
    if (kind === 'wiped') leaveForGood();
    if (kind === 'reopen') hosting.reopen();
  });
  return {
    others,
    setClock: (setting) => hosted.setClock(setting),
    arrive: (who) => hosted.arrive(who),
    isSignedIn: (token) => hosted.isSignedIn(token),
    finish: (end) => hosted.finish(end),
    beginAnew: () => {
      others.say({ kind: 'reload' });
      window.location.assign('/');
    },
    reopen: () => {
      hosting.reopen();
      others.say({ kind: 'reopen' });
    },
    giveUp: (error) =>
      hosted.giveUp({ isNoOfficeHere: false, words: error instanceof Error ? error.message : String(error) }),
  } satisfies Partial<Services>;
}

/** What the app's acts work with once it has joined. */
function fillServices(
  services: Services,
  given: { vault: Vault; link: ChannelLink; hosted: OfficeFromTab; player: SoundPlayer },
): void {
  const { vault, link, hosted, player } = given;
  const keepSound: Services['keepSound'] = (id, sound) =>
    vault.write({ [`${storageKeys.sound}${id}`]: Vault.encode([sound], soundKind) });
  const readSound: Services['readSound'] = (id) =>
    vault.read(`${storageKeys.sound}${id}`, soundKind).then(
      async (found) => found?.[0] ?? services.mixSound(id),
      () => null,
    );
  let outside: Promise<ChannelLink> | null = null;
  Object.assign(services, {
    ...{ link, player, keepSound, readSound },
    outside: () => (outside ??= hosted.join('outside')),
  } satisfies Partial<Services>);
}

/** Fetches a part and starts it after something else; without a network, once there is one. */
function startLater(
  part: LaterPart,
  after: Promise<void>,
  context: Parameters<Awaited<ReturnType<LaterPart>>>[0],
): void {
  const start = async () => {
    try {
      const begin = await part();
      await after.catch(() => undefined);
      begin(context);
    } catch {
      window.addEventListener('online', () => void start(), { once: true });
    }
  };
  void start();
}

/**
 * What lies behind the sample is laid down at the very first start, while the office is already open; later starts go on where the
 * last one ended.
 */
async function layDownHistory(
  vault: Vault,
  { beginning, zone, now }: { beginning: Beginning; zone: string; now: number },
): Promise<void> {
  if ((await vault.keys(storageKeys.history)).length > 0) return;
  await idle();
  await vault.write(await recordEntriesByDay(await beginning.makeHistory(now), zone, idle));
}

/** When the page has drawn what it had to; soon in any case. */
function idle(): Promise<void> {
  return new Promise((resolve) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve);
    else requestIdleCallback(() => resolve(), { timeout: 500 });
  });
}

/** A page that the browser brings back as it was begins anew, since it has left the office. */
function whenThePageGoes(act: () => void): void {
  window.addEventListener('pagehide', act);
  window.addEventListener('pageshow', ({ persisted }) => {
    if (persisted) window.location.reload();
  });
}

const order: readonly VaultStatus[] = ['ok', 'full', 'failed'];

/** Of several who write to one storage, how the worst of them fares. */
function worstOf(act: (status: VaultStatus) => void): (who: string) => (status: VaultStatus) => void {
  const all = new Map<string, VaultStatus>();
  return (who) => (status) => {
    all.set(who, status);
    act(
      [...all.values()].reduce((worst, each) => (order.indexOf(each) > order.indexOf(worst) ? each : worst)),
    );
  };
}
