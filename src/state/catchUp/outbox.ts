import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { answered, delivered, nextSendAt, nextToSend, tryAgain, type Message } from '@/core/inbox/messages';
import type { TextEvent } from '@/office/carrier';
import {
  actDone,
  changesBetween,
  dropSome,
  freeId,
  keepOne,
  writtenMessage,
  type AppStore,
  type RootState,
  type Services,
} from '@/state/app';

import { keepPicture } from '../kept';

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

/** Writes a text into the queue; it goes out in its turn. */
export const writeText =
  (text: NewText, said: string | null): Act<Promise<void>> =>
  async (dispatch, getState, { clock, vault }) => {
    const at = clock.now();
    const { messages } = getState().catchUp.kept;
    const id = freeId(`out-${at}`, (taken) => taken in messages);
    const { picture } = text;
    // A text without one is there at once, so that the next finds its id taken.
    const kept = picture === null ? null : { ...picture, url: await keepPicture(vault, id, picture.url) };
    dispatch(keepOne('messages', writtenMessage({ id, at, ...text, picture: kept })));
    dispatch(actDone(said));
  };

export const sendAgain =
  (id: string): Act =>
  (dispatch, getState) => {
    const message = getState().catchUp.kept.messages[id];
    if (message) dispatch(keepOne('messages', tryAgain(message)));
  };

/** Takes back a text that has not gone out yet. */
export const takeBackText =
  (id: string): Act =>
  (dispatch, getState) => {
    const message = getState().catchUp.kept.messages[id];
    if (message?.state !== 'queued' && message?.state !== 'failed') return;
    dispatch(dropSome('messages', [id]));
  };

export const markRead =
  (ids: readonly string[]): Act =>
  (dispatch, getState, { clock }) => {
    const { messages } = getState().catchUp.kept;
    for (const id of ids) {
      const message = messages[id];
      if (message && message.readAt === null)
        dispatch(keepOne('messages', { ...message, readAt: clock.now() }));
    }
  };

/** Takes in what the carrier tells: what has arrived, and what others wrote. */
export const textsTold =
  (events: readonly TextEvent[]): Act<Message[]> =>
  (dispatch, getState) =>
    events.flatMap((event) => {
      const changed = told(event, getState().catchUp.kept.messages);
      if (changed) dispatch(keepOne('messages', changed));
      return changed ? [changed] : [];
    });

function told(event: TextEvent, messages: Record<string, Message>): Message | null {
  if (event.kind === 'callsBack') return null;
  if (event.kind === 'delivered') {
    const message = messages[event.id];
    return message ? delivered(message, event.at) : null;
  }
  const { number, lineId, text, picture, fromId, asks } = event.text;
  return writtenMessage({
    id: event.id,
    at: event.at,
    number,
    lineId,
    text,
    fromId,
    asks,
    direction: 'in',
    state: 'received',
    picture: picture && { ...picture, id: event.id, bytes: picture.url.length },
  });
}

/** What waits in the queue, without looking through all that was ever written at each change. */
function followQueued(store: AppStore): { now: () => readonly Message[] } {
  let last: Readonly<Record<string, Message>> = {};
  const queued = new Map<string, Message>();
  return {
    now: () => {
      const { messages } = store.getState().catchUp.kept;
      if (messages !== last) {
        const { put, goneIds } = changesBetween(last, messages);
        for (const message of put) {
          if (message.state === 'queued') queued.set(message.id, message);
          else queued.delete(message.id);
        }
        for (const id of goneIds) queued.delete(id);
        last = messages;
      }
      return [...queued.values()];
    },
  };
}

/**
 * Hands queued texts to the carrier, one at a time and in order, while there is a network. Gives what ends it. A text is
 * marked only after the carrier's answer; the carrier knows texts by their id, so that none goes out twice.
 */
export function startOutbox(store: AppStore, { clock, link }: Services): () => void {
  const queued = followQueued(store);
  let isSending = false;
  let isOver = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let soon: ReturnType<typeof setTimeout> | undefined;

  const send = async () => {
    if (isSending || isOver || !link) return;
    isSending = true;
    try {
      for (;;) {
        const state = store.getState();
        const next = state.office.isOnline ? nextToSend(queued.now(), clock.now()) : null;
        if (!next || isOver) break;
        const { id, number, lineId, text, picture, asks } = next;
        const hasPicture = picture !== null;
        const answer = await link.sendText({ id, number, lineId, text, hasPicture, asks });
        const current = store.getState().catchUp.kept.messages[id];
        if (current?.state === 'queued')
          store.dispatch(keepOne('messages', answered(current, answer, clock.now())));
      }
    } finally {
      isSending = false;
    }
    schedule();
  };
  const schedule = () => {
    clearTimeout(timer);
    const at = nextSendAt(queued.now(), clock.now());
    const ms = at === null ? null : clock.realMsUntil(at);
    if (ms !== null) timer = setTimeout(() => void send(), Math.min(ms, 60_000));
  };

  let last = store.getState();
  const stopFollowing = store.subscribe(() => {
    const state = store.getState();
    const isChanged =
      state.catchUp.kept.messages !== last.catchUp.kept.messages ||
      state.office.isOnline !== last.office.isOnline;
    last = state;
    // In a task of its own, so that the text is seen as written before the carrier has it.
    if (isChanged) {
      clearTimeout(soon);
      soon = setTimeout(() => void send());
    }
  });
  const stopClock = clock.subscribe(() => void send());
  void send();
  return () => {
    isOver = true;
    clearTimeout(timer);
    clearTimeout(soon);
    stopFollowing();
    stopClock();
  };
}
