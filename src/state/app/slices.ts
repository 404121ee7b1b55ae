import { createAction, createSlice, type Action, type PayloadAction } from '@reduxjs/toolkit';
import isEqual from 'fast-deep-equal';

import type { Agent, Call, CallRecord } from '@/core/calls/exchange';
import type { Network, Passage, Trend } from '@/core/calls/quality';
import type { AccessSeen } from '@/core/office';
import type { OfficeSetup } from '@/core/setup';
import type { Contact } from '@/core/people/contacts';
import type { Shown } from '@/core/calls/callerId';
import type { ClockSetting } from '@/office/clock';
import type { OfficeUpdate } from '@/office/link';
import type { SoundDevice, SoundStatus } from '@/office/sound';
import { goodNetwork, type Speech } from '@/office/standins';

import { inboxReducer } from './inboxSlice';
import type { Denied } from '../tabs';
import { allAlerts, usualRings, type Settings, type VaultStatus } from '../storage';

export type AppPhase = 'starting' | 'running' | 'failed';

/** What the office tells goes to the calls and to all that is shown of the office itself. */
export const updated = createAction<OfficeUpdate>('office/updated');

interface OfficeSlice {
  phase: AppPhase;
  failure: string | null;
  setup: OfficeSetup | null;
  contacts: Contact[];
  /** Whom Outside plays. */
  outsiders: Contact[];
  me: { personId: string; deviceId: string } | null;
  clock: ClockSetting;
  sound: SoundStatus;
  /** How often the office was begun anew in another tab, so that what this one knows had to be read again. */
  readings: number;
  /** Of all tabs of this browser, this one sounds, and tells the system. */
  isInFront: boolean;
  isOnline: boolean;
  /** Who is let in, as far as it is told here; null: it has not been told yet. */
  access: AccessSeen | null;
  /** Why this device is not let in, and by which office; null: it is, or nobody has said so. */
  door: Denied | null;
  /** The PIN has been typed since it was locked last. */
  isUnlocked: boolean;
  /** What was shown at the door is being looked at. */
  isArriving: boolean;
  /** Devices that are signed in. */
  signedIn: string[];
  /** What members of teams with a queue have said of themselves. */
  agents: readonly Agent[];
  /** What the stand-in network does to this device's data calls. */
  network: Network;
  /** What the network does to calls from here, where that was tried and the network is still the same; null: it was not. */
  tested: Network | null;
  /** How the call that is talked on has sounded of late; null while none is. */
  trend: Trend | null;
  /** How its voice comes from browser to browser; null where it does not. */
  passage: Passage | null;
  /** Other browsers of the worker’s that speak at an end of theirs, by the leg. */
  speaksOn: Readonly<Record<string, string>>;
  /** Whose voices are loud in a meeting now, by their legs, and who of them is in front: whoever speaks, or was the last to. */
  speaking: { legIds: readonly string[]; front: string | null };
}

