import type { Arrival } from '@/core/inbox/arrivals';
import { selectMyDeviceId, send, useAppDispatch, useAppSelector } from '@/state/app';

import { useGo } from '../shared/useGo';
import { usePlaceCall } from '../shared/usePlaceCall';

/** Does what an arrival asks for, all but listening, which needs no other screen. */
export function useArrivalAct(): (arrival: Arrival) => void {
  const dispatch = useAppDispatch();
  const go = useGo();
  const placeCall = usePlaceCall();
  const deviceId = useAppSelector(selectMyDeviceId);
  const takeBack = async (slot: string) => {
    const result = await dispatch(send({ type: 'unpark', deviceId, slot }));
    if (result?.ok) go.call();
  };
  return ({ id, kind, asks, who, room, slot }) => {
    if (asks === 'takeBack' && slot !== null) void takeBack(slot);
    else if (asks === 'callBack' && who.number !== null) void placeCall(who.number);
    else if (kind === 'fax') go.fax(id);
    else if (room) go.room(room.id);
    else go.person(who.key);
  };
}
