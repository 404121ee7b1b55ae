import fc from 'fast-check';
import isEqual from 'fast-deep-equal';
import { z } from 'zod';

import { must } from '@/core/calls/exchange/tests/invariants';

import { member } from '../../tests/member';
import { allPersonalSeen, personalSeen, type SeenPersonal } from '..';
import { Personal } from '../Personal';

const notes = z.object({ id: z.string(), text: z.string().max(8) });
const places = z.object({ id: z.string(), on: z.boolean() });
const put = (id: string, text = 'Gate'): SeenPersonal => ({
  ...{ table: 'personal', sort: 'notes' },
  put: { id, text },
});
const gone = (id: string): SeenPersonal => ({ table: 'personal', sort: 'notes', gone: id });
const keep = (...changes: SeenPersonal[]) => ({ type: 'keepOwn' as const, changes });

function open() {
  const personal = new Personal();
  personal.open({ sorts: { notes, places }, rows: [] }, 'ada');
  return personal;
}

describe('what somebody keeps for themselves', () => {
  it('is theirs alone, also where another has something of the same id', () => {
    const personal = open();
    expect(personal.request(member('ada'), keep(put('n', 'Hers')), 1)).toEqual({ ok: true });
    expect(personal.request(member('ben'), keep(put('n', 'His')), 2)).toEqual({ ok: true });
    expect(personal.request(member('ben'), keep(gone('n')), 3)).toEqual({ ok: true });
    expect(allPersonalSeen('ada', personal)).toEqual([{ sort: 'notes', row: { id: 'n', text: 'Hers' } }]);
    expect(allPersonalSeen('ben', personal)).toEqual([]);
  });

  it('is kept whole or not at all, and what does not pass its schema is named', () => {
    const personal = open();
    const refused = (id: string, sort = 'notes') => ({
      ok: false,
      reason: { code: 'notReadable', sort, id },
    });
    const asked = keep(put('a'), put('b', 'far too long'), put('c'));
    expect(personal.request(member('ada'), asked, 1)).toEqual(refused('b'));
    const unknown: SeenPersonal = { table: 'personal', sort: '__proto__', put: { id: 'x' } };
    expect(personal.request(member('ada'), keep(put('a'), unknown), 1)).toEqual(refused('x', '__proto__'));
    expect(personal.all.size).toBe(0);
    expect(personal.takeChanges()).toEqual([]);
  });

  it('is nobody’s to change who is no member', () => {
    expect(open().request(member('ada', ['simulator']), keep(put('n')), 1)).toEqual({
      ok: false,
      reason: { code: 'notYours', what: 'belongings' },
    });
  });

  it('is asked for twice and done once', () => {
    const personal = open();
    for (const at of [1, 2]) personal.request(member('ada'), keep(put('n'), gone('none')), at);
    expect(personal.takeChanges()).toHaveLength(1);
  });

  it('and was nobody’s when an office had one person, is that person’s, as a change that is kept; not where they have it', () => {
    const personal = new Personal();
    const row = (id: string, text: string) => ({ sort: 'notes', row: { id, text } });
    const rows = [
      { ...row('n', 'Old'), ownerId: null },
      { ...row('m', 'Old'), ownerId: null },
      { ...row('m', 'New'), ownerId: 'ada' },
    ];
    personal.open({ sorts: { notes }, rows }, 'ada');
    expect(allPersonalSeen('ada', personal)).toEqual([row('m', 'New'), row('n', 'Old')]);
    expect(personal.takeChanges().map(({ now }) => now)).toEqual([{ ...row('n', 'Old'), ownerId: 'ada' }]);
  });

  it('may be of sorts that are opened one after another', () => {
    const personal = new Personal();
    personal.open({ sorts: { notes }, rows: [] }, 'ada');
    const place: SeenPersonal = { table: 'personal', sort: 'places', put: { id: 'p', on: true } };
    expect([personal.hasSorts(keep(put('n'))), personal.hasSorts(keep(put('n'), place))]).toEqual([
      true,
      false,
    ]);
    personal.open({ sorts: { places }, rows: [] }, 'ada');
    expect(personal.hasSorts(keep(put('n'), place))).toBe(true);
  });
});

const people = ['ada', 'ben', 'cleo'] as const;
const id = fc.constantFrom('a', 'b', 'c');
const change: fc.Arbitrary<SeenPersonal> = fc.oneof(
  fc.record({ id, text: fc.string({ maxLength: 10 }) }).map(({ id: each, text }) => put(each, text)),
  id.map(gone),
  fc
    .record({ id, on: fc.boolean() })
    .map((row): SeenPersonal => ({ table: 'personal', sort: 'places', put: row })),
);

it('three who keep anything in any order hear of exactly what is theirs, at every device, and change nothing else', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ by: fc.constantFrom(...people), changes: fc.array(change, { maxLength: 4 }) }), {
        minLength: 10,
        maxLength: 40,
        size: 'max',
      }),
      (asked) => {
        const personal = open();
        const mirrors = new Map(people.map((personId) => [personId, new Map<string, unknown>()]));
        const keyOf = (sort: string, each: string) => `${sort} ${each}`;
        asked.forEach(({ by, changes }, at) => {
          const others = people.filter((personId) => personId !== by);
          const before = others.map((personId) => allPersonalSeen(personId, personal));
          const mine = allPersonalSeen(by, personal);
          const reply = personal.request(member(by), keep(...changes), at);
          must(
            isEqual(
              before,
              others.map((personId) => allPersonalSeen(personId, personal)),
            ),
            'what is others’ stays as it is',
          );
          if (!reply.ok)
            must(isEqual(mine, allPersonalSeen(by, personal)), 'what is refused changes nothing');
          const rows = personal.takeChanges();
          for (const [personId, mirror] of mirrors) {
            for (const seen of personalSeen(rows, personId)) {
              if ('put' in seen) mirror.set(keyOf(seen.sort, seen.put.id), seen.put);
              else must(mirror.delete(keyOf(seen.sort, seen.gone)), 'what is told to be gone was there');
            }
            const all = allPersonalSeen(personId, personal);
            must(
              isEqual(new Map(all.map(({ sort, row }) => [keyOf(sort, row.id), row])), mirror),
              `${personId} has heard of what is theirs`,
            );
          }
        });
      },
    ),
    { numRuns: 200 },
  );
});