const officeSlice = createSlice({
  name: 'office',
  initialState: {
    phase: 'starting',
    failure: null,
    setup: null,
    contacts: [],
    outsiders: [],
    me: null,
    clock: { mode: 'real' },
    sound: 'waiting',
    readings: 0,
    isInFront: false,
    isOnline: true,
    access: null,
    door: null,
    isArriving: false,
    isUnlocked: false,
    signedIn: [],
    agents: [],
    network: goodNetwork,
    tested: null,
    trend: null,
    passage: null,
    speaksOn: {},
    speaking: { legIds: [], front: null },
  } as OfficeSlice,
  reducers: {
    phaseChanged(state, { payload }: PayloadAction<{ phase: AppPhase; failure?: string }>) {
      state.phase = payload.phase;
      state.failure = payload.failure ?? null;
    },
    joined(
      state,
      { payload }: PayloadAction<Required<Pick<OfficeSlice, 'setup' | 'contacts' | 'outsiders' | 'me'>>>,
    ) {
      Object.assign(state, payload);
    },
    clockChanged(state, { payload }: PayloadAction<ClockSetting>) {
      state.clock = payload;
    },
    soundChanged(state, { payload }: PayloadAction<SoundStatus>) {
      state.sound = payload;
    },
    doorShut(state, { payload }: PayloadAction<Denied>) {
      Object.assign(state, { door: payload, isArriving: false });
    },
    unlocked(state, { payload }: PayloadAction<boolean>) {
      state.isUnlocked = payload;
    },
    arriving(state) {
      state.isArriving = true;
    },
    begunAnew(state) {
      state.readings++;
    },
    frontChanged(state, { payload }: PayloadAction<boolean>) {
      state.isInFront = payload;
    },
    onlineChanged(state, { payload }: PayloadAction<boolean>) {
      state.isOnline = payload;
    },
    measured(state, { payload }: PayloadAction<Pick<OfficeSlice, 'trend' | 'passage'>>) {
      Object.assign(state, payload);
    },
    networkTested(state, { payload }: PayloadAction<Network | null>) {
      state.tested = payload;
    },
    spokenOn(state, { payload }: PayloadAction<Record<string, string>>) {
      state.speaksOn = payload;
    },
    speakingChanged(state, { payload }: PayloadAction<OfficeSlice['speaking']>) {
      state.speaking = { ...payload, legIds: [...payload.legIds] };
    },
  },
  extraReducers: (builder) =>
    builder.addCase(updated, (state, { payload }) => {
      if (!isEqual(state.network, payload.network))
        Object.assign(state, { network: payload.network, tested: null });
      const signedIn = signedInAfter(state.signedIn, payload);
      if (state.signedIn.join() !== signedIn.join()) state.signedIn = signedIn;
      if (payload.agents && !isEqual(state.agents, payload.agents)) state.agents = payload.agents;
      if (payload.setup) state.setup = payload.setup;
      if (payload.access) state.access = payload.access;
    }),
});

/** Devices that are signed in once that was told. */
function signedInAfter(before: string[], { signedIn, events }: OfficeUpdate): string[] {
  if (signedIn) return signedIn;
  const now = new Set(before);
  for (const event of events) {
    if (event.type === 'signedIn') now.add(event.deviceId);
    if (event.type === 'signedOut') now.delete(event.deviceId);
  }
  return now.size === before.length && before.every((id) => now.has(id)) ? before : [...now];
}

interface CallsSlice {
  byId: Record<string, Call>;
  /** The last thing each voice said, by its leg. */
  speech: Record<string, Speech>;
  /** Calls whose ring the worker has silenced on this device. */
  silenced: string[];
  /** The call that ended last, so that its screen can say so before it closes. */
  lastEndedId: string | null;
}

const callsSlice = createSlice({
  name: 'calls',
  initialState: { byId: {}, speech: {}, silenced: [], lastEndedId: null } as CallsSlice,
  reducers: {
    ringSilenced(state, { payload: callId }: PayloadAction<string>) {
      state.silenced.push(callId);
    },
  },
  extraReducers: (builder) =>
    builder.addCase(updated, (state, { payload }) => {
      if (payload.isWhole) state.byId = {};
      for (const call of payload.changedCalls) state.byId[call.id] = call;
      for (const speech of payload.speech) state.speech[speech.legId] = speech;
      for (const id of payload.endedCallIds) {
        if (!state.byId[id]) continue;
        delete state.byId[id];
        state.silenced = state.silenced.filter((silenced) => silenced !== id);
        state.lastEndedId = id;
      }
      for (const event of payload.events)
        if (event.type === 'connectionCleared') delete state.speech[event.legId];
    }),
});

interface HistorySlice {
  /** The worker's own records, newest first. */
  records: readonly CallRecord[];
  /** Whether the calls of the time before the first start are there to be read. */
  isLaid: boolean;
  isComplete: boolean;
}

/** New records, newest first, before those that are there. */
export const recordsAdded = createAction<readonly CallRecord[]>('history/recordsAdded');
/** Older records, newest first, behind those that are there. */
export const olderLoaded = createAction<readonly CallRecord[]>('history/olderLoaded');
export const historyLaid = createAction('history/laid');
export const historyCompleted = createAction('history/completed');

