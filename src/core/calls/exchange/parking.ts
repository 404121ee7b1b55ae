import { takeFromQueue } from './answering';
import { isMachine, isPending, isTalking, type Call, type Leg } from './call';
import { endRecordings } from './recording';
import { refuse, type CommandOf, type Outcome } from './commands';
import { isPlanRinging, stopRinging } from './ringing';
import { startByPolicy } from './recording';
import type { Switchboard } from './Switchboard';
import { mayTakeAnother, setAsideActiveCall } from './talking';

/** Parks the one other party at the lowest free slot and leaves (RFC 5359 §2.15). Returns the slot. */
export function parkCall(board: Switchboard, leg: Leg): Outcome<{ slot: string }> {
  const call = board.callOf(leg);
  if (call.emergency) return refuse({ code: 'emergency' });
  if (leg.endpoint.kind !== 'device' || leg.personId === null) return refuse({ code: 'onlyDevice' });
  const others = call.legs.filter((other) => other !== leg && isTalking(other));
  if (isPlanRinging(call) || call.legs.some(isPending)) return refuse({ code: 'stillRinging' });
  if (others.length === 0 || call.failure) return refuse({ code: 'notAnswered' });
  if (others.length > 1 || (others[0] && isMachine(others[0]))) return refuse({ code: 'notOnePerson' });
  const { parkSlots, policies } = board.office.setup;
  const slot = parkSlots.find((candidate) => !board.bySlot.has(candidate));
  if (slot === undefined) return refuse({ code: 'parkFull', slots: parkSlots.length });

  call.parked = { slot, at: board.now, byId: leg.personId };
  call.comesBackTo = { personId: leg.personId, deviceId: leg.endpoint.deviceId };
  board.bySlot.set(slot, call);
  board.note(call, 'parked', leg.personId, slot);
  board.startTimer(call, board.now + policies.parkSeconds * 1000, { kind: 'park' });
  board.emit({ type: 'parked', at: board.now, callId: call.id, slot });
  endRecordings(board, call, leg);
  board.clearLeg(leg, 'parked');
  return { ok: true, slot };
}

/** Takes the call of a slot to this device, also while it rings back already. Returns the new leg. */
export function unparkCall(
  board: Switchboard,
  { deviceId, slot, activeCall }: Pick<CommandOf<'unpark'>, 'deviceId' | 'slot' | 'activeCall'>,
): Outcome<{ leg: Leg }> {
  const call = board.bySlot.get(slot);
  if (!call) return refuse({ code: 'emptySlot' });
  const ready = mayTakeInto(board, call, deviceId, activeCall);
  if (!ready.ok) return ready;
  setAsideActiveCall(board, deviceId, activeCall);
  stopRinging(board, call, 'completedElsewhere');
  const leg = bringIn(board, call.id, deviceId, 'retrieve');
  call.comesBackTo = null;
  board.endParking(call);
  board.note(call, 'retrieved', leg.personId, slot);
  board.emit({ type: 'unparked', at: board.now, callId: call.id, legId: leg.id, slot });
  startByPolicy(board, call);
  return { ok: true, leg };
}

/** Whether somebody at this device can take a call that is there already, and that they are not in. */
export function mayTakeInto(
  board: Switchboard,
  call: Call,
  deviceId: string,
  activeCall?: 'hold' | 'clear',
): Outcome<{ personId: string }> {
  const device = board.office.devices.get(deviceId);
  const owner = board.office.ownerOf(deviceId);
  if (!device || !owner) return refuse({ code: 'unknownDevice' });
  if (!board.signedIn.has(deviceId)) return refuse({ code: 'notSignedIn' });
  const isInIt = call.legs.some((leg) => isTalking(leg) && isAt(leg, deviceId));
  if (isInIt) return refuse({ code: 'sameCall' });
  if (board.callsAt(deviceId) >= device.callLimit)
    return refuse({ code: 'tooManyCalls', limit: device.callLimit });
  const may = mayTakeAnother(board, deviceId, activeCall);
  return may.ok ? { ok: true, personId: owner.id } : may;
}

const isAt = ({ endpoint }: Leg, deviceId: string) =>
  endpoint.kind === 'device' && endpoint.deviceId === deviceId;

/** A connected leg for a device that takes a call by itself. */
export function bringIn(
  board: Switchboard,
  callId: string,
  deviceId: string,
  broughtFor: 'retrieve' | 'join' | 'call',
): Leg {
  const call = board.calls.get(callId);
  if (!call) throw new Error(`No call ${callId}`);
  const owner = board.office.ownerOf(deviceId);
  const leg = board.addLeg(call, {
    endpoint: { kind: 'device', deviceId },
    role: 'called',
    state: 'connected',
    broughtFor,
    broughtById: owner?.id ?? null,
  });
  leg.answeredAt = board.now;
  call.answeredAt ??= board.now;
  takeFromQueue(board, call, leg);
  return leg;
}
