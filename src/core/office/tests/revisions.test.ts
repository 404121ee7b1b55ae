import fc from 'fast-check';
import { z } from 'zod';

import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { OfficeIndex } from '@/core/setup';
import type { InboxChange, Revision, SeenChange, SeenTables } from '..';
import { nameOfRow, revisionsKept } from '..';
import { allSeen, emptyInbox, Inbox, Revisions, seenSince } from '../machine';
import { member } from './member';

const at = Date.parse('2026-11-26T10:40:00Z');
const people = ['ada', 'ben', 'cleo'] as const;
const changeOf = (id: string): InboxChange =>
  ({ table: 'assignments', id, before: null, now: { id } }) as unknown as InboxChange;

describe('which rows were changed when', () => {
  it('is known since any mark of this log, each row once, and of no other log', () => {
    const revisions = new Revisions('here');
    const begun = revisions.now;
    revisions.note([changeOf('a'), changeOf('b')]);
    const then = revisions.now;
    expect(revisions.note([])).toBeNull();
    revisions.note([changeOf('b')]);
    const ids = (mark: typeof begun) => revisions.since(mark)?.map(({ id }) => id);
    expect(ids(begun)).toEqual(['a', 'b']);
    expect(ids(then)).toEqual(['b']);
    expect(ids(revisions.now)).toEqual([]);
    expect(ids({ log: 'elsewhere', number: 1 })).toBeUndefined();
    expect(ids({ log: 'here', number: 3 })).toBeUndefined();
  });

  it('is forgotten after so many, so that it does not grow', () => {
    const revisions = new Revisions('here');
    for (let number = 0; number <= revisionsKept; number++) revisions.note([changeOf(String(number))]);
    expect(revisions.since({ log: 'here', number: 0 })).toBeNull();
    expect(revisions.since({ log: 'here', number: 1 })).toHaveLength(revisionsKept);
  });

  describe('in the next run', () => {
    /** What a run has kept, and where it left off. */
    function ran(times: number) {
      const revisions = new Revisions('here');
      const kept = Array.from({ length: times }, (_, number) => revisions.note([changeOf(String(number))]));
      return { kept: kept.filter((each): each is Revision => each !== null), mark: revisions.now };
    }
    const since = (revisions: Revisions, number: number) =>
      revisions.since({ log: 'here', number })?.map(({ id }) => id);

    it('is known as before, also of what was changed before it was read', () => {
      const { kept, mark } = ran(4);
      const next = new Revisions('next', mark);
      next.note([changeOf('at once')]);
      next.open([...kept].reverse());
      expect(since(next, 2)).toEqual(['2', '3', 'at once']);
    });

    it('is known as far as nothing of it is missing', () => {
      const { kept, mark } = ran(4);
      const next = new Revisions('next', mark);
      next.open(kept.filter(({ number }) => number !== 2));
      expect(since(next, 2)).toEqual(['2', '3']);
      expect(since(next, 1)).toBeUndefined();
    });

    it('begins anew where its end is missing: the rows have come from elsewhere', () => {
      const { kept, mark } = ran(4);
      const next = new Revisions('next', mark);
      next.note([changeOf('at once')]);
      next.open(kept.slice(0, 3));
      expect(since(next, 3)).toBeUndefined();
      expect(next.now).toEqual({ log: 'next', number: 0 });
    });
  });
});

describe('who was away', () => {
  const one = fc.constantFrom(...people);
  const id = fc.constantFrom('a', 'b', 'c');
  const roomId = fc.constantFrom('r', 's');
  const request = fc.oneof(
    fc.record({
      type: fc.constant('write' as const),
      ...{ id, number: fc.constantFrom('201', '211', '214', '+447700900333', 'room:r', 'room:s') },
      ...{ lineId: fc.constant('text'), text: fc.constantFrom('Yes.', 'No.') },
    }),
    fc.record({ type: fc.constantFrom('markRead' as const, 'forget' as const), ids: fc.array(id) }),
    fc.record({
      ...{ type: fc.constant('openRoom' as const), id: roomId, name: fc.constant('Weir') },
      ...{ isOpen: fc.boolean(), memberIds: fc.subarray([...people]) },
    }),
    fc.record({ type: fc.constant('enter' as const), roomId, personId: one }),
    fc.record({ type: fc.constantFrom('leave' as const, 'comeBack' as const), roomId }),
    fc.record({
      type: fc.constant('keepOwn' as const),
      changes: fc.array(
        fc.oneof(
          id.map((gone) => ({ table: 'personal' as const, sort: 'notes', gone })),
          id.map((each) => ({ table: 'personal' as const, sort: 'notes', put: { id: each } })),
        ),
      ),
    }),
  );
  const steps = fc.array(fc.record({ by: one, request }), { minLength: 10, maxLength: 50, size: 'max' });

  /** Rows by their names, as an app has them. */
  function rowsOf({ personal, ...tables }: SeenTables) {
    const rows = new Map<string, unknown>();
    const put = (change: SeenChange) => 'put' in change && rows.set(nameOfRow(change), change.put);
    for (const [table, all] of Object.entries(tables))
      for (const row of all) put({ table, put: row } as SeenChange);
    for (const { sort, row } of personal) put({ table: 'personal', sort, put: row });
    return rows;
  }
  const inOrder = (rows: Map<string, unknown>) => [...rows].sort(([a], [b]) => (a < b ? -1 : 1));

  it('has, with what was changed since, exactly what they see', () => {
    fc.assert(
      fc.property(steps, fc.array(fc.nat(49), { maxLength: 3 }), (asked, leaving) => {
        const office = new OfficeIndex(testSetup);
        const inbox = new Inbox(
          () => office,
          () => false,
          () => undefined,
        );
        inbox.load(emptyInbox, {
          ...{ ownerId: 'ada', isLive: () => false, at },
          untaken: { records: [], messageIds: [], faxIds: [] },
        });
        inbox.personal.open({ sorts: { notes: z.object({ id: z.string() }) }, rows: [] }, 'ada');
        const revisions = new Revisions('here');
        const away: { who: string; rows: Map<string, unknown>; mark: typeof revisions.now }[] = [];
        asked.forEach(({ by, request: each }, index) => {
          if (leaving.includes(index))
            for (const who of people)
              away.push({ who, rows: rowsOf(allSeen(who, inbox)), mark: revisions.now });
          inbox.request(member(by), each as never, at + index);
          revisions.note(inbox.takeChanges());
        });
        for (const { who, rows, mark } of away) {
          for (const change of seenSince(revisions.since(mark) ?? [], who, inbox))
            if ('put' in change) rows.set(nameOfRow(change), change.put);
            else rows.delete(nameOfRow(change));
          expect(inOrder(rows)).toEqual(inOrder(rowsOf(allSeen(who, inbox))));
        }
      }),
      { numRuns: 300 },
    );
  });
});
