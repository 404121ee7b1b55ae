import type { Call, Endpoint, Leg } from './call';
import type { Switchboard } from './Switchboard';

type Machine = Exclude<Endpoint, { kind: 'device' | 'outside' | 'queue' }>;

/** A machine of the office takes the call: a mailbox, a menu, a conference’s entrance, or the notice that a text comes. */
export function answerByMachine(
  board: Switchboard,
  call: Call,
  endpoint: Machine,
  begins: Pick<Leg, 'entrance' | 'visit'> & Partial<Pick<Leg, 'mailboxPhase'>> = {},
): Leg {
  const leg = board.addLeg(call, {
    endpoint,
    role: 'called',
    state: 'connected',
    broughtFor: 'call',
    broughtById: null,
  });
  leg.answeredAt = board.now;
  Object.assign(leg, begins);
  board.emitLeg('established', leg);
  return leg;
}
