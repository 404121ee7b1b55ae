import { postDialSchedule } from '@/core/numbers/numbering';
import { isOfPlan, callerOf, isTalking, type Call, type Leg } from './call';
import { failCall } from './clearing';
import { callOutside, connectTo } from './connecting';
import { destinationOf, readDialled } from './destination';
import { serveByMember } from './leavingQueue';
import { limits } from './limits';
import { completeMove } from './moving';
import { startByPolicy } from './recording';
import { stopRinging } from './ringing';
import type { Switchboard } from './Switchboard';

/** A phone is lifted. Where an accept key is asked for, it hears who calls, and the call rings on until the key. */
export function answerLeg(board: Switchboard, leg: Leg): void {
  if (leg.accept !== 'asked') {
    takeLeg(board, leg);
    return;
  }
  const call = board.callOf(leg);
  leg.accept = 'waiting';
  board.stopTimers(call, ({ what }) => 'legId' in what && what.legId === leg.id);
  board.emitLeg('acceptAsked', leg);
  board.startTimer(call, board.now + limits.acceptMs, { kind: 'accept', legId: leg.id });
}

/** The leg is in the call from now on. */
export function takeLeg(board: Switchboard, leg: Leg): void {
  const call = board.callOf(leg);
  board.stopTimers(call, ({ what }) => 'legId' in what && what.legId === leg.id);
  leg.accept = 'no';
  board.setState(leg, 'connected');
  if (leg.role === 'caller') {
    board.emitLeg('established', leg);
    callAfterwards(board, call, leg);
    return;
  }
  leg.answeredAt = board.now;
  const isFirstAnswer = call.answeredAt === null;
  call.answeredAt ??= board.now;
  if (isOfPlan(call, leg)) stopRinging(board, call, 'completedElsewhere');
  takeFromQueue(board, call, leg);
  // Who only carries on at another phone has not taken up what was handed over, and stays parked.
  const isTaken = leg.replaces === null && (leg.broughtFor === 'transfer' || leg.broughtFor === 'return');
  if (isTaken) {
    call.comesBackTo = null;
    board.endParking(call);
  }
  if (leg.replaces !== null) completeMove(board, leg);
  board.emitLeg('established', leg);
  startByPolicy(board, call);
  if (isFirstAnswer || leg.broughtFor === 'transfer') sendTail(board, call, leg);
}

/** One's own phone is lifted: now the other side is called. */
function callAfterwards(board: Switchboard, call: Call, caller: Leg): void {
  const { calledAfterwards: to } = call;
  call.calledAfterwards = null;
  const read = readDialled(board.office, to ?? '');
  const destination = read.ok ? destinationOf(board.office, read.dialled) : null;
  if (!destination || destination.kind === 'service') failCall(board, call, 'facilityRejected');
  else
    connectTo(board, call, destination, caller.endpoint, {
      broughtFor: 'call',
      broughtById: caller.personId,
    });
}

/** Somebody of the office has a call that waited in a queue: whoever hung up and kept their place is called now. */
export function takeFromQueue(board: Switchboard, call: Call, leg: Leg): void {
  const { callBackTo = null } = call.queued ?? {};
  serveByMember(board, call, leg);
  if (callBackTo === null) return;
  board.note(call, 'calledBack', leg.personId, callBackTo);
  callOutside(board, call, callBackTo, { broughtFor: 'call', broughtById: leg.personId });
}

/** Extension and post-dial digits go out once the other side is there. */
function sendTail(board: Switchboard, call: Call, answered: Leg): void {
  const sender = [callerOf(call), ...call.legs].find((leg) => leg !== answered && isTalking(leg));
  if (!sender || call.postDial === null) return;
  for (const { digit, afterMs } of postDialSchedule(call.postDial)) {
    board.startTimer(call, board.now + afterMs, { kind: 'digit', legId: sender.id, digit });
  }
}
