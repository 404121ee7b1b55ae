import { movedEnd } from '../meetings';
import { isLive, isTalking, type Leg } from './call';
import { refuse, type CommandOf, type Outcome } from './commands';
import { limits } from './limits';
import { carryRecordings } from './recording';
import type { Switchboard } from './Switchboard';
import { setAsideActiveCall } from './talking';

/**
 * Moves a talk to another device: the new leg is up before the old one goes, so that the other side notices nothing.
 * Returns the new leg, which rings until lifted unless the worker is there already.
 */
export function moveCall(
  board: Switchboard,
  leg: Leg,
  { to, atOnce }: CommandOf<'move'>,
): Outcome<{ leg: Leg }> {
  const call = board.callOf(leg);
  if (leg.endpoint.kind !== 'device' || leg.personId === null) return refuse({ code: 'onlyDevice' });
  if (call.emergency) return refuse({ code: 'emergency' });
  const isOnItsWay = call.legs.some((other) => isLive(other) && other.replaces === leg.id);
  const isTalk = call.legs.some((other) => other !== leg && isTalking(other)) && !call.failure;
  if (!isTalk) return refuse({ code: 'notAnswered' });
  if (isOnItsWay) return refuse({ code: 'stillRinging' });
  const device =
    'deviceId' in to ? board.office.devices.get(to.deviceId) : board.office.roomsByCode.get(to.roomCode);
  if (!device) return refuse({ code: 'roomCode' in to ? 'unknownCode' : 'unknownDevice' });
  const isTheirs = 'roomCode' in to || device.personId === leg.personId;
  if (!isTheirs || device.id === leg.endpoint.deviceId) return refuse({ code: 'notTheirDevice' });
  if (!board.signedIn.has(device.id)) return refuse({ code: 'notSignedIn' });
  if (board.isBusy(device.id)) return refuse({ code: 'tooManyCalls', limit: device.callLimit });

  const moved = board.addLeg(call, {
    endpoint: { kind: 'device', deviceId: device.id },
    role: 'called',
    state: 'alerting',
    broughtFor: 'move',
    broughtById: leg.personId,
    personId: leg.personId,
  });
  moved.replaces = leg.id;
  if (!atOnce) {
    board.emitLeg('delivered', moved);
    board.startTimer(call, board.now + limits.moveMs, { kind: 'move', legId: moved.id });
  } else setAsideActiveCall(board, device.id);
  return { ok: true, leg: moved };
}

/** The new device is lifted: what the old leg was in the call, the new one is; the old one stays for a moment. */
export function completeMove(board: Switchboard, leg: Leg): void {
  const call = board.callOf(leg);
  const old = call.legs.find(({ id }) => id === leg.replaces);
  leg.replaces = null;
  if (!old) return;
  leg.muted = old.muted;
  leg.silencedBy = old.silencedBy;
  leg.room = old.room;
  leg.roomBy = old.roomBy === old.id ? leg.id : old.roomBy;
  leg.digitsSent = old.digitsSent;
  for (const other of call.legs) {
    if (other === old) continue;
    if (other.silencedBy === old.id) other.silencedBy = leg.id;
    if (other.roomBy === old.id) other.roomBy = leg.id;
  }
  if (call.invitation?.legId === old.id) call.invitation.legId = leg.id;
  if (call.meeting) call.meeting = movedEnd(call.meeting, old.id, leg.id);
  carryRecordings(call, old, call, leg);
  old.room = 'floor';
  old.roomBy = null;
  old.silencedBy = null;
  board.note(call, 'moved', leg.personId, leg.endpoint.kind === 'device' ? leg.endpoint.deviceId : null);
  board.emit({ type: 'moved', at: board.now, callId: call.id, legId: leg.id, fromLegId: old.id });
  // A held leg has nothing to say, and its device may talk to somebody else.
  if (old.state === 'held') {
    board.clearLeg(old, 'moved');
  } else {
    old.leaves = true;
    board.startTimer(call, board.now + overlapMs(board, leg), { kind: 'overlap', legId: old.id });
  }
}

/** The new device speaks: what its person has left behind for that goes. */
export function endOverlap(board: Switchboard, leg: Leg): void {
  for (const old of board.callOf(leg).legs)
    if (old.leaves && old.personId === leg.personId && isLive(old)) board.clearLeg(old, 'moved');
}

/** Where somebody is signed in with a browser, it says when it speaks. */
function overlapMs(board: Switchboard, { endpoint }: Leg): number {
  const device = endpoint.kind === 'device' ? board.office.devices.get(endpoint.deviceId) : undefined;
  return device?.contactOf === undefined ? limits.overlapMs : limits.untilItSpeaksMs;
}
