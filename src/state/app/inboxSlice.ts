import { createAction, createSlice, type Action, type PayloadAction } from '@reduxjs/toolkit';

import type { Source } from '@/core/people/upkeep';
import type { Fax } from '@/core/inbox/fax';
import type { Work } from '@/core/inbox/followUps';
import type { LooseWeights, Waiting } from '@/core/inbox/looseEnds';
import type { HistoryFilter } from '@/core/calls/historyTable';
import type { Message, Room } from '@/core/inbox/messages';
import type { Destination, Told } from '@/core/inbox/notifications';
import type { PlanStep } from '@/core/plans/draft';
import type { Assignment } from '@/core/office';
import type { SetupEntry } from '@/core/setup/edits';
import type { Changes, Join, PeopleBlock } from '@/core/people/contacts';
import type { DeletedRecording } from '@/core/calls/recordings';
import type { Voicemail } from '@/core/inbox/voicemail';

import type { Habit } from '../storage';
import { noteChanges } from './changes';

/** Up to when (epoch milliseconds) the worker has seen what came in, or it has been told elsewhere. */
export type Mark = { id: 'seen' | 'told'; at: number };

/** The worker's own points for the order in which people wait; there is one of them, or none. */
export type OwnWeights = LooseWeights & { id: 'order' };

/** A colleague of whom the worker wants to be told when they are free. */
export type FreeWatch = {
  /** Of the colleague. */
  id: string;
  since: number;
  /** They are called then, as soon as the worker is free too. */
  thenCall: boolean;
};

/** What is kept one by one, each under its id. */
export interface Kept {
  voicemails: Voicemail;
  messages: Message;
  rooms: Room;
  assignments: Assignment;
  waiting: Waiting;
  setupLog: SetupEntry;
  people: PeopleBlock;
  changes: Changes;
  joins: Join;
  sources: Source;
  freeWatches: FreeWatch;
  faxes: Fax;
  destinations: Destination;
  told: Told;
  deletedRecordings: DeletedRecording;
  work: Work;
  habits: Habit;
  marks: Mark;
  weights: OwnWeights;
  planSteps: PlanStep;
}
export type KeptSort = keyof Kept;
/** What the office keeps, and the app has as it may see it. */
export const officeSorts = [
  ...(['rooms', 'messages', 'faxes', 'voicemails'] as const),
  ...(['assignments', 'waiting', 'setupLog'] as const),
] as const;
export type OfficeSort = (typeof officeSorts)[number];
/** What the worker keeps for themselves. */
export type OwnSort = Exclude<KeptSort, OfficeSort>;

export interface InboxSlice {
  kept: { [Sort in KeptSort]: Record<string, Kept[Sort]> };
  /** Whether all that was kept has been read. */
  isRead: boolean;
  /** As of which beginning of the office. */
  readings: number;
  /** What is looked for in everything. */
  sought: Sought;
}

export interface Sought {
  words: string;
  filter: HistoryFilter;
  /** Whose calls, where the filter asks for somebody's. */
  who: string | null;
}

/** A row, and what it is of. */
export type OneKept = { [Sort in KeptSort]: { sort: Sort; thing: Kept[Sort] } }[KeptSort];

const inboxSlice = createSlice({
  name: 'inbox',
  initialState: {
    kept: {
      voicemails: {},
      messages: {},
      rooms: {},
      assignments: {},
      waiting: {},
      setupLog: {},
      people: {},
      changes: {},
      joins: {},
      sources: {},
      freeWatches: {},
      faxes: {},
      destinations: {},
      told: {},
      deletedRecordings: {},
      work: {},
      habits: {},
      marks: {},
      weights: {},
      planSteps: {},
    },
    isRead: false,
    readings: 0,
    sought: { words: '', filter: {}, who: null },
  } as InboxSlice,
  reducers: {
    /** What was kept; what has come in meanwhile stays. */
    keptRead(state, { payload }: PayloadAction<readonly OneKept[]>) {
      for (const one of payload) {
        const things: Record<string, unknown> = state.kept[one.sort];
        things[one.thing.id] ??= one.thing;
      }
      state.isRead = true;
    },
    /** Everything that is kept, in the place of all that was here. */
    rowsReplaced(state, { payload }: PayloadAction<{ rows: readonly OneKept[]; readings: number }>) {
      for (const sort of Object.keys(state.kept) as KeptSort[]) state.kept[sort] = {};
      for (const { sort, thing } of payload.rows) {
        const things: Record<string, unknown> = state.kept[sort];
        things[thing.id] = thing;
      }
      state.readings = payload.readings;
    },
    /** What was missed of them is here. */
    rowsCaughtUp(state, { payload }: PayloadAction<number>) {
      state.readings = payload;
    },
    soughtChanged(state, { payload }: PayloadAction<Partial<Sought>>) {
      Object.assign(state.sought, payload);
    },
    manyKept(state, { payload }: PayloadAction<readonly OneKept[]>) {
      for (const { sort, thing } of payload) {
        const things: Record<string, unknown> = state.kept[sort];
        things[thing.id] = thing;
      }
    },
    someDropped(
      state,
      { payload: { sort, ids } }: PayloadAction<{ sort: KeptSort; ids: readonly string[] }>,
    ) {
      for (const id of ids) delete state.kept[sort][id];
    },
  },
});

const oneKept = createAction<OneKept>('inbox/oneKept');

/** One that is kept is put in its place by hand: a draft of ten thousand copies and looks through all of them. */
export function inboxReducer(state: InboxSlice | undefined, action: Action): InboxSlice {
  if (!state || !oneKept.match(action)) return inboxSlice.reducer(state, action);
  const { sort, thing } = action.payload;
  const before: Readonly<Record<string, unknown>> = state.kept[sort];
  const things = { ...before, [thing.id]: thing };
  if (before[thing.id] !== thing) noteChanges(before, things, { put: [thing], goneIds: [] });
  return { ...state, kept: { ...state.kept, [sort]: things } };
}

export const { keptRead, rowsCaughtUp, rowsReplaced, soughtChanged } = inboxSlice.actions;

const { manyKept, someDropped } = inboxSlice.actions;
/** Keeps one, in the place of the one that had its id. */
export const keepOne = <Sort extends KeptSort>(sort: Sort, thing: Kept[Sort]) =>
  oneKept({ sort, thing } as OneKept);
/** The same for many at once. */
export const keepMany = <Sort extends KeptSort>(sort: Sort, things: readonly Kept[Sort][]) =>
  manyKept(asKept(sort, things));
export const dropSome = (sort: KeptSort, ids: readonly string[]) => someDropped({ sort, ids });
export const asKept = <Sort extends KeptSort>(sort: Sort, things: readonly Kept[Sort][]) =>
  things.map((thing) => ({ sort, thing }) as OneKept);
