import fc from 'fast-check';

import {
  emptyFields,
  joinContacts,
  type Card,
  type Changes,
  type Fields,
  type Join,
} from '@/core/people/contacts';
import { applySync, changesAfter, givenBack, originOf } from '.';

const cardOf = (id: string, fields: Partial<Fields> = {}, sourceId = 'own'): Card => ({
  ...emptyFields(),
  name: id,
  ...fields,
  id,
  sourceId,
  sourceKey: sourceId === 'own' ? null : id,
});
const phone = (number: string, label = 'work') => ({ label, number });
const nothing = { changes: {}, joins: {} };
const same = (id: string, ...cardIds: string[]): Record<string, Join> => ({
  [id]: { id, cardIds, isSame: true },
});

const peg = cardOf('peg', { name: 'Peg Anstey', numbers: [phone('+441174960155')] });
const fromBook = cardOf(
  'book-7',
  {
    name: 'P. Anstey',
    firm: 'Lathmoor Farm',
    numbers: [phone('+441174960155', 'home'), phone('+447700900155')],
  },
  'phoneBook',
);

describe('contacts', () => {
  it('are one for each card, and one for those that are joined, with each number once', () => {
    const contacts = joinContacts([[peg, cardOf('ann'), fromBook]], {
      ...nothing,
      joins: same('j', 'peg', 'book-7'),
    });
    expect(contacts.map(({ id }) => id)).toEqual(['ann', 'peg']);
    expect(contacts[1]).toMatchObject({
      name: 'Peg Anstey',
      firm: 'Lathmoor Farm',
      numbers: [{ number: '+441174960155', label: 'work' }, { number: '+447700900155' }],
      cards: [peg, fromBook],
    });
  });

  it('parted again are as they were', () => {
    expect(joinContacts([[peg, fromBook]], nothing)).toMatchObject([
      { name: 'Peg Anstey' },
      { name: 'P. Anstey' },
    ]);
  });

  it('joined over a shared card are all one', () => {
    const joins = { ...same('a', 'x', 'y'), ...same('b', 'y', 'z') };
    const contacts = joinContacts([['z', 'y', 'x'].map((id) => cardOf(id))], { ...nothing, joins });
    expect(contacts.map(({ id, cards }) => [id, cards.length])).toEqual([['x', 3]]);
  });

  it('know of each field where it comes from, and the worker’s change wins until it is given back', () => {
    const joins = same('j', 'peg', 'book-7');
    const [told] = joinContacts([[peg, fromBook]], { ...nothing, joins });
    if (!told) throw new Error('There is no contact');
    expect(originOf(told, 'name', undefined)).toEqual({ isChanged: false, sourceIds: ['own'] });
    expect(originOf(told, 'firm', undefined)).toEqual({ isChanged: false, sourceIds: ['phoneBook'] });
    expect(originOf(told, 'numbers', undefined)).toEqual({
      isChanged: false,
      sourceIds: ['own', 'phoneBook'],
    });

    const { id: _, cards: __, kept: ___, ...edited } = { ...told, firm: 'Lathmoor', note: '' };
    const changes = changesAfter(told, undefined, edited);
    expect(changes).toEqual({ id: 'peg', fields: { firm: 'Lathmoor' } });
    if (!changes) return;
    const newer = { ...fromBook, firm: 'Lathmoor Farm Ltd' };
    const [changed] = joinContacts([[peg, newer]], { changes: { peg: changes }, joins });
    expect(changed?.firm).toBe('Lathmoor');
    expect(givenBack(changes, 'firm')).toBeNull();
    expect(joinContacts([[peg, newer]], { ...nothing, joins })[0]?.firm).toBe('Lathmoor Farm Ltd');
  });

  it('hold every card exactly once, whatever is joined', () => {
    const ids = ['a', 'b', 'c', 'd', 'e'];
    const join = fc.record({
      id: fc.constantFrom('1', '2', '3'),
      cardIds: fc.uniqueArray(fc.constantFrom(...ids, 'gone'), { minLength: 2 }),
      isSame: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(join), (joins) => {
        const contacts = joinContacts(
          [ids.slice(0, 2).map((id) => cardOf(id)), ids.slice(2).map((id) => cardOf(id))],
          { ...nothing, joins: Object.fromEntries(joins.map((each) => [each.id, each])) },
        );
        expect(contacts.flatMap(({ cards }) => cards.map(({ id }) => id)).sort()).toEqual(ids);
        for (const { cardIds, isSame } of Object.values(
          Object.fromEntries(joins.map((each) => [each.id, each])),
        )) {
          const those = contacts.filter(({ cards }) => cards.some(({ id }) => cardIds.includes(id)));
          if (isSame) expect(those.length).toBeLessThanOrEqual(1);
        }
      }),
    );
  });
});

