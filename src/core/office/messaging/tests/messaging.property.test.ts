import isEqual from 'fast-deep-equal';
import fc from 'fast-check';

import { must } from '@/core/calls/exchange/tests/invariants';
import type { Message, Room } from '@/core/inbox/messages';

import { allMessagingSeen, messagingSeen, type MessagingRequest } from '..';
import { Messaging } from '../Messaging';
import { angling, at, member, openMessaging } from './testMessaging';

const people = ['ada', 'cleo', 'ben'] as const;
const one = fc.constantFrom(...people);
const id = fc.constantFrom('a', 'b', 'c', 'd', 'e');
const roomId = fc.constantFrom('r', 's');
const memberIds = fc.subarray([...people]);

const request: fc.Arbitrary<MessagingRequest> = fc.oneof(
  fc.record({
    type: fc.constant('write' as const),
    id,
    number: fc.constantFrom('211', '201', '214', angling, 'room:r', 'room:s'),
    lineId: fc.constant('text'),
    text: fc.constantFrom('Yes.', 'No.', 'Stop'),
    notBefore: fc.constantFrom(null, at + 30),
  }),
  fc.record({ type: fc.constantFrom('sendAgain' as const, 'takeBack' as const), id }),
  fc.record({ type: fc.constantFrom('markRead' as const, 'forget' as const), ids: fc.array(id) }),
  fc.record({
    type: fc.constant('openRoom' as const),
    id: roomId,
    name: fc.constantFrom('One', 'Two'),
    isOpen: fc.boolean(),
    memberIds,
  }),
  fc.record({ type: fc.constant('openChat' as const), callId: roomId, memberIds }),
  fc.record({ type: fc.constant('enter' as const), roomId, personId: one }),
  fc.record({ type: fc.constantFrom('leave' as const, 'comeBack' as const), roomId }),
);
const step = fc.oneof(
  { weight: 4, arbitrary: fc.record({ by: one, request }) },
  fc.record({ carrier: fc.constantFrom('taken' as const, 'refused' as const, 'unreachable' as const) }),
  fc.record({ arrives: id }),
  fc.record({ comesIn: id }),
  fc.record({ ends: roomId }),
);

/** Long enough that something comes of it: short ones hardly ever write into a room that is left. */
const steps = fc.array(step, { minLength: 20, maxLength: 60, size: 'max' });

type Office = ReturnType<typeof openMessaging>;
type Step = typeof step extends fc.Arbitrary<infer T> ? T : never;

function take(office: Office, step: Step): void {
  const { messaging, ask, now } = office;
  if ('by' in step) ask(member(step.by), step.request);
  else if ('carrier' in step) {
    const next = messaging.nextToSend(now());
    if (next) messaging.answered(next.id, step.carrier, now());
  } else if ('arrives' in step) {
    if (messaging.all.get(step.arrives)?.state === 'sent') messaging.delivered(step.arrives, now());
  } else if ('ends' in step) messaging.callEnded(step.ends, now());
  else {
    const between = { kind: 'line', number: angling, fromId: null } as const;
    const stages = { failure: null, tries: 0, notBefore: null, sentAt: null, deliveredAt: null };
    const rest = { callId: null, asks: null, picture: null, lineId: 'text', text: 'When?', readBy: {} };
    messaging.arrived({ id: step.comesIn, at: now(), between, state: 'received', ...stages, ...rest });
  }
}

/** What an app makes of what it is told. */
class Mirror {
  private readonly tables = { messages: new Map<string, Message>(), rooms: new Map<string, Room>() };

  hear(changes: ReturnType<typeof messagingSeen>): void {
    for (const change of changes) {
      const table: Map<string, unknown> = this.tables[change.table];
      if ('put' in change) table.set(change.put.id, change.put);
      else must(table.delete(change.gone), `${change.gone} is told to be gone, and was there`);
    }
  }

  all() {
    return sorted({ messages: [...this.tables.messages.values()], rooms: [...this.tables.rooms.values()] });
  }
}

const byId = (a: { id: string }, b: { id: string }) => (a.id < b.id ? -1 : 1);
const sorted = ({ messages, rooms }: { messages: Message[]; rooms: Room[] }) => ({
  messages: [...messages].sort(byId),
  rooms: [...rooms].sort(byId),
});
const seenBy = (personId: string, messaging: Messaging) => sorted(allMessagingSeen(personId, messaging));

describe('three members who ask for anything, in any order', () => {
  it('each hear of exactly what they see, and see nothing that is not theirs', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const office = openMessaging();
        const { messaging } = office;
        const mirrors = new Map(people.map((id) => [id, new Mirror()]));
        for (const each of taken) {
          take(office, each);
          const rows = messaging.takeChanges();
          for (const [personId, mirror] of mirrors) {
            mirror.hear(messagingSeen(rows, personId, messaging));
            const seen = seenBy(personId, messaging);
            must(isEqual(mirror.all(), seen), `${personId} has heard of what they see`);
            for (const { id } of seen.messages) {
              const { between } = messaging.all.get(id) ?? {};
              if (between?.kind === 'colleagues')
                must([between.fromId, between.toId].includes(personId), 'it is theirs');
              if (between?.kind === 'line' && between.fromId !== personId)
                must(personId === 'ada', 'it is their line');
              const room = between?.kind === 'room' ? messaging.rooms.get(between.roomId) : undefined;
              if (room && !room.isOpen) must(room.memberIds.includes(personId), 'they are in it');
            }
          }
        }
      }),
      { numRuns: 150 },
    );
  });

  it('change nothing that is another’s, and asking once more changes nothing', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const office = openMessaging();
        const { messaging } = office;
        for (const each of taken) {
          const before = new Map(messaging.all);
          take(office, each);
          if (!('by' in each)) continue;
          for (const [id, was] of before) {
            const { readBy: __, ...is } = messaging.all.get(id) ?? { readBy: {} };
            const { readBy: _, ...old } = was;
            if (was.between.fromId !== each.by) must(isEqual(is, old), `${id} is not ${each.by}’s to change`);
            for (const personId of people)
              must(
                personId === each.by || messaging.all.get(id)?.readBy[personId] === was.readBy[personId],
                `only ${personId} reads for ${personId}`,
              );
          }
          messaging.takeChanges();
          const all = [...messaging.all.values()];
          take(office, each);
          // Whoever leaves and comes back by turns does change something; a message never changes twice.
          must(isEqual([...messaging.all.values()], all), 'once is enough');
        }
      }),
      { numRuns: 150 },
    );
  });

  it('find all as it was after a restart at any moment', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const office = openMessaging();
        const { messaging } = office;
        for (const each of taken) take(office, each);
        const again = new Messaging(
          () => messaging.office,
          () => true,
        );
        const kept = JSON.parse(JSON.stringify([[...messaging.all.values()], [...messaging.rooms.values()]]));
        again.load(kept[0], kept[1], { ownerId: 'ada', isLive: () => true, at: office.now() });
        for (const personId of people) expect(seenBy(personId, again)).toEqual(seenBy(personId, messaging));
        expect(again.nextToSend(office.now())?.id).toBe(messaging.nextToSend(office.now())?.id);
        expect(again.takeChanges()).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });
});
