import { isPending, isTalking, isWaitingInSilence, type Call, type Leg } from './call';
import type { Cause } from './causes';
import { leaveQueue } from './leavingQueue';
import { limits } from './limits';
import { writeRecords } from './records';
import { endRecordings } from './recording';
import type { Switchboard } from './Switchboard';

/** The call can't be connected: the caller hears why until they clear, or the tone's time is over. */
export function failCall(board: Switchboard, call: Call, cause: Cause): void {
  leaveQueue(board, call, 'overflowed');
  call.failure = cause;
  call.timers = [];
  board.startTimer(call, board.now + limits.toneMs, { kind: 'tone' });
}

/** Whether the call has a reason to go on without the given leg. */
export function goesOnWithout(call: Call, leg: Leg | null): boolean {
  const others = call.legs.filter((other) => other !== leg);
  const talking = others.filter(isTalking).length;
  if (talking >= 2) return true;
  const isAwaited = call.parked !== null || others.some(isPending) || hasMoreToRing(call);
  return talking === 1 && isAwaited;
}

const hasMoreToRing = (call: Call) =>
  isWaitingInSilence(call) || (call.ringing?.progress.includes(null) ?? false);

/** One party leaves. The call ends with it unless others go on, or somebody is on the way. */
export function leaveCall(board: Switchboard, leg: Leg, cause: Cause): void {
  const call = board.callOf(leg);
  if (!goesOnWithout(call, leg)) {
    clearCall(board, call, cause, leg);
    return;
  }
  endRecordings(board, call, leg);
  board.clearLeg(leg, cause);
}

/** After a leg has gone by itself: the call ends where nobody is left to talk to. */
export function endIfAlone(board: Switchboard, call: Call, cause: Cause): void {
  if (!goesOnWithout(call, null)) clearCall(board, call, cause);
}

/** Ends a call for all: the leaver first, then the others; then writes what is kept of it. */
export function clearCall(board: Switchboard, call: Call, cause: Cause, leaver?: Leg): void {
  finishMessage(board, call);
  leaveQueue(board, call, 'abandoned');
  endRecordings(board, call);
  if (leaver) board.clearLeg(leaver, cause);
  for (const leg of call.legs) board.clearLeg(leg, cause);
  writeRecords(board, call, cause);
  board.removeCall(call);
  board.emit({ type: 'callCleared', at: board.now, callId: call.id });
}

function finishMessage(board: Switchboard, call: Call): void {
  const mailbox = call.legs.find((leg) => leg.mailboxPhase === 'recording' && leg.state === 'connected');
  if (!mailbox) return;
  const durationMs = board.now - mailbox.stateSince;
  if (durationMs < limits.shortestMessageMs) return;
  call.messageMs = durationMs;
  board.emit({ type: 'messageLeft', at: board.now, callId: call.id, legId: mailbox.id, durationMs });
}
