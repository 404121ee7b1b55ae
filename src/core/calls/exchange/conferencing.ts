import { joinedMeetings, meetingLimits, movedEnd } from '../meetings';
import { hostsOf } from './attending';
import { dropWaitingWhoAreIn } from './guests';
import { isLive, isMachine, isOpenRoom, isPending, isTalking, type Call, type Leg } from './call';
import { endIfAlone } from './clearing';
import { refuse, type Outcome } from './commands';
import { connectTo } from './connecting';
import { isHostIn } from './rooms';
import { checkedDestination, speaksToOne } from './destination';
import { limits } from './limits';
import { carryRecordings, endRecordings } from './recording';
import { writeRecords } from './records';
import { isPlanRinging } from './ringing';
import type { Switchboard } from './Switchboard';
import { mayTakeAnother, retrieveLeg, setAsideActiveCall } from './talking';

/** Whether who is at this leg may change who is in the call. */
export function mayChange(call: Call, leg: Leg): Outcome {
  if (call.emergency) return refuse({ code: 'emergency' });
  if (leg.endpoint.kind !== 'device' || leg.personId === null) return refuse({ code: 'onlyDevice' });
  const isTalk =
    call.legs.some((other) => other !== leg && isTalking(other) && !isOpenRoom(other)) && !call.failure;
  const isInMailbox = call.legs.some((other) => isLive(other) && isMachine(other) && !isOpenRoom(other));
  if (call.legs.some(isOpenRoom) && !isHostIn(call, leg)) return refuse({ code: 'hostOnly' });
  return isTalk && !isInMailbox && call.answeredAt !== null ? { ok: true } : refuse({ code: 'notAnswered' });
}

export function mayGrow(call: Call, by: number): Outcome {
  if (call.meeting?.isLocked) return refuse({ code: 'meetingLocked' });
  const limit = call.meeting ? meetingLimits.parties : limits.parties;
  return partiesOf(call) + by > limit ? refuse({ code: 'conferenceFull', limit }) : { ok: true };
}

/** Those who are there or on the way; a device to which one of them moves counts for nobody new. */
const partiesOf = (call: Call) =>
  call.legs.filter((leg) => (isTalking(leg) && !isOpenRoom(leg)) || isPending(leg)).length;

/** Asks one more in, while the others talk on. */
export function addParty(board: Switchboard, leg: Leg, to: string): Outcome {
  const call = board.callOf(leg);
  const may = mayChange(call, leg);
  if (!may.ok) return may;
  if (isPlanRinging(call)) return refuse({ code: 'stillRinging' });
  const room = mayGrow(call, 1);
  if (!room.ok) return room;
  const checked = checkedDestination(board, call, leg, to);
  if (!checked.ok) return checked;
  const { destination } = checked;
  // It joins no talk.
  if (destination.kind === 'service' || speaksToOne(board.office, destination))
    return refuse({ code: 'unknownTarget' });
  board.note(call, 'added', leg.personId, destination.number);
  connectTo(board, call, destination, leg.endpoint, {
    broughtFor: 'conference',
    broughtById: leg.personId,
  });
  return { ok: true };
}

/** The two calls of one device that are to become one: which stays, and which of its legs goes. */
interface Pair {
  into: Call;
  from: Call;
  /** The device's leg in the call that stays. */
  stays: Leg;
  goes: Leg;
}

