import { pinSeconds, pinTurns, traceConference } from '@/core/plans/routing';
import { begunMeeting } from '../meetings';
import { callerOf, isLive, isMachine, isOpenRoom, isTalking, type Call, type Leg } from './call';
import { failCall } from './clearing';
import { mayGrow } from './conferencing';
import { roomOf } from './rooms';
import { limits } from './limits';
import { answerByMachine } from './machineLeg';
import { carryRecordings, endRecordings, startByPolicy } from './recording';
import { writeRecords } from './records';
import { setTrace, type Bringing } from './ringing';
import type { Switchboard } from './Switchboard';

/**
 * The entrance of a conference number: the caller is asked for its PIN, and comes into the talk of those who are there already (a conference that
 * is dialled into: RFC 4353; the host PIN makes a moderator). Wrong PINs are counted for the conference, whoever types them, and
 * each makes the next wait longer.
 */
export function enterConference(
  board: Switchboard,
  call: Call,
  conferenceId: string,
  lineId: string | null,
  by: Bringing,
): void {
  const caller = callerOf(call);
  const opens = by.broughtFor === 'call' && opensFor(board, conferenceId, caller);
  setTrace(board, call, traceConference({ ownerId: conferenceId, lineId }, opens), by);
  call.comesBackTo = null;
  board.endInvitation(call);
  const entrance = { phase: 'pin', digits: '', wrong: 0, turn: 0, waitsForHost: false } as const;
  const leg = answerByMachine(
    board,
    call,
    { kind: 'conference', conferenceId },
    { entrance: { ...entrance } },
  );
  if (!opens) return askForPin(board, leg);
  comeIn(board, leg, caller, true);
  const room = board.calls.get(caller.callId);
  if (room && !room.failure) meetThere(board, room, caller);
}

/** Whoever of the office calls by their own app is known, and need say no PIN. */
function opensFor(board: Switchboard, conferenceId: string, { endpoint, personId }: Leg): boolean {
  const isOpen = board.office.conferences.get(conferenceId)?.opensForOffice === true;
  if (!isOpen || endpoint.kind !== 'device' || personId === null) return false;
  return board.office.devices.get(endpoint.deviceId)?.kind === 'app';
}

/** What opens for the office is a meeting from the first of them on. */
function meetThere(board: Switchboard, room: Call, leg: Leg): void {
  if (room.meeting) return;
  room.meeting = begunMeeting(leg.id, board.now);
  board.emit({ type: 'meetingChanged', at: board.now, callId: room.id });
}

function askForPin(board: Switchboard, leg: Leg): void {
  const { entrance } = leg;
  if (!entrance) return;
  entrance.phase = 'pin';
  entrance.digits = '';
  entrance.turn++;
  board.emitLeg('pinAsked', leg);
  waitFor(board, leg, pinSeconds * 1000);
}

/** Somebody pressed keys while a conference asks for its PIN. Whether there is one that heard them. */
export function pressAtEntrance(board: Switchboard, presser: Leg, digits: string): boolean {
  const leg = board
    .callOf(presser)
    .legs.find((each) => each.endpoint.kind === 'conference' && isLive(each) && !isOpenRoom(each));
  const { entrance } = leg ?? {};
  if (!leg || !entrance || leg === presser) return false;
  for (const key of digits) {
    // While a wrong one waits, and once they are in or turned away, nobody hears what is pressed.
    if (entrance.phase !== 'pin' || !isLive(leg)) return true;
    if (key === '#') decide(board, leg, presser);
    else {
      entrance.digits += key;
      if (entrance.digits.length >= longestPin) decide(board, leg, presser);
      else waitFor(board, leg, limits.pinDigitMs);
    }
  }
  return true;
}

const longestPin = 8;

/** Nothing more has come: what was typed is the PIN, or it is asked for again; and who had to wait for a wrong one is asked again. */
export function settleEntrance(board: Switchboard, leg: Leg): void {
  const { entrance } = leg;
  if (!entrance || entrance.phase === 'open') return;
  const call = board.callOf(leg);
  const presser = call.legs.find((each) => each !== leg && isTalking(each));
  if (entrance.phase === 'pin' && entrance.digits !== '' && presser) return decide(board, leg, presser);
  if (entrance.phase === 'pin' && entrance.turn >= pinTurns) return turnAway(board, leg);
  askForPin(board, leg);
}

