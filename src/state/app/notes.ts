import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import type { CallRecord } from '@/core/calls/exchange';
import type { Work } from '@/core/inbox/followUps';

import { freeWorkId } from './acts';
import type { Services } from './services';
import { dropSome, keepOne } from './inboxSlice';
import { selectWork } from './selectors';
import { actDone } from './slices';
import type { RootState } from './store';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** A note by itself. */
export const keepOwnNote =
  (text: string): Act =>
  (dispatch, getState, { clock }) => {
    const at = clock.now();
    const id = freeWorkId(getState(), `note-own-${at}`);
    dispatch(keepOne('work', { kind: 'note', id, at, callId: null, text }));
    dispatch(actDone('Note kept.'));
  };

export const takeNoteOut =
  (id: string): Act =>
  (dispatch) => {
    dispatch(dropSome('work', [id]));
  };

export const putNoteBack =
  ({ id, at, callId, text }: NoteEntry): Act =>
  (dispatch) => {
    dispatch(keepOne('work', { kind: 'note', id, at, callId, text }));
    dispatch(actDone('The note is back.'));
  };

/** A note with whom its call was with; null for one by itself, or of a call that is kept no more. */
export interface NoteEntry extends Extract<Work, { kind: 'note' }> {
  other: CallRecord['other'] | null;
}

/** All notes, newest first. */
export const selectNotes = createSelector(
  selectWork,
  (state: RootState) => state.history.records,
  (items, records): NoteEntry[] => {
    // Of one moment the one that was written last stands first.
    const notes = items.filter((item) => item.kind === 'note').reverse();
    const callIds = new Set(notes.map(({ callId }) => callId));
    const others = new Map(
      records.filter(({ callId }) => callIds.has(callId)).map(({ callId, other }) => [callId, other]),
    );
    return notes
      .map((note) => ({ ...note, other: others.get(note.callId ?? '') ?? null }))
      .sort((a, b) => b.at - a.at);
  },
);