/** Finds out which of two calls takes in the other: one that is answered. The other may still be ringing. */
export function pairOf(board: Switchboard, leg: Leg, otherLegId: string): Outcome<{ pair: Pair }> {
  const other = board.legs.get(otherLegId);
  if (!other) return refuse({ code: 'unknownLeg' });
  if (other.callId === leg.callId) return refuse({ code: 'sameCall' });
  if (!isTalking(other)) return refuse({ code: 'notAnswered' });
  const isOneDevice =
    leg.endpoint.kind === 'device' &&
    other.endpoint.kind === 'device' &&
    leg.endpoint.deviceId === other.endpoint.deviceId;
  if (!isOneDevice) return refuse({ code: 'notInCall' });
  const [call, otherCall] = [board.callOf(leg), board.callOf(other)];
  if (call.emergency || otherCall.emergency) return refuse({ code: 'emergency' });
  if (isPlanRinging(call) && isPlanRinging(otherCall)) return refuse({ code: 'stillRinging' });
  const first = mayChange(call, leg);
  const second = mayChange(otherCall, other);
  if (!first.ok && !second.ok) return first;
  const pair: Pair = first.ok
    ? { into: call, from: otherCall, stays: leg, goes: other }
    : { into: otherCall, from: call, stays: other, goes: leg };
  if (pair.from.failure || partiesOf(pair.from) < 2) return refuse({ code: 'notAnswered' });
  if (pair.from.answeredAt === null && pair.goes.role !== 'caller') return refuse({ code: 'notAnswered' });
  if (pair.from.legs.some((each) => isLive(each) && isMachine(each))) return refuse({ code: 'notOnePerson' });
  const room = mayGrow(pair.into, partiesOf(pair.from) - 1);
  if (!room.ok) return room;
  return isSomebodyTwice(pair) ? refuse({ code: 'targetInCall' }) : { ok: true, pair };
}

function isSomebodyTwice({ into, from, goes }: Pair): boolean {
  const keys = new Set(into.legs.filter(isLive).map(partyKey));
  return from.legs.some((leg) => leg !== goes && isLive(leg) && keys.has(partyKey(leg)));
}

function partyKey({ endpoint, id }: Leg): string {
  if (endpoint.kind === 'device') return `device ${endpoint.deviceId}`;
  if (endpoint.kind === 'outside' && endpoint.guestId !== undefined) return `guest ${endpoint.guestId}`;
  return endpoint.kind === 'outside' && endpoint.number !== null ? `number ${endpoint.number}` : id;
}

/** All of both calls in one; the device stays in it and talks. */
export function mergeCalls(board: Switchboard, leg: Leg, otherLegId: string): Outcome<{ leg: Leg }> {
  const found = pairOf(board, leg, otherLegId);
  if (!found.ok) return found;
  const { into, from, stays } = found.pair;
  if (stays.endpoint.kind === 'device' && stays.state === 'held') {
    const { deviceId } = stays.endpoint;
    const may = mayTakeAnother(board, deviceId);
    if (!may.ok) return may;
    if (board.activeLeg(deviceId) !== found.pair.goes) setAsideActiveCall(board, deviceId);
  }
  board.note(into, 'joinedCalls', stays.personId);
  absorb(board, found.pair, 'conference');
  if (stays.state === 'held') retrieveLeg(board, stays);
  board.emit({ type: 'conferenced', at: board.now, callId: into.id, otherCallId: from.id });
  return { ok: true, leg: stays };
}

/**
 * Takes all of one call into the other. The call that is taken in ends there, with records for those who talked in
 * it; whoever still rings comes along and is brought in for what is said.
 */
export function absorb(
  board: Switchboard,
  { into, from, stays, goes }: Pair,
  broughtFor: 'conference' | 'transfer',
): void {
  carryRecordings(from, goes, into, stays);
  into.meeting = joinedMeetings(into.meeting, from.meeting && movedEnd(from.meeting, goes.id, stays.id));
  from.meeting = null;
  board.endInvitation(from);
  board.clearLeg(goes, 'joined');
  for (const leg of from.legs) if (leg.leaves) board.clearLeg(leg, 'moved');
  const live = from.legs.filter(isLive);
  const arriving = live.filter((leg) => !isTalking(leg));
  const ringing = isPlanRinging(from) ? from.ringing : null;
  if (ringing) {
    if (into.ringing) into.earlierTraces.push(into.ringing.trace);
    into.ringing = { ...ringing, broughtFor, broughtById: goes.personId };
    from.ringing = null;
    board.moveTimers(from, into, ({ what }) => what.kind === 'route');
  }
  for (const leg of arriving) {
    leg.broughtFor = broughtFor;
    board.moveLeg(leg, from, into);
  }
  const kept = from.recordings;
  from.recordings = [];
  writeRecords(board, from, 'joined');
  into.recordings.push(...kept);
  for (const leg of live) if (isTalking(leg)) board.moveLeg(leg, from, into);
  dropWaitingWhoAreIn(into);
  into.servedBy ??= from.servedBy;
  from.servedBy = null;
  if (into.postDial === null) into.postDial = from.answeredAt === null ? from.postDial : null;
  board.removeCall(from);
  board.emit({ type: 'callCleared', at: board.now, callId: from.id });
}

