import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { writtenMessage, type Message } from '@/core/inbox/messages';
import type { OfficeRequest, SeenChange } from '@/core/office';

import { dropSome, keepMany, keepOne, type Kept, type OfficeSort } from './inboxSlice';
import { explainInboxRefusal } from './refusals';
import type { Services } from './services';
import { selectOffice } from './selectors';
import { actRefused } from './slices';
import type { RootState } from './store';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** Asks the office for one thing beside calls; says why where it is not done, and gives whether it was. */
export const askOffice =
  (request: OfficeRequest): Act<Promise<boolean>> =>
  async (dispatch, getState, { link, server, clock }) => {
    const isCutOff = server !== null && !getState().office.isOnline;
    const waiting = isCutOff && request.type === 'write' ? waitingMessage(request, clock.now()) : null;
    if (waiting) dispatch(keepOne('messages', waiting));
    const reply = await link?.ask(request);
    if (waiting && !reply?.ok) dispatch(dropSome('messages', [waiting.id]));
    if (reply?.ok === false)
      dispatch(actRefused(explainInboxRefusal(reply.reason, selectOffice(getState()))));
    return reply?.ok ?? false;
  };

/** Something written, as it is seen as long as the office is not reached. */
export const waitingMessage = (
  { type: _, ...given }: Extract<OfficeRequest, { type: 'write' }>,
  at: number,
): Message => writtenMessage({ ...given, at } as Parameters<typeof writtenMessage>[0]);

/** Takes in the rows that the office has changed, as they are seen now. */
export const tablesChanged =
  (changes: readonly SeenChange[]): Act =>
  (dispatch) => {
    const take = <Sort extends OfficeSort>(table: Sort) => {
      const own = changes.filter((change) => change.table === table);
      const put = own.flatMap((change) => ('put' in change ? [change.put as Kept[Sort]] : []));
      const goneIds = own.flatMap((change) => ('gone' in change ? [change.gone] : []));
      const [first] = put;
      // One by itself is the usual case, and costs no more than itself.
      if (put.length === 1 && first) dispatch(keepOne(table, first));
      else if (put.length > 1) dispatch(keepMany(table, put));
      if (goneIds.length > 0) dispatch(dropSome(table, goneIds));
    };
    if (changes.length === 0) return;
    // A room comes before what was written in it.
    take('rooms');
    take('messages');
    take('faxes');
    take('voicemails');
    take('assignments');
    take('waiting');
    take('setupLog');
  };
