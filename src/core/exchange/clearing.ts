import { isTalking, type Call, type Leg } from './call';
import type { Cause } from './causes';
import { limits } from './limits';
import { writeRecords } from './records';
import type { Switchboard } from './Switchboard';

/** The call can't be connected: the caller hears why until they clear, or the tone's time is over. */
export function failCall(board: Switchboard, call: Call, cause: Cause): void {
  call.failure = cause;
  call.timers = [];
  board.startTimer(call, board.now + limits.toneMs, { kind: 'tone' });
}

/** An outside leg failed in the network. */
export function failLeg(board: Switchboard, leg: Leg, cause: Cause): void {
  board.setState(leg, 'failed');
  leg.cause = cause;
  board.emit({ type: 'failed', at: board.now, callId: leg.callId, legId: leg.id, cause });
  failCall(board, board.callOf(leg), cause);
}

/** One party leaves. The call ends with it unless two or more go on talking. */
export function leaveCall(board: Switchboard, leg: Leg, cause: Cause): void {
  const call = board.callOf(leg);
  const remaining = call.legs.filter((other) => other !== leg && isTalking(other));
  if (remaining.length < 2) clearCall(board, call, cause, leg);
  else board.clearLeg(leg, cause);
}

/** Ends a call for all: the leaver first, then the others; then writes what is kept of it. */
export function clearCall(board: Switchboard, call: Call, cause: Cause, leaver?: Leg): void {
  finishMessage(board, call);
  if (leaver) board.clearLeg(leaver, cause);
  for (const leg of call.legs) board.clearLeg(leg, cause);
  writeRecords(board, call, cause);
  call.timers = [];
  board.calls.delete(call.id);
  board.emit({ type: 'callCleared', at: board.now, callId: call.id });
}

function finishMessage(board: Switchboard, call: Call): void {
  const mailbox = call.legs.find((leg) => leg.mailboxPhase === 'recording' && leg.state === 'connected');
  if (!mailbox || mailbox.endpoint.kind !== 'mailbox') return;
  const durationMs = board.now - mailbox.stateSince;
  if (durationMs < limits.shortestMessageMs) return;
  call.messageMs = durationMs;
  const { personId } = mailbox.endpoint;
  board.emit({
    type: 'messageLeft',
    at: board.now,
    callId: call.id,
    legId: mailbox.id,
    personId,
    durationMs,
  });
}
