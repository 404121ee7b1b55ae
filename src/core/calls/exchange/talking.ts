import type { Leg } from './call';
import { leaveCall } from './clearing';
import { refuse, type Outcome } from './commands';
import type { Switchboard } from './Switchboard';

/** What becomes of the call a device talks on when another takes its place. */
export type ActiveCallChoice = 'hold' | 'clear';

/** An emergency call is never put on hold for another. */
export function mayTakeAnother(
  board: Switchboard,
  deviceId: string,
  choice: ActiveCallChoice = 'hold',
): Outcome {
  const active = board.activeLeg(deviceId);
  const wouldHold = active !== null && choice === 'hold' && board.callOf(active).emergency !== null;
  return wouldHold ? refuse({ code: 'emergency' }) : { ok: true };
}

/** The device talks to somebody else now: its present call is held or ended first (RFC 5359 §2.2 consultation hold). */
export function setAsideActiveCall(
  board: Switchboard,
  deviceId: string,
  choice: ActiveCallChoice = 'hold',
): void {
  const active = board.activeLeg(deviceId);
  if (!active) return;
  if (active.leaves) board.clearLeg(active, 'moved');
  else if (choice === 'hold') holdLeg(board, active);
  else leaveCall(board, active, 'normalClearing');
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
