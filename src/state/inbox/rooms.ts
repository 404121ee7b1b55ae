import { createSelector, nanoid, type Action, type ThunkAction } from '@reduxjs/toolkit';

import { mayRead, roomIdOf, roomNumber, type Message, type Room } from '@/core/inbox/messages';
import {
  actDone,
  askOffice,
  changesBetween,
  selectMyId,
  textLineOf,
  type RootState,
  type Services,
} from '@/state/app';

import { writeText } from './texts';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

export interface RoomView {
  room: Room;
  newest: Message | null;
  unread: number;
}

type Logs = ReadonlyMap<string, readonly Message[]>;

/** The logs of all rooms, oldest first; a log in which nothing has changed stays the same. */
const selectRoomMessages = (() => {
  let messages: Readonly<Record<string, Message>> = {};
  let logs: Logs = new Map();
  return (state: RootState): Logs => {
    const now = state.inbox.kept.messages;
    if (now !== messages) {
      logs = changedLogs(logs, messages, now);
      messages = now;
    }
    return logs;
  };
})();

/** Only what has changed is put in its place, so that a room of many years costs no more than a new one. */
function changedLogs(
  logs: Logs,
  before: Readonly<Record<string, Message>>,
  now: Readonly<Record<string, Message>>,
): Logs {
  const { put, goneIds } = changesBetween(before, now);
  const old = [...put.flatMap(({ id }) => before[id] ?? []), ...goneIds.flatMap((id) => before[id] ?? [])];
  const touched = new Set([...put, ...old].flatMap(({ number }) => roomIdOf(number) ?? []));
  if (touched.size === 0) return logs;
  const oldIds = new Set(old.map(({ id }) => id));
  const next = new Map(logs);
  for (const roomId of touched) {
    const stays = (logs.get(roomId) ?? []).filter(({ id }) => !oldIds.has(id));
    const added = put.filter(({ number }) => roomIdOf(number) === roomId);
    // Nearly in order already, which costs little.
    next.set(
      roomId,
      [...stays, ...added].sort((a, b) => a.at - b.at),
    );
  }
  return next;
}

/** The rooms this worker may read, the one written in last first; chats of calls only while their call goes on. */
export const selectRooms = createSelector(
  (state: RootState) => state.inbox.kept.rooms,
  selectRoomMessages,
  selectMyId,
  (rooms, messages, myId): RoomView[] =>
    Object.values(rooms)
      .filter((room) => mayRead(room, myId) && !(room.callId !== null && room.closedAt !== null))
      .map((room) => {
        const log = messages.get(room.id) ?? [];
        const isIn = room.memberIds.includes(myId);
        const unread = log.filter(({ direction, readAt }) => direction === 'in' && readAt === null).length;
        return { room, newest: log.at(-1) ?? null, unread: isIn ? unread : 0 };
      })
      .sort((a, b) => lastAt(b) - lastAt(a)),
);

const lastAt = ({ room, newest }: RoomView) => newest?.at ?? room.createdAt;

const noMessages: readonly Message[] = [];
/** What was written in a room, oldest first. */
export const selectRoomLog = (state: RootState, roomId: string): readonly Message[] =>
  selectRoomMessages(state).get(roomId) ?? noMessages;

/** Opens a room with the worker in it, and gives its id; null where it could not be. */
export const openRoom =
  (name: string, isOpen: boolean, memberIds: readonly string[]): Act<Promise<string | null>> =>
  async (dispatch, _, { clock }) => {
    const id = `room-${clock.now()}-${nanoid(8)}`;
    const about = { id, name, isOpen, memberIds: [...memberIds] };
    return (await dispatch(askOffice({ type: 'openRoom', ...about }))) ? id : null;
  };

export const enterRoom = (roomId: string, personId: string) => askOffice({ type: 'enter', roomId, personId });

export const leaveRoom = (roomId: string) => askOffice({ type: 'leave', roomId });

/** As it was before the worker left it, with whoever came in since. */
export const comeBack =
  (roomId: string): Act<Promise<void>> =>
  async (dispatch) => {
    if (await dispatch(askOffice({ type: 'comeBack', roomId }))) dispatch(actDone(null));
  };

/** Says whether it is written. */
export const writeInRoom =
  ({ id, callId }: Room, text: string): Act<Promise<boolean>> =>
  async (dispatch, getState) => {
    const lineId = textLineOf(getState());
    if (lineId === null) return false;
    const about = callId === null ? {} : { callId };
    const written = { number: roomNumber(id), lineId, text, notBefore: null, picture: null, ...about };
    return dispatch(writeText(written, null));
  };

/** The chat of a call: its colleagues write to each other as long as it goes on. */
export const chatOfCall = (callId: string, memberIds: readonly string[]) =>
  askOffice({ type: 'openChat', callId, memberIds: [...memberIds] });
