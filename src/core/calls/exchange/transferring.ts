import { isLive, isPending, type Call, type Leg } from './call';
import { refuse, type Outcome, type Target } from './commands';
import { absorb, mayChange, pairOf } from './conferencing';
import { connectTo } from './connecting';
import { checkedDestination, speaksToOne, tailOf } from './destination';
import { leaveQueue } from './leavingQueue';
import { answerByMailbox } from './mailbox';
import { parkCall } from './parking';
import { endRecordings } from './recording';
import { isPlanRinging, stopRinging } from './ringing';
import type { Switchboard } from './Switchboard';

/**
 * Blind transfer: the others are connected to the target and this device leaves at once. Not taken in the office's
 * time, the call comes back. A conference stays together, and the target is asked in.
 */
export function transferCall(board: Switchboard, leg: Leg, target: Target): Outcome {
  if (target.kind === 'park') return parkCall(board, leg);
  const call = board.callOf(leg);
  const may = mayChange(call, leg);
  if (!may.ok) return may;
  if (isPlanRinging(call) || call.legs.some(isPending)) return refuse({ code: 'stillRinging' });
  if (target.kind === 'mailbox') return sendToMailbox(board, leg, target.personId);
  const checked = checkedDestination(board, call, leg, target.to);
  if (!checked.ok) return checked;
  const { destination, dialled } = checked;
  if (destination.kind === 'service') return refuse({ code: 'unknownTarget' });

  if (speaksToOne(board.office, destination) && othersThan(leg, call) > 1)
    return refuse({ code: 'notOnePerson' });

  const { endpoint, personId } = leg;
  if (endpoint.kind !== 'device' || personId === null) return refuse({ code: 'onlyDevice' });
  call.comesBackTo = { personId, deviceId: endpoint.deviceId };
  call.postDial = tailOf(dialled);
  leaveBehind(board, leg, destination.number);
  connectTo(board, call, destination, endpoint, {
    broughtFor: 'transfer',
    broughtById: personId,
    withinSeconds: board.office.setup.policies.transferReturnSeconds,
  });
  return { ok: true };
}

const othersThan = (leg: Leg, call: Call) =>
  call.legs.filter((other) => other !== leg && other.state !== 'cleared').length;

function sendToMailbox(board: Switchboard, leg: Leg, ownerId: string): Outcome {
  const call = board.callOf(leg);
  const owner = board.office.people.get(ownerId);
  if (!owner) return refuse({ code: 'unknownPerson' });
  if (othersThan(leg, call) > 1) return refuse({ code: 'notOnePerson' });
  call.finish = { kind: 'mailbox', personId: ownerId };
  leaveBehind(board, leg, owner.extension);
  answerByMailbox(board, call, { kind: 'mailbox', personId: ownerId });
  return { ok: true };
}

function leaveBehind(board: Switchboard, leg: Leg, to: string, heldLegIds: string[] = []): void {
  const call = board.callOf(leg);
  if (leg.personId !== null) call.handedOver = { byId: leg.personId, at: board.now, to, heldLegIds };
  board.note(call, 'transferred', leg.personId, to);
  board.emit({ type: 'transferred', at: board.now, callId: call.id, byLegId: leg.id, to });
  endRecordings(board, call, leg);
  board.clearLeg(leg, 'transferred');
}

/**
 * Consult transfer: the others of both calls stay together and this device leaves. While the one consulted still
 * rings, it becomes a blind transfer, and comes back like one.
 */
export function connectCalls(board: Switchboard, leg: Leg, otherLegId: string): Outcome<{ callId: string }> {
  const found = pairOf(board, leg, otherLegId);
  if (!found.ok) return found;
  const { into, from, stays, goes } = found.pair;
  if (stays.endpoint.kind !== 'device' || stays.personId === null) return refuse({ code: 'onlyDevice' });
  const isStillRinging = from.answeredAt === null;
  if (isStillRinging) into.comesBackTo = { personId: stays.personId, deviceId: stays.endpoint.deviceId };
  const to = from.dialled;
  const held = stays.state === 'held' ? into : from;
  const heldLegIds = held.legs
    .filter((each) => isLive(each) && each !== stays && each !== goes)
    .map(({ id }) => id);
  absorb(board, found.pair, 'transfer');
  leaveBehind(board, stays, to, heldLegIds);
  return { ok: true, callId: into.id };
}

/** Sends a ringing call on to somebody else: the target's own plan applies, and it does not come back. */
export function deflectCall(board: Switchboard, leg: Leg, target: Target): Outcome {
  const call = board.callOf(leg);
  if (leg.endpoint.kind !== 'device' || leg.role === 'caller' || leg.replaces !== null)
    return refuse({ code: 'onlyDevice' });
  // Whoever hung up and waits to be called can be sent nowhere.
  if (target.kind === 'park' || call.queued?.callBackTo != null) return refuse({ code: 'notAnswered' });
  const byId = leg.personId;
  if (target.kind === 'mailbox') {
    const owner = board.office.people.get(target.personId);
    if (!owner) return refuse({ code: 'unknownPerson' });
    sendOn(board, leg, owner.extension);
    call.finish = { kind: 'mailbox', personId: target.personId };
    answerByMailbox(board, call, target);
    return { ok: true };
  }
  const checked = checkedDestination(board, call, leg, target.to);
  if (!checked.ok) return checked;
  const { destination } = checked;
  if (destination.kind === 'service') return refuse({ code: 'unknownTarget' });
  sendOn(board, leg, destination.number);
  connectTo(board, call, destination, leg.endpoint, { broughtFor: 'call', broughtById: byId });
  return { ok: true };
}

function sendOn(board: Switchboard, leg: Leg, to: string): void {
  const call = board.callOf(leg);
  board.note(call, 'deflected', leg.personId, to);
  board.emit({ type: 'diverted', at: board.now, callId: call.id, to });
  stopRinging(board, call, 'callRejected');
  leaveQueue(board, call, 'overflowed');
  board.clearLeg(leg, 'callRejected');
  call.comesBackTo = null;
  board.endParking(call);
}