describe('a sync (RFC 6578)', () => {
  const told = (name: string): Fields => ({ ...emptyFields(), name });
  const never = () => false;

  it('adds, changes and takes away what the page says, and nothing else', () => {
    const cards = [
      cardOf('book-1', { name: 'Ann' }, 'phoneBook'),
      { ...cardOf('book-2', { name: 'Bo' }, 'phoneBook'), sourceKey: 'two' },
      cardOf('own-1'),
    ];
    const synced = applySync(
      'phoneBook',
      cards,
      {
        changes: [
          { key: 'book-1', fields: null },
          { key: 'two', fields: told('Bob') },
          { key: 'three', fields: told('Cy') },
          { key: 'unknown', fields: null },
        ],
      },
      never,
    );
    expect(synced).toMatchObject({ droppedIds: ['book-1'], added: 1, changed: 1, gone: 1, keptAsOwn: 0 });
    expect(synced.put.map(({ id, name }) => [id, name])).toEqual([
      ['book-2', 'Bob'],
      ['phoneBook-three', 'Cy'],
    ]);
  });

  it('told twice changes nothing the second time', () => {
    const page = { changes: [{ key: 'one', fields: told('Ann') }] };
    const first = applySync('mail', [], page, never);
    expect(applySync('mail', first.put, page, never)).toMatchObject({ put: [], added: 0, changed: 0 });
  });

  it('leaves the worker whom they changed or joined, though the source has them no more', () => {
    const card = cardOf('book-1', { name: 'Ann' }, 'phoneBook');
    const synced = applySync('phoneBook', [card], { changes: [{ key: 'book-1', fields: null }] }, () => true);
    expect(synced).toMatchObject({ droppedIds: [], keptAsOwn: 1 });
    expect(synced.put).toEqual([{ ...card, sourceId: 'own', sourceKey: null }]);
  });

  it('page by page comes to the same as all at once', () => {
    const change = fc.record({
      key: fc.constantFrom('a', 'b', 'c'),
      fields: fc.option(fc.constantFrom(told('Ann'), told('Bo'))),
    });
    fc.assert(
      fc.property(fc.array(change), fc.nat(5), (changes, cut) => {
        const after = (cards: Card[], part: typeof changes) => {
          const { put, droppedIds } = applySync('mail', cards, { changes: part }, never);
          const byId = new Map([...cards, ...put].map((card) => [card.id, card]));
          for (const id of droppedIds) byId.delete(id);
          return [...byId.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
        };
        const paged = after(after([], changes.slice(0, cut)), changes.slice(cut));
        expect(paged).toEqual(after([], changes));
      }),
    );
  });
});

it('a change of a field survives every sync', () => {
  const changes: Record<string, Changes> = { 'mail-a': { id: 'mail-a', fields: { note: 'Ring twice' } } };
  const { put } = applySync(
    'mail',
    [],
    { changes: [{ key: 'a', fields: { ...emptyFields(), name: 'Ann', note: 'x' } }] },
    (id) => id in changes,
  );
  expect(joinContacts([put], { changes, joins: {} })).toMatchObject([{ name: 'Ann', note: 'Ring twice' }]);
});
