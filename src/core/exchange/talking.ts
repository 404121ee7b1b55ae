import { postDialSchedule } from '../numbering';
import { callerOf, type Leg } from './call';
import { leaveCall } from './clearing';
import { stopRinging } from './ringing';
import type { Switchboard } from './Switchboard';

/** What becomes of the call a device talks on when another takes its place. */
export type ActiveCallChoice = 'hold' | 'clear';

/** The device talks to somebody else now: its present call is held or ended first (RFC 5359 §2.2 consultation hold). */
export function setAsideActiveCall(
  board: Switchboard,
  deviceId: string,
  choice: ActiveCallChoice = 'hold',
): void {
  const active = board.activeLeg(deviceId);
  if (!active) return;
  if (choice === 'hold') holdLeg(board, active);
  else leaveCall(board, active, 'normalClearing');
}

export function answerLeg(board: Switchboard, leg: Leg): void {
  const call = board.callOf(leg);
  board.stopTimers(call, ({ what }) => 'legId' in what && what.legId === leg.id);
  board.setState(leg, 'connected');
  leg.answeredAt = board.now;
  call.answeredAt ??= board.now;
  stopRinging(board, call, 'completedElsewhere');
  board.emitLeg('established', leg);
  const caller = callerOf(call);
  for (const { digit, afterMs } of postDialSchedule(call.postDial ?? '')) {
    board.startTimer(call, board.now + afterMs, { kind: 'digit', legId: caller.id, digit });
  }
}

export function holdLeg(board: Switchboard, leg: Leg): void {
  board.setState(leg, 'held');
  board.emitLeg('held', leg);
}

export function retrieveLeg(board: Switchboard, leg: Leg): void {
  board.setState(leg, 'connected');
  board.emitLeg('retrieved', leg);
}

export function setMuted(board: Switchboard, leg: Leg, muted: boolean): void {
  if (leg.muted === muted) return;
  leg.muted = muted;
  board.emitLeg(muted ? 'muted' : 'unmuted', leg);
}

/** Sends DTMF events (RFC 4733 §2.3) to whoever is in the call. */
export function sendDigits(board: Switchboard, leg: Leg, digits: string): void {
  leg.digitsSent += digits;
  board.emit({ type: 'digitsSent', at: board.now, callId: leg.callId, legId: leg.id, digits });
}
