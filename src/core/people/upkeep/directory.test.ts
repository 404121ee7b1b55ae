import fc from 'fast-check';

import { emptyOffice, OfficeIndex } from '@/core/setup';
import { emptyFields, ownSource, type JoinedContact } from '@/core/people/contacts';
import { directoryOf, favouritesOf, movedFavourite, underGroups, underLetters } from '.';

const person = (id: string, name: string) => ({
  id,
  name,
  role: 'Field',
  extension: '2' + id.length,
  presentedLineId: 'main',
});
const office = new OfficeIndex({
  ...emptyOffice,
  people: [person('maren', 'Maren Oyelaran'), person('ilse', 'Ilse Varga')],
});
const contact = (id: string, name: string, groups: string[] = []): JoinedContact => {
  const numbers = ['+441174960155', '+447700900155'].map((number) => ({ label: 'home', number }));
  const fields = { ...emptyFields(), name, numbers, groups };
  return { ...fields, id, cards: [{ ...fields, id, sourceId: ownSource, sourceKey: null }] };
};
const entries = directoryOf(
  office,
  [contact('peg', 'Peg Anstey'), contact('ivor', 'Ívor Lamb'), contact('three', '3 Becks')],
  'maren',
);

describe('the directory', () => {
  it('has colleagues and contacts once each, by name, without the worker', () => {
    expect(entries.map(({ key }) => key)).toEqual([
      'contact:three',
      'person:ilse',
      'contact:ivor',
      'contact:peg',
    ]);
    expect(entries.at(-1)?.numbers).toHaveLength(2);
  });

  it('stands under its letters, accents folded, and what has none at the end', () => {
    const rows = underLetters(entries).map((row) => (row.kind === 'head' ? row.word : row.entry.name));
    expect(rows).toEqual(['I', 'Ilse Varga', 'Ívor Lamb', 'P', 'Peg Anstey', '#', '3 Becks']);
    expect(underLetters([])).toEqual([]);
    const mills = directoryOf(
      new OfficeIndex(emptyOffice),
      [contact('a', 'Mill 10'), contact('b', 'Mill 2')],
      null,
    );
    expect(mills.map(({ name }) => name)).toEqual(['Mill 2', 'Mill 10']);
  });

  it('stands under groups, somebody in each of theirs', () => {
    const inGroups = directoryOf(
      new OfficeIndex(emptyOffice),
      [contact('a', 'Ann', ['Farms', 'North']), contact('b', 'Bo', ['Farms']), contact('c', 'Cy')],
      null,
    );
    expect(underGroups(inGroups).map((row) => (row.kind === 'head' ? row.word : row.entry.name))).toEqual([
      'Farms',
      'Ann',
      'Bo',
      'North',
      'Ann',
    ]);
  });

  it('has every entry under exactly one letter, and no letter twice', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ minLength: 1, maxLength: 4 })), (names) => {
        const all = directoryOf(
          office,
          names.map((name, index) => contact(`c${index}`, name)),
          null,
        );
        const rows = underLetters(all);
        const letters = rows.flatMap((row) => (row.kind === 'head' ? [row.word] : []));
        expect(new Set(letters).size).toBe(letters.length);
        expect(rows.length - letters.length).toBe(all.length);
      }),
    );
  });
});

describe('favourites', () => {
  it('stand in the worker’s order, without those that are gone', () => {
    expect(
      favouritesOf(entries, ['contact:peg', 'contact:gone', 'person:ilse']).map(({ name }) => name),
    ).toEqual(['Peg Anstey', 'Ilse Varga']);
  });

  it.each<[string, 1 | -1, string]>([
    ['b', -1, 'bac'],
    ['b', 1, 'acb'],
    ['a', -1, 'abc'],
    ['c', 1, 'abc'],
    ['x', 1, 'abc'],
  ])('%s moved by %d: %s', (key, by, wanted) => {
    expect(movedFavourite(['a', 'b', 'c'], key, by).join('')).toBe(wanted);
  });
});
