import { inboxRequestSchema, writtenOfficeMessage, type Session } from '@/core/office';
import { seenChanges } from '@/core/office/machine';
import { emptyInbox, Inbox } from '@/core/office/machine';
import { emptyOffice, OfficeIndex, type OfficeSetup } from '@/core/setup';

import type { Figure } from './figures';

const start = Date.UTC(2026, 10, 26, 10, 40);
const requests = 60_000;
const people = 200;

const setup: OfficeSetup = {
  ...emptyOffice,
  name: 'Bench',
  people: Array.from({ length: people }, (_, index) => ({
    id: `p${index}`,
    name: `Person ${index}`,
    role: '',
    extension: String(1000 + index),
    presentedLineId: 'line',
  })),
};
const index = new OfficeIndex(setup);

/** An office with so many messages behind it, between all its people. */
function withMessages(count: number): Inbox {
  const inbox = new Inbox(
    () => index,
    () => true,
    () => undefined,
  );
  const rows = Array.from({ length: count }, (_, number) => ({
    ...writtenOfficeMessage({
      id: `old-${number}`,
      at: start - count + number,
      lineId: 'line',
      text: 'Is the mast up?',
      between: {
        kind: 'colleagues',
        fromId: `p${number % people}`,
        toId: `p${(number * 7 + 1) % people}`,
      },
    }),
    state: 'delivered' as const,
  }));
  inbox.load(
    { ...emptyInbox, messages: rows },
    {
      ...{ ownerId: 'p0', isLive: () => true, at: start },
      untaken: { records: [], messageIds: [], faxIds: [] },
    },
  );
  return inbox;
}

/** Requests per second: each is written, read by its schema, goes out, arrives, and is told to one session. */
function requestsPerSecond(inbox: Inbox): number {
  const sessions = setup.people.map(({ id }): Session => ({
    id,
    personId: id,
    deviceId: null,
    roles: ['member'],
  }));
  const { messaging } = inbox;
  const begun = performance.now();
  for (let number = 0; number < requests; number++) {
    const session = sessions[number % people];
    if (!session) continue;
    const at = start + number;
    const id = `new-${number}`;
    const to = String(1000 + ((number * 3 + 1) % people));
    const asked = inboxRequestSchema.parse({
      type: 'write',
      id,
      number: to,
      lineId: 'line',
      text: 'It is.',
    });
    const reply = inbox.request(session, asked, at);
    if (!reply.ok) throw new Error(reply.reason.code);
    const next = messaging.nextToSend(at);
    if (next) messaging.answered(next.id, 'taken', at);
    messaging.delivered(id, at);
    if (seenChanges(inbox.takeChanges(), 'p1', inbox).length > 5) throw new Error('Told too much');
  }
  return Math.round(requests / ((performance.now() - begun) / 1000));
}

/** The best of three, since the garbage of a million rows is collected whenever it is. */
const best = (count: number) => Math.max(...[0, 1, 2].map(() => requestsPerSecond(withMessages(count))));

export function benchMessaging(): Figure[] {
  const few = best(1_000);
  const many = best(1_000_000);
  return [
    {
      name: 'messages written, sent, delivered and told, 1,000 kept',
      value: few,
      unit: 'messages/s',
      aim: 'over 100,000',
      least: 100_000,
    },
    {
      name: 'the same with 1,000,000 kept, of the former',
      value: Math.round((100 * many) / few),
      unit: '%',
      aim: 'at least 90',
      least: 90,
    },
  ];
}
