import { z } from 'zod';

import { inboxRequestSchema, seenTablesSchema, type KeptPersonal, type Session } from '@/core/office';
import { allSeen, seenChanges } from '@/core/office/machine';
import { Inbox } from '@/core/office/machine';
import { workSchema } from '@/core/inbox/followUps';
import { emptyOffice, OfficeIndex } from '@/core/setup';

import type { Figure } from './figures';

const start = Date.UTC(2026, 10, 26, 10, 40);
const requests = 60_000;
const firstSync = 100_000;
const index = new OfficeIndex(emptyOffice);
const owner: Session = { id: 'p0', personId: 'p0', deviceId: null, roles: ['member'] };
const sorts: KeptPersonal['sorts'] = { work: workSchema, marks: z.object({ id: z.string() }) };
const noteOf = (id: string) => ({
  kind: 'note' as const,
  id,
  at: start,
  callId: null,
  text: 'Gate code 4120',
});

/** An office in which somebody keeps so many notes. */
function withNotes(count: number): Inbox {
  const inbox = new Inbox(
    () => index,
    () => true,
    () => undefined,
  );
  const rows = Array.from({ length: count }, (_, number) => ({
    ...{ ownerId: 'p0', sort: 'work' },
    row: noteOf(`old-${number}`),
  }));
  inbox.personal.open({ sorts, rows }, 'p0');
  return inbox;
}

/** Requests per second: each is read by its schema, done, and told to the other devices of its owner. */
function keptPerSecond(inbox: Inbox): number {
  const begun = performance.now();
  for (let number = 0; number < requests; number++) {
    const put = noteOf(`new-${number}`);
    const asked = inboxRequestSchema.parse({
      type: 'keepOwn',
      changes: [{ table: 'personal', sort: 'work', put }],
    });
    const reply = inbox.request(owner, asked, start + number);
    if (!reply.ok) throw new Error(reply.reason.code);
    if (seenChanges(inbox.takeChanges(), 'p0', inbox).length !== 1) throw new Error('Not told once');
  }
  return Math.round(requests / ((performance.now() - begun) / 1_000));
}

const best = (count: number) => Math.max(...[0, 1, 2].map(() => keptPerSecond(withNotes(count))));

/** Milliseconds until a new device has read, by its schema, all that is its owner's. */
function firstSyncMs(): number {
  const inbox = withNotes(firstSync);
  const begun = performance.now();
  const seen = seenTablesSchema.parse(allSeen('p0', inbox));
  if (seen.personal.length !== firstSync) throw new Error('Not all of it');
  return Math.round(performance.now() - begun);
}

export function benchPersonal(): Figure[] {
  const few = best(1_000);
  const many = best(1_000_000);
  return [
    {
      name: 'notes kept and told, 1,000 kept before',
      value: few,
      unit: 'notes/s',
      aim: 'over 100,000',
      least: 100_000,
    },
    {
      name: 'the same with 1,000,000 kept before, of the former',
      value: Math.round((100 * many) / few),
      unit: '%',
      aim: 'at least 90',
      least: 90,
    },
    {
      name: 'a new device reads 100,000 rows of its owner’s, in one go',
      value: firstSyncMs(),
      unit: 'ms',
      aim: 'under 2,000',
      most: 1_999,
    },
  ];
}
