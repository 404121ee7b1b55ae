import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { MessagingRequest, SeenChange } from '@/core/office';

import { dropSome, keepMany, keepOne } from './catchUpSlice';
import { explainMessagingRefusal } from './refusals';
import type { Services } from './services';
import { actRefused } from './slices';
import type { RootState } from './store';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** Asks the office for one thing of its messages and rooms; says why where it is not done, and gives whether it was. */
export const askMessaging =
  (request: MessagingRequest): Act<Promise<boolean>> =>
  async (dispatch, _, { link }) => {
    const reply = await link?.ask(request);
    if (reply?.ok === false) dispatch(actRefused(explainMessagingRefusal(reply.reason)));
    return reply?.ok ?? false;
  };

/** Takes in the messages and rooms that the office has changed, as they are seen now. */
export const tablesChanged =
  (changes: readonly SeenChange[]): Act =>
  (dispatch) => {
    const [only] = changes;
    // One by itself is the usual case, and costs no more than itself.
    if (changes.length === 1 && only && 'put' in only)
      return void dispatch(
        only.table === 'messages' ? keepOne('messages', only.put) : keepOne('rooms', only.put),
      );
    const put = changes.flatMap((change) => ('put' in change ? [change] : []));
    const messages = put.flatMap((change) => (change.table === 'messages' ? [change.put] : []));
    const rooms = put.flatMap((change) => (change.table === 'rooms' ? [change.put] : []));
    if (rooms.length > 0) dispatch(keepMany('rooms', rooms));
    if (messages.length > 0) dispatch(keepMany('messages', messages));
    for (const table of ['messages', 'rooms'] as const) {
      const ids = changes.flatMap((change) =>
        'gone' in change && change.table === table ? [change.gone] : [],
      );
      if (ids.length > 0) dispatch(dropSome(table, ids));
    }
  };
