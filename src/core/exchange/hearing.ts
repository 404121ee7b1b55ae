import { isTalking, type Call, type Leg } from './call';
import type { Cause } from './causes';

/** What one end of a call hears. */
export type Heard =
  | { kind: 'nothing' }
  /** The device rings. */
  | { kind: 'ring' }
  | { kind: 'ringback' }
  | { kind: 'tone'; tone: 'busy' | 'unobtainable' | 'congestion' }
  | { kind: 'music' }
  | { kind: 'greeting'; personId: string }
  /** The voices of these legs; none of them where all others are muted. */
  | { kind: 'voices'; legIds: string[] };

/**
 * Who hears whom: a pure function of the call. A held end hears nothing of the call it put aside, and who is left
 * alone by a hold hears music (RFC 5359 §2.3); nobody hears a muted, held, ringing or cleared leg.
 */
export function whatIsHeard(call: Call): Record<string, Heard> {
  return Object.fromEntries(call.legs.map((leg) => [leg.id, heardBy(leg, call)]));
}

function heardBy(leg: Leg, call: Call): Heard {
  if (leg.state === 'alerting')
    return leg.endpoint.kind === 'device' ? { kind: 'ring' } : { kind: 'nothing' };
  if (leg.state !== 'connected') return { kind: 'nothing' };
  if (call.failure)
    return leg.role === 'caller' ? { kind: 'tone', tone: toneOf(call.failure) } : { kind: 'nothing' };

  const others = call.legs.filter((other) => other !== leg);
  const mailbox = others.find((other) => other.endpoint.kind === 'mailbox' && isTalking(other));
  if (mailbox?.endpoint.kind === 'mailbox') {
    return mailbox.mailboxPhase === 'greeting'
      ? { kind: 'greeting', personId: mailbox.endpoint.personId }
      : { kind: 'nothing' };
  }
  const connected = others.filter((other) => other.state === 'connected');
  if (connected.length > 0) {
    return { kind: 'voices', legIds: connected.filter((other) => !other.muted).map((other) => other.id) };
  }
  if (others.some((other) => other.state === 'held')) return { kind: 'music' };
  return others.some((other) => other.state === 'alerting') ? { kind: 'ringback' } : { kind: 'nothing' };
}

function toneOf(cause: Cause): 'busy' | 'unobtainable' | 'congestion' {
  switch (cause) {
    case 'unallocatedNumber':
    case 'facilityRejected':
      return 'unobtainable';
    case 'temporaryFailure':
      return 'congestion';
    default:
      return 'busy';
  }
}
