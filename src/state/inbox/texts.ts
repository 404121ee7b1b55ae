import { nanoid, type Action, type ThunkAction } from '@reduxjs/toolkit';

import type { Message } from '@/core/inbox/messages';
import { actDone, askOffice, type RootState, type Services } from '@/state/app';

import { keepPicture } from '../pictures';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

export interface NewText {
  number: string;
  lineId: string;
  text: string;
  /** Not before then; null: at once. */
  notBefore: number | null;
  picture: Message['picture'];
  asks?: Message['asks'];
  /** The call it is written in. */
  callId?: string;
}

/** Writes a text into the office's queue, its picture first; it goes out in its turn. Says whether it is there. */
export const writeText =
  ({ picture, ...text }: NewText, said: string | null): Act<Promise<boolean>> =>
  async (dispatch, _, { clock, vault }) => {
    const id = `out-${clock.now()}-${nanoid(8)}`;
    const kept = picture && { ...picture, url: await keepPicture(vault, id, picture.url) };
    const isWritten = await dispatch(askOffice({ type: 'write', id, ...text, picture: kept }));
    if (isWritten) dispatch(actDone(said));
    return isWritten;
  };

export const sendAgain = (id: string) => askOffice({ type: 'sendAgain', id });

/** Takes back a text that has not gone out yet. */
export const takeBackText = (id: string) => askOffice({ type: 'takeBack', id });

export const markRead = (ids: readonly string[]) => askOffice({ type: 'markRead', ids: [...ids] });
