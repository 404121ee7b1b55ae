import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import { entered, left, mayRead, roomIdOf, roomNumber, type Message, type Room } from '@/core/inbox/messages';
import {
  actDone,
  changesBetween,
  freeId,
  keepOne,
  textLineOf,
  type AppStore,
  type RootState,
  type Services,
} from '@/state/app';

import { writeText } from './outbox';

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
    const now = state.catchUp.kept.messages;
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
  (state: RootState) => state.catchUp.kept.rooms,
  selectRoomMessages,
  (state: RootState) => state.office.me?.personId ?? '',
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

/** Opens a room with the worker in it, and gives its id. */
export const openRoom =
  (name: string, isOpen: boolean, memberIds: readonly string[]): Act<string> =>
  (dispatch, getState, { clock }) => {
    const now = clock.now();
    const myId = getState().office.me?.personId ?? '';
    const { rooms } = getState().catchUp.kept;
    const id = freeId(`room-${now}`, (taken) => taken in rooms);
    const members = [...new Set([myId, ...memberIds])];
    dispatch(
      keepOne('rooms', {
        id,
        name: name.trim(),
        isOpen,
        memberIds: members,
        callId: null,
        createdAt: now,
        closedAt: null,
      }),
    );
    return id;
  };

const change =
  (roomId: string, changed: (room: Room, now: number) => Room): Act =>
  (dispatch, getState, { clock }) => {
    const room = getState().catchUp.kept.rooms[roomId];
    if (room) dispatch(keepOne('rooms', changed(room, clock.now())));
  };

export const enterRoom = (roomId: string, personId: string): Act =>
  change(roomId, (room) => entered(room, personId));

export const leaveRoom = (roomId: string, personId: string): Act =>
  change(roomId, (room, now) => left(room, personId, now));

/** As it was before the worker left it, with whoever came in since. */
export const comeBack =
  (before: Room): Act =>
  (dispatch, getState) => {
    const now = getState().catchUp.kept.rooms[before.id];
    const memberIds = [...new Set([...before.memberIds, ...(now?.memberIds ?? [])])];
    dispatch(keepOne('rooms', { ...before, memberIds }));
    dispatch(actDone(null));
  };

export const writeInRoom =
  ({ id, callId }: Room, text: string): Act =>
  (dispatch, getState) => {
    const lineId = textLineOf(getState());
    if (lineId === null) return;
    const about = callId === null ? {} : { callId };
    dispatch(
      writeText({ number: roomNumber(id), lineId, text, notBefore: null, picture: null, ...about }, null),
    );
  };

/** The chat of a call: its colleagues write to each other as long as it goes on. */
export const chatOfCall =
  (callId: string, memberIds: readonly string[]): Act<Room> =>
  (dispatch, getState, { clock }) => {
    const known = getState().catchUp.kept.rooms[callId];
    const room = known ?? {
      id: callId,
      name: 'Chat of the call',
      isOpen: false,
      memberIds: [],
      callId,
      createdAt: clock.now(),
      closedAt: null,
    };
    const now = memberIds.reduce(entered, room);
    if (now !== known) dispatch(keepOne('rooms', now));
    return now;
  };

/** Chats end with their calls; what was written stays with the call's record. */
export function endChats(store: AppStore, endedCallIds: readonly string[], now: number): void {
  for (const callId of endedCallIds) {
    const room = store.getState().catchUp.kept.rooms[callId];
    if (room?.closedAt === null) store.dispatch(keepOne('rooms', { ...room, closedAt: now }));
  }
}
