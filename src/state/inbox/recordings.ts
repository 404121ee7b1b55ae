import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { actDone, dropSome, keepOne, type RootState, type Services } from '@/state/app';

type Act = ThunkAction<void, RootState, Services, Action>;

/** Puts a recording away; it can be had back for a day, and that its call was recorded stays in the history. */
export const deleteRecording =
  (id: string, callId: string, said: string): Act =>
  (dispatch, _, { clock }) => {
    dispatch(
      keepOne('deletedRecordings', { id, callId, deletedAt: clock.now(), why: 'byHand', isGone: false }),
    );
    dispatch(actDone(said));
  };

/** Has it back, unless its sound is gone for good. */
export const restoreRecording =
  (id: string): Act =>
  (dispatch, getState) => {
    if (getState().inbox.kept.deletedRecordings[id]?.isGone !== false) return;
    dispatch(dropSome('deletedRecordings', [id]));
    dispatch(actDone('The recording is back.'));
  };
