import isEqual from 'fast-deep-equal';
import fc from 'fast-check';

import { must } from '@/core/calls/exchange/tests/invariants';
import type { Transcript, Voicemail } from '@/core/inbox/voicemail';

import { allVoicemailsSeen, hearsMailbox, mailboxesSeen, type MailboxRequest } from '..';
import { openMailboxes } from './testMailboxes';

const people = ['ada', 'ben', 'cleo'] as const;
const callId = fc.constantFrom('c1', 'c2', 'c3');
const id = fc.constantFrom('c1-ada', 'c2-yard', 'c1-ben', 'c3-yard', 'x', 'y');
const newId = fc.constantFrom('x', 'y');
const toPersonId = fc.constantFrom(...people);

const request: fc.Arbitrary<MailboxRequest> = fc.oneof(
  fc.record({ type: fc.constant('markVoicemail' as const), id, isHeard: fc.boolean() }),
  fc.record({ type: fc.constantFrom('putVoicemailAway' as const, 'bringVoicemailBack' as const), id }),
  fc.record({
    type: fc.constant('passVoicemailOn' as const),
    id,
    copyId: newId,
    toPersonId,
    word: fc.constant('Yours'),
  }),
  fc.record({
    type: fc.constant('leaveVoicemail' as const),
    id: newId,
    toPersonId,
    durationMs: fc.constant(900),
  }),
  fc.record({
    type: fc.constant('transcribeVoicemail' as const),
    id,
    transcript: fc.constant<Transcript>([{ text: 'Hello', from: 0, to: 1 }]),
  }),
  fc.record({ type: fc.constant('forgetVoicemails' as const), ids: fc.array(id) }),
);
const step = fc.oneof(
  { weight: 3, arbitrary: fc.record({ by: fc.constantFrom(...people), request }) },
  fc.record({ leaves: callId, mailbox: fc.constantFrom('ada', 'ben', 'yard') }),
);
const steps = fc.array(step, { minLength: 15, maxLength: 50, size: 'max' });

function take(
  office: ReturnType<typeof openMailboxes>,
  each: typeof step extends fc.Arbitrary<infer T> ? T : never,
): void {
  if ('by' in each) office.ask(each.by, each.request);
  else office.leave(each.leaves, each.mailbox);
}

const byId = (voicemails: Iterable<Voicemail>) => [...voicemails].sort((a, b) => (a.id < b.id ? -1 : 1));

describe('three members who ask for any voicemail, in any order', () => {
  it('each hear of exactly what they see, and see and change nothing that is not theirs', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const office = openMailboxes();
        const { mailboxes } = office;
        const mirrors = new Map(people.map((personId) => [personId, new Map<string, Voicemail>()]));
        for (const each of taken) {
          const before = new Map(mailboxes.all);
          take(office, each);
          if ('by' in each)
            for (const [voicemailId, was] of before) {
              if (hearsMailbox(was.mailboxId, each.by, mailboxes.office)) continue;
              const is = mailboxes.all.get(voicemailId);
              const isFromThem = (was.forwarded?.byId ?? was.from.personId) === each.by;
              must(
                isEqual(is, was) || (isFromThem && is && isEqual({ ...is, transcript: was.transcript }, was)),
                'it is not theirs to change, but for the words of what is from them',
              );
            }
          const rows = mailboxes.takeChanges();
          for (const [personId, mirror] of mirrors) {
            for (const change of mailboxesSeen(rows, personId, mailboxes)) {
              if ('put' in change) mirror.set(change.put.id, change.put);
              else must(mirror.delete(change.gone), 'what is told to be gone was there');
            }
            const seen = byId(allVoicemailsSeen(personId, mailboxes));
            must(isEqual(byId(mirror.values()), seen), `${personId} has heard of what they see`);
            for (const { mailboxId, from, forwarded, heardAt } of seen) {
              if (hearsMailbox(mailboxId, personId, mailboxes.office)) continue;
              must((forwarded?.byId ?? from.personId) === personId, 'it is theirs, or from them');
              must(heardAt === null, 'what becomes of it is not told');
            }
          }
        }
      }),
      { numRuns: 150 },
    );
  });

  it('what is kept is all there is: another run goes on from it', () => {
    fc.assert(
      fc.property(steps, steps, (first, second) => {
        const office = openMailboxes();
        for (const each of first) take(office, each);
        const kept = new Map<string, Voicemail | null>();
        for (const row of office.mailboxes.takeChanges())
          if (row.table === 'voicemails') kept.set(row.id, row.now);
        const again = openMailboxes();
        const rows = [...kept.values()].flatMap((voicemail) => voicemail ?? []);
        again.mailboxes.load(rows, [], { isLive: () => false, records: [] });
        must(
          isEqual(byId(again.mailboxes.all.values()), byId(office.mailboxes.all.values())),
          'it is as it was',
        );
        const states = ({ mailboxes }: typeof office) =>
          byId(mailboxes.all.values()).map((each) => [
            each.id,
            each.heardAt !== null,
            each.deletedAt !== null,
          ]);
        for (const each of second) {
          take(office, each);
          take(again, each);
          must(isEqual(states(again), states(office)), 'it goes on as it would have');
        }
      }),
      { numRuns: 100 },
    );
  });
});
