import type { Call, Leg } from './call';
import { limits } from './limits';
import type { Switchboard } from './Switchboard';

/** Somebody's mailbox takes the call: greeting first, then the message. */
export function answerByMailbox(board: Switchboard, call: Call, personId: string): Leg {
  const leg = board.addLeg(call, {
    endpoint: { kind: 'mailbox', personId },
    role: 'called',
    state: 'connected',
    broughtFor: 'call',
    broughtById: null,
  });
  leg.answeredAt = board.now;
  leg.mailboxPhase = 'greeting';
  board.emitLeg('established', leg);
  board.startTimer(call, board.now + limits.greetingMs, { kind: 'greetingEnd', legId: leg.id });
  return leg;
}

export function startMessage(board: Switchboard, leg: Leg): void {
  const call = board.callOf(leg);
  leg.mailboxPhase = 'recording';
  leg.stateSince = board.now;
  board.emitLeg('messageStarted', leg);
  board.startTimer(call, board.now + limits.messageMs, { kind: 'messageLimit', legId: leg.id });
}
