import { isMachine, isMailbox, isOpenRoom, isPending, isWaitingInSilence, type Call, type Leg } from './call';
import type { Cause } from './causes';

/** What one end of a call hears. */
export type Heard =
  | { kind: 'nothing' }
  /** The device rings. */
  | { kind: 'ring' }
  /** Who calls, and that a key takes the call. */
  | { kind: 'acceptPrompt' }
  /** The question who is calling, while the devices ring already. */
  | { kind: 'namePrompt' }
  | { kind: 'ringback' }
  | { kind: 'tone'; tone: 'busy' | 'unobtainable' | 'congestion' }
  | { kind: 'music' }
  /** Whose it is; null for a team's. */
  | { kind: 'greeting'; personId: string | null }
  | { kind: 'menu'; menuId: string }
  /** That a PIN is wanted; or that one was wrong, and has to wait. */
  | { kind: 'entrance'; conferenceId: string; isWrong: boolean }
  /** Music, and now and then how far on they are. */
  | { kind: 'queue'; teamId: string }
  /** What their own mailbox says to them. */
  | { kind: 'visit'; text: string }
  /** That a text comes instead of an answer. */
  | { kind: 'textNotice' }
  /** The voices of these legs; none of them where all others are muted. */
  | { kind: 'voices'; legIds: string[] };

/**
 * Who hears whom: a pure function of the call. A held end hears nothing of the call it put aside, and who is left
 * alone by a hold hears music (RFC 5359 §2.3); nobody hears a muted, silenced, held, ringing or cleared leg, nor one
 * in another room of the conference; who is put aside or parked hears music.
 */
export function whatIsHeard(call: Call): Record<string, Heard> {
  return Object.fromEntries(call.legs.map((leg) => [leg.id, heardBy(leg, call)]));
}

/** Whether the leg's voice is let through to those in its room. */
export const isAudible = (leg: Leg) => leg.state === 'connected' && !leg.muted && leg.silencedBy === null;

function heardBy(leg: Leg, call: Call): Heard {
  if (leg.state === 'alerting') {
    if (leg.accept === 'waiting') return { kind: 'acceptPrompt' };
    return leg.endpoint.kind === 'device' ? { kind: 'ring' } : { kind: 'nothing' };
  }
  if (leg.state !== 'connected') return { kind: 'nothing' };
  // Also who moved the call to this device meanwhile.
  if (call.failure) return { kind: 'tone', tone: toneOf(call.failure) };
  if (leg.room === 'aside') return { kind: 'music' };

  const others = call.legs.filter((other) => other !== leg && other.state !== 'cleared');
  const mailbox = others.find(isMailbox);
  if (mailbox) {
    const { endpoint, mailboxPhase } = mailbox;
    if (mailbox.visit) return { kind: 'visit', text: mailbox.visit.says.text };
    const personId = endpoint.kind === 'mailbox' ? endpoint.personId : null;
    return mailboxPhase === 'greeting' ? { kind: 'greeting', personId } : { kind: 'nothing' };
  }
  const room = call.legs.find(isOpenRoom);
  if (room?.entrance?.waitsForHost && !call.legs.some((each) => each.isHost && each.state !== 'cleared'))
    return leg === room ? { kind: 'nothing' } : { kind: 'music' };
  const entrance = others.find((other) => isMachine(other) && !isOpenRoom(other));
  const machine = entrance?.endpoint;
  if (machine?.kind === 'conference')
    return {
      kind: 'entrance',
      conferenceId: machine.conferenceId,
      isWrong: entrance?.entrance?.phase === 'wait',
    };
  if (machine?.kind === 'menu') return { kind: 'menu', menuId: machine.menuId };
  if (machine?.kind === 'queue') return { kind: 'queue', teamId: machine.teamId };
  if (machine?.kind === 'textNotice') return { kind: 'textNotice' };
  const together = others.filter(
    (other) =>
      other.state === 'connected' && other.room === leg.room && !isOpenRoom(other) && !isSameEar(leg, other),
  );
  if (together.length > 0) {
    return { kind: 'voices', legIds: together.filter(isAudible).map((other) => other.id) };
  }
  if (call.parked) return { kind: 'music' };
  if (others.some((other) => other.state === 'held' || other.state === 'connected')) return { kind: 'music' };
  if (call.ringing?.asksName && leg.role === 'caller' && others.some(isPending))
    return { kind: 'namePrompt' };
  const isCalled = others.some((other) => isPending(other) && other.state === 'alerting');
  return isCalled || (leg.role === 'caller' && isWaitingInSilence(call))
    ? { kind: 'ringback' }
    : { kind: 'nothing' };
}

/** Both devices of somebody who moves from one to the other. */
const isSameEar = (leg: Leg, other: Leg) => leg.personId === other.personId && (leg.leaves || other.leaves);

function toneOf(cause: Cause): 'busy' | 'unobtainable' | 'congestion' {
  switch (cause) {
    case 'unallocatedNumber':
    case 'facilityRejected':
      return 'unobtainable';
    case 'temporaryFailure':
    case 'exchangeRoutingError':
      return 'congestion';
    default:
      return 'busy';
  }
}