type ConferenceAct = 'silence' | 'unsilence' | 'putAside' | 'bringBack' | 'talkAside' | 'drop';

/** What one party of the office does with another of the same call. */
export function actOnParty(board: Switchboard, leg: Leg, act: ConferenceAct, otherLegId: string): Outcome {
  const call = board.callOf(leg);
  const other = call.legs.find(({ id }) => id === otherLegId);
  const may = mayChange(call, leg);
  if (!may.ok) return may;
  if (!other || other === leg || !isLive(other) || isOpenRoom(other) || other.leaves)
    return refuse({ code: 'notInCall' });
  if (call.meeting && !hostsOf(call).includes(leg.id)) return refuse({ code: 'hostOnly' });
  if (act === 'drop') {
    endRecordings(board, call, other);
    board.clearLeg(other, 'normalClearing');
    board.note(call, 'dropped', leg.personId, nameOf(board, other));
    endIfAlone(board, call, 'normalClearing');
    return { ok: true };
  }
  if (!isTalking(other)) return refuse({ code: 'notAnswered' });
  switch (act) {
    case 'silence':
      return setSilenced(board, other, leg.id);
    case 'unsilence':
      return setSilenced(board, other, null);
    case 'putAside':
      return setRoom(board, call, [other], 'aside', leg.id);
    case 'bringBack':
      return bringBack(board, call, other);
    case 'talkAside': {
      if (call.legs.filter(isTalking).length < 3) return refuse({ code: 'tooFew' });
      const isGoingOn = call.legs.some(({ room }) => room === 'private');
      if (isGoingOn) return refuse({ code: 'privateWordGoesOn' });
      return setRoom(board, call, [leg, other], 'private', leg.id);
    }
  }
}

function setSilenced(board: Switchboard, leg: Leg, byLegId: string | null): Outcome {
  if ((leg.silencedBy === null) === (byLegId === null)) return { ok: true };
  leg.silencedBy = byLegId;
  board.emitLeg(byLegId === null ? 'unsilenced' : 'silenced', leg);
  return { ok: true };
}

function setRoom(
  board: Switchboard,
  call: Call,
  legs: readonly Leg[],
  room: 'aside' | 'private',
  byLegId: string,
): Outcome {
  for (const leg of legs) {
    if (leg.room === 'private') endPrivateWord(call);
    leg.room = room;
    leg.roomBy = byLegId;
  }
  const [last] = legs.slice(-1);
  if (last) board.emitLeg(room === 'aside' ? 'putAside' : 'talkedAside', last);
  return { ok: true };
}

function bringBack(board: Switchboard, call: Call, leg: Leg): Outcome {
  if (leg.room === 'floor') return { ok: true };
  if (leg.room === 'private') endPrivateWord(call);
  leg.room = 'floor';
  leg.roomBy = null;
  board.emitLeg('broughtBack', leg);
  return { ok: true };
}

/** The two are on the floor again: a private word of one alone is none. */
export function endPrivateWord(call: Call): void {
  for (const leg of call.legs) {
    if (leg.room !== 'private') continue;
    leg.room = 'floor';
    leg.roomBy = null;
  }
}

function nameOf(board: Switchboard, leg: Leg): string | null {
  if (leg.endpoint.kind === 'outside') return leg.endpoint.number;
  return board.office.people.get(leg.personId ?? '')?.extension ?? null;
}