function decide(board: Switchboard, leg: Leg, presser: Leg): void {
  const { entrance, endpoint } = leg;
  if (!entrance || endpoint.kind !== 'conference') return;
  const { conferenceId } = endpoint;
  const conference = board.office.conferences.get(conferenceId);
  board.stopTimers(board.callOf(leg), ({ what }) => what.kind === 'pinEnd');
  const typed = entrance.digits;
  if (typed !== '' && (typed === conference?.pin || typed === conference?.hostPin)) {
    comeIn(board, leg, presser, typed === conference.hostPin);
    return;
  }
  if (!conference || ++entrance.wrong >= limits.wrongPins) {
    noteWrong(board, conferenceId);
    turnAway(board, leg);
    return;
  }
  entrance.phase = 'wait';
  board.emitLeg('pinRefused', leg);
  waitFor(board, leg, noteWrong(board, conferenceId));
}

/** Counts a wrong PIN. @returns milliseconds that it has to wait: 1 s, then 2, 4, … of those of the last hour, at most a minute */
function noteWrong(board: Switchboard, conferenceId: string): number {
  board.wrongPins = board.wrongPins.filter(({ at }) => at > board.now - limits.wrongPinsMs);
  const before = board.wrongPins.filter((each) => each.conferenceId === conferenceId).length;
  board.wrongPins.push({ conferenceId, at: board.now });
  return Math.min(limits.longestPinWaitMs, limits.firstPinWaitMs * 2 ** before);
}

function turnAway(board: Switchboard, leg: Leg): void {
  const call = board.callOf(leg);
  board.clearLeg(leg, 'callRejected');
  failCall(board, call, 'callRejected');
}

/** The caller is let in: where nobody is there yet their call becomes the talk, else they come into it. */
function comeIn(board: Switchboard, leg: Leg, presser: Leg, isHost: boolean): void {
  const { entrance, endpoint } = leg;
  if (!entrance || endpoint.kind !== 'conference') return;
  const call = board.callOf(leg);
  const room = roomOf(board.calls.values(), endpoint.conferenceId);
  if (room && !mayGrow(room, 1).ok) {
    board.clearLeg(leg, 'userBusy');
    failCall(board, call, 'userBusy');
    return;
  }
  presser.isHost = isHost;
  presser.answeredAt ??= board.now;
  call.answeredAt ??= board.now;
  if (!room) {
    entrance.phase = 'open';
    entrance.digits = '';
    entrance.waitsForHost = board.office.conferences.get(endpoint.conferenceId)?.waitsForHost ?? false;
  } else moveInto(board, call, room, leg, presser);
  board.emitLeg('joined', presser);
  startByPolicy(board, board.callOf(presser));
}

/** Their own call ends, with records for whoever was in it before; for themselves only where it rang or was talked in. */
function moveInto(board: Switchboard, from: Call, room: Call, entrance: Leg, presser: Leg): void {
  board.clearLeg(entrance, 'joined');
  carryRecordings(from, presser, room, presser);
  endRecordings(board, from);
  const isAlone = from.legs.every((leg) => leg === presser || isMachine(leg));
  writeRecords(board, from, 'joined', isAlone ? presser.personId : null);
  presser.broughtFor = 'join';
  board.moveLeg(presser, from, room);
  board.removeCall(from);
  board.emit({ type: 'callCleared', at: board.now, callId: from.id });
  board.emit({ type: 'conferenced', at: board.now, callId: room.id, otherCallId: from.id });
}

function waitFor(board: Switchboard, leg: Leg, ms: number): void {
  const call = board.callOf(leg);
  board.stopTimers(call, ({ what }) => what.kind === 'pinEnd');
  board.startTimer(call, board.now + ms, { kind: 'pinEnd', legId: leg.id });
}
