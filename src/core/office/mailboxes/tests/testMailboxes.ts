import type { Call, CallRecord } from '@/core/calls/exchange';
import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { OfficeIndex } from '@/core/setup';

import { member } from '../../tests/member';
import { allVoicemailsSeen, mailboxRequestSchema, type MailboxRequest } from '..';
import { Mailboxes } from '../Mailboxes';

export const at = Date.UTC(2026, 10, 26, 10, 40);
const [team] = testSetup.teams;

/** For the tests: Ada and Ben are a team with a mailbox, `yard`; Cleo is in none. */
const setup = { ...testSetup, teams: [{ ...team!, id: 'yard', memberIds: ['ada', 'ben'] }] };

/** A call that a mailbox has answered, as far as is looked at. */
export const callAt = (callId: string, mailboxId: string): Call =>
  ({
    id: callId,
    legs: [
      {
        state: 'connected',
        endpoint:
          mailboxId === 'yard'
            ? { kind: 'teamMailbox', teamId: mailboxId }
            : { kind: 'mailbox', personId: mailboxId },
      },
    ],
  }) as unknown as Call;

/** Somebody's record of a call that left a message of `messageMs` in a mailbox and ended at `endedAt`. */
export const recordOf = (
  callId: string,
  personId: string,
  mailboxId: string,
  endedAt: number,
  messageMs = 4_000,
): CallRecord =>
  ({
    id: `${callId}-${personId}`,
    ...{ callId, personId, direction: 'in', lineId: null, endedAt, messageMs },
    other: { number: '+441174960155', name: null, personId: null },
    finish:
      mailboxId === 'yard'
        ? { kind: 'teamMailbox', teamId: mailboxId }
        : { kind: 'mailbox', personId: mailboxId },
  }) as unknown as CallRecord;

/** The mailboxes of that office, and what its people ask for. */
export function openMailboxes(isAdministrator = false) {
  const index = new OfficeIndex(setup);
  const mailboxes = new Mailboxes(() => index);
  let now = at;
  const roles = isAdministrator ? (['member', 'administrator'] as const) : (['member'] as const);
  const ask = (personId: string, request: MailboxRequest) =>
    mailboxes.request(member(personId, [...roles]), mailboxRequestSchema.parse(request), ++now);
  /** Somebody calls and speaks; every member of a team has a record of it. */
  const leave = (callId: string, mailboxId: string) => {
    mailboxes.said({ at: (now += 1_000), clip: `clip of ${callId}` }, callAt(callId, mailboxId));
    now += 3_000;
    for (const personId of mailboxId === 'yard' ? ['ada', 'ben'] : [mailboxId])
      mailboxes.recordWritten(recordOf(callId, personId, mailboxId, now));
    mailboxes.callEnded(callId);
  };
  const sees = (personId: string) =>
    allVoicemailsSeen(personId, mailboxes).map(
      ({ id, heardAt }) => `${id} ${heardAt === null ? 'new' : 'heard'}`,
    );
  return { mailboxes, ask, leave, sees, now: () => now };
}
