import fc from 'fast-check';

import { emptyOffice, OfficeIndex } from '../office';
import { directoryOf, favouritesOf, movedFavourite, underLetters, type Contact } from '.';

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
const contact = (id: string, name: string): Contact => ({
  id,
  name,
  firm: null,
  numbers: [
    { label: 'home', number: '+441174960155' },
    { label: 'mobile', number: '+447700900155' },
  ],
});
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
    const rows = underLetters(entries).map((row) => (row.kind === 'letter' ? row.letter : row.entry.name));
    expect(rows).toEqual(['I', 'Ilse Varga', 'Ívor Lamb', 'P', 'Peg Anstey', '#', '3 Becks']);
    expect(underLetters([])).toEqual([]);
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
        const letters = rows.flatMap((row) => (row.kind === 'letter' ? [row.letter] : []));
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