const noHistory: HistorySlice = { records: Object.freeze([]), isLaid: false, isComplete: false };

/** A record that is not here goes before the first that began no later: a long call ends after shorter ones that came in meanwhile. */
function insert(records: readonly CallRecord[], record: CallRecord): readonly CallRecord[] {
  if (records.some(({ id }) => id === record.id)) return records;
  const before = records.findIndex(({ startedAt }) => startedAt <= record.startedAt);
  return Object.freeze(records.toSpliced(before < 0 ? records.length : before, 0, record));
}

/** Written out, since drafts of 100,000 records would cost more than all else. */
function historyReducer(state: HistorySlice = noHistory, action: Action): HistorySlice {
  if (recordsAdded.match(action))
    return { ...state, records: action.payload.reduceRight(insert, state.records) };
  if (olderLoaded.match(action))
    return { ...state, records: Object.freeze([...state.records, ...action.payload]) };
  if (historyLaid.match(action)) return state.isLaid ? state : { ...state, isLaid: true };
  if (historyCompleted.match(action)) return { ...state, isComplete: true };
  return state;
}

interface DialSlice {
  text: string;
  /** What the other side of the next call sees, chosen for that call alone; null: as for others. */
  shownOnce: Shown | null;
}

const dialSlice = createSlice({
  name: 'dial',
  initialState: { text: '', shownOnce: null } as DialSlice,
  reducers: {
    dialTextChanged(state, { payload }: PayloadAction<string>) {
      state.text = payload;
    },
    shownOnceChosen(state, { payload }: PayloadAction<Shown | null>) {
      state.shownOnce = payload;
    },
  },
});

const settingsSlice = createSlice({
  name: 'settings',
  initialState: {
    theme: 'device',
    way: null,
    microphone: null,
    speaker: null,
    ringer: null,
    noise: 'light',
    background: 'none',
    soundTest: null,
    isPlaceDoubted: false,
    isPlaceAsked: false,
    seenFrom: null,
    tellsElsewhere: false,
    alerts: allAlerts,
    hand: 'right',
    lockAfter: null,
    passkey: null,
    remindedFrom: null,
    textSize: 100,
    ringTones: usualRings,
    ringVolume: 100,
    vibrates: true,
    formerHabits: [],
  } as Settings,
  reducers: {
    settingsLoaded: (_, { payload }: PayloadAction<Settings>) => payload,
    themeChosen(state, { payload }: PayloadAction<Settings['theme']>) {
      state.theme = payload;
    },
    ringingChosen(
      state,
      { payload }: PayloadAction<Partial<Pick<Settings, 'ringTones' | 'ringVolume' | 'vibrates'>>>,
    ) {
      Object.assign(state, payload);
    },
    textSizeChosen(state, { payload }: PayloadAction<number>) {
      state.textSize = payload;
    },
    wayChosen(state, { payload }: PayloadAction<Settings['way']>) {
      state.way = payload;
    },
    soundChosen(
      state,
      {
        payload,
      }: PayloadAction<
        Partial<Pick<Settings, 'microphone' | 'speaker' | 'ringer' | 'noise' | 'background' | 'soundTest'>>
      >,
    ) {
      Object.assign(state, payload);
    },
    alertsChosen(state, { payload }: PayloadAction<Settings['alerts']>) {
      state.alerts = payload;
    },
    placeDoubted(state, { payload }: PayloadAction<boolean>) {
      Object.assign(state, { isPlaceDoubted: payload, isPlaceAsked: false });
    },
    placeAsked(state) {
      state.isPlaceAsked = true;
    },
    addressSeen(state, { payload }: PayloadAction<string>) {
      state.seenFrom = payload;
    },
    lockChosen(state, { payload }: PayloadAction<Settings['lockAfter']>) {
      state.lockAfter = payload;
    },
    passkeyChosen(state, { payload }: PayloadAction<Settings['passkey']>) {
      state.passkey = payload;
    },
    remindedLater(state, { payload }: PayloadAction<number>) {
      state.remindedFrom = payload;
    },
    handChosen(state, { payload }: PayloadAction<Settings['hand']>) {
      state.hand = payload;
    },
    tellingElsewhereChosen(state, { payload }: PayloadAction<boolean>) {
      state.tellsElsewhere = payload;
    },
  },
});

