import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { Place } from '@/core/inbox/notifications';
import type { AskedOfTelling } from '@/office/socket';
import type { RootState, Services } from '@/state/app';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

/** Which places are known to be the worker's own, of an office on a server: nothing is told elsewhere. */
export interface ConfirmedPlaces {
  ids: readonly string[];
  sendsMail: boolean;
}

/** null: it is not known now. */
export const readConfirmed =
  (): Act<Promise<ConfirmedPlaces | null>> =>
  async (_dispatch, _getState, { server }) => {
    const answer = await server?.askOfTelling({ what: 'places' });
    return answer && 'confirmed' in answer ? { ids: answer.confirmed, sendsMail: answer.sendsMail } : null;
  };

/** Has a code sent there. Gives why it was not, as a sentence; null: it was. */
export const sendCode = (place: Place): Act<Promise<string | null>> => ask({ what: 'sendCode', place });

/** Gives why that is not the code, as a sentence; null: the place is the worker's own. */
export const confirmPlace = (place: Place, code: string): Act<Promise<string | null>> =>
  ask({ what: 'confirm', place, code });

const ask =
  (asked: AskedOfTelling): Act<Promise<string | null>> =>
  async (_dispatch, _getState, { server }) => {
    const answer = await server?.askOfTelling(asked);
    if (!answer) return 'The office is not reached now. Try again.';
    return 'refused' in answer ? answer.refused : null;
  };
