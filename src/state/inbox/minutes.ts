import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { isMachine } from '@/core/calls/exchange';
import { minutesText, type Stay } from '@/core/calls/meetings';
import type { Message, Room } from '@/core/inbox/messages';
import {
  actDone,
  identifyEndpoint,
  selectMyId,
  selectNames,
  selectOffice,
  selectZone,
  type CallView,
  type RootState,
  type Services,
} from '@/state/app';

import { selectRoomLog, writeInRoom } from './rooms';

/** Writes what is to be kept of a meeting into a room: who was there how long by now, and its chat. Says whether it is written. */
export const keepMinutes =
  ({ call }: CallView, room: Room): ThunkAction<Promise<boolean>, RootState, Services, Action> =>
  async (dispatch, getState, { clock }) => {
    if (!call.meeting) return false;
    const state = getState();
    const [now, names, office] = [clock.now(), selectNames(state), selectOffice(state)];
    const from = call.meeting.begunAt;
    const stays = call.legs.flatMap((leg): Stay[] => {
      const to = leg.clearedAt ?? now;
      const since = leg.role === 'caller' ? call.answeredAt : leg.answeredAt;
      if (isMachine(leg) || since === null || to <= from) return [];
      const { name, number, personId } = identifyEndpoint(leg, call, names);
      const { endpoint } = leg;
      const isApp = endpoint.kind === 'device' && office.devices.get(endpoint.deviceId)?.kind === 'app';
      const isGuest = endpoint.kind === 'outside' && endpoint.guestId !== undefined;
      const byPhone = !isApp && !isGuest && !call.meeting?.besideLegIds.includes(leg.id);
      const who = personId ?? number ?? leg.id;
      return [{ who, name, byPhone, from: Math.max(from, since), to }];
    });
    const nameOf = ({ direction, fromId }: Message) =>
      office.people.get(direction === 'out' ? selectMyId(state) : (fromId ?? ''))?.name ?? 'Somebody';
    const lines = selectRoomLog(state, call.id).map((line) => ({
      at: line.at,
      text: line.text,
      name: nameOf(line),
    }));
    const text = minutesText(stays, lines, { from, to: now, zone: selectZone(state) });
    const isWritten = await dispatch(writeInRoom(room, text));
    if (isWritten) dispatch(actDone(`The minutes are in ${room.name}.`));
    return isWritten;
  };
