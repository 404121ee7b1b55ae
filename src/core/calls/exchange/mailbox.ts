import { greetingSeconds, type Finish, type Greeting, type OfficeIndex } from '@/core/setup';
import { greetingFor, situationAt } from '@/core/plans/routing';
import type { Call, Leg } from './call';
import { limits } from './limits';
import { answerByMachine } from './machineLeg';
import type { Switchboard } from './Switchboard';

/** The greeting that somebody's mailbox speaks to this call: as it was traced, else what fits the moment. */
export function greetingOf(office: OfficeIndex, call: Call, personId: string, at: number): Greeting | null {
  const plan = office.ringPlans.get(personId);
  if (!plan?.greetings) return null;
  const { ownerId, greetingId } = call.ringing?.trace ?? {};
  if (ownerId === personId) return plan.greetings.find(({ id }) => id === greetingId) ?? null;
  return (
    greetingFor(plan, { at, situationId: situationAt(office, personId, at), lineId: call.lineId }, office) ??
    null
  );
}

type Mailbox = Extract<Finish, { kind: 'mailbox' | 'teamMailbox' }>;

/** Whether the office has that mailbox: whose it was may have been retired since the call was routed. */
export const isMailboxThere = (office: OfficeIndex, mailbox: Mailbox): boolean =>
  mailbox.kind === 'mailbox'
    ? office.people.has(mailbox.personId)
    : office.teams.get(mailbox.teamId)?.mailbox !== undefined;

/** Somebody's mailbox, or a team's, takes the call: greeting first, then the message. */
export function answerByMailbox(board: Switchboard, call: Call, mailbox: Mailbox): Leg {
  const leg = answerByMachine(board, call, mailbox, { mailboxPhase: 'greeting' });
  const seconds = greetingSeconds(
    mailbox.kind === 'mailbox'
      ? greetingOf(board.office, call, mailbox.personId, board.now)
      : (board.office.teams.get(mailbox.teamId)?.mailbox ?? null),
  );
  board.startTimer(call, board.now + seconds * 1000, { kind: 'greetingEnd', legId: leg.id });
  return leg;
}

export function startMessage(board: Switchboard, leg: Leg): void {
  const call = board.callOf(leg);
  leg.mailboxPhase = 'recording';
  leg.stateSince = board.now;
  board.emitLeg('messageStarted', leg);
  board.startTimer(call, board.now + limits.messageMs, { kind: 'messageLimit', legId: leg.id });
}