/** Whether the app is kept on this device: `no` where this browser keeps none. */
export type AppKept = 'no' | 'fetching' | 'kept' | 'failed';

/** What has been plugged in: to speak into, to hear by, or both. */
export interface SoundOffer {
  name: string;
  microphone: SoundDevice | null;
  speaker: SoundDevice | null;
}

interface NoticesSlice {
  storage: VaultStatus;
  /** How many stored records could not be read since the start. */
  setAside: number;
  /** A sentence about an act that could not be done, shown where the worker is. */
  refusal: string | null;
  /** A sentence about what has just been done. */
  done: string | null;
  appKept: AppKept;
  /** A newer version of the app waits to be used. */
  isNewerHere: boolean;
  /** A sound device that has been plugged in, and is offered. */
  soundOffer: SoundOffer | null;
}

const noticesSlice = createSlice({
  name: 'notices',
  initialState: {
    ...{ storage: 'ok', setAside: 0, refusal: null, done: null },
    ...{ appKept: 'no', isNewerHere: false, soundOffer: null },
  } as NoticesSlice,
  reducers: {
    storageChanged(state, { payload }: PayloadAction<VaultStatus>) {
      state.storage = payload;
    },
    recordsSetAside(state, { payload }: PayloadAction<number>) {
      state.setAside += payload;
    },
    appKept(state, { payload }: PayloadAction<AppKept>) {
      state.appKept = payload;
    },
    newerWaits(state) {
      state.isNewerHere = true;
    },
    soundOffered(state, { payload }: PayloadAction<SoundOffer | null>) {
      state.soundOffer = payload;
    },
    setAsideRead(state) {
      state.setAside = 0;
    },
    actRefused(state, { payload }: PayloadAction<string | null>) {
      state.refusal = payload;
      state.done = null;
    },
    /** It has been read, or nobody looks at where it was asked any more. */
    refusalClosed(state) {
      state.refusal = null;
    },
    actDone(state, { payload }: PayloadAction<string | null>) {
      state.done = payload;
      state.refusal = null;
    },
  },
});

export const reducers = {
  office: officeSlice.reducer,
  calls: callsSlice.reducer,
  history: historyReducer,
  dial: dialSlice.reducer,
  settings: settingsSlice.reducer,
  inbox: inboxReducer,
  notices: noticesSlice.reducer,
};

export const {
  phaseChanged,
  joined,
  clockChanged,
  soundChanged,
  arriving,
  unlocked,
  begunAnew,
  doorShut,
  frontChanged,
  onlineChanged,
  measured,
  networkTested,
  speakingChanged,
  spokenOn,
} = officeSlice.actions;
/** The app can't go on from here, and says why. */
export const startFailed = (error: unknown) =>
  phaseChanged({ phase: 'failed', failure: error instanceof Error ? error.message : String(error) });
export const { ringSilenced } = callsSlice.actions;
export const { dialTextChanged, shownOnceChosen } = dialSlice.actions;
export const {
  settingsLoaded,
  ringingChosen,
  themeChosen,
  textSizeChosen,
  wayChosen,
  soundChosen,
  alertsChosen,
  handChosen,
  lockChosen,
  passkeyChosen,
  remindedLater,
  placeDoubted,
  placeAsked,
  addressSeen,
  tellingElsewhereChosen,
} = settingsSlice.actions;
export const {
  storageChanged,
  recordsSetAside,
  setAsideRead,
  actRefused,
  refusalClosed,
  actDone,
  appKept,
  newerWaits,
  soundOffered,
} = noticesSlice.actions;
