import fc from 'fast-check';

import { findAlike, isSameName, pairOf, type Person } from './alike';
import { emptyFields, type Fields } from '@/core/people/contacts';

const person = (id: string, fields: Partial<Fields>): Person => ({ ...emptyFields(), ...fields, id });
const phone = (number: string) => ({ label: 'work', number });
const none = new Set<string>();
const pairs = (people: Person[], apart: ReadonlySet<string> = none) =>
  findAlike(people, apart).map(({ ids, reasons }) => [ids.join(' '), ...reasons.map(({ kind }) => kind)]);

describe('who may be one person', () => {
  it('has the same number or mail, and it is said in what they differ', () => {
    const people = [
      person('a', { name: 'Peg Anstey', numbers: [phone('+441174960155')], mails: ['Peg@Lathmoor.example'] }),
      person('b', {
        name: 'Lathmoor Farm',
        numbers: [phone('+441174960155')],
        mails: ['peg@lathmoor.example'],
      }),
      person('c', { name: 'Ivor Lamb', numbers: [phone('+441174960156')] }),
    ];
    expect(findAlike(people, none)).toEqual([
      {
        ids: ['a', 'b'],
        reasons: [
          { kind: 'number', value: '+441174960155' },
          { kind: 'mail', value: 'peg@lathmoor.example' },
        ],
        differs: ['name', 'mails'],
      },
    ]);
  });

  it('has a like name at the same firm, however the firm is written', () => {
    const at = (id: string, name: string, firm: string | null) => person(id, { name, firm });
    expect(pairs([at('a', 'Peg Anstey', 'Lathmoor Farm'), at('b', 'Anstey, P.', 'LATHMOOR  FARM')])).toEqual([
      ['a b', 'name'],
    ]);
    expect(pairs([at('a', 'Peg Anstey', 'Lathmoor Farm'), at('b', 'Peg Anstey', 'Skerrow')])).toEqual([]);
    expect(pairs([at('a', 'Peg Anstey', null), at('b', 'Peg Ansty', null)])).toEqual([['a b', 'name']]);
  });

  it('shares no number that a whole firm has', () => {
    const people = ['a', 'b', 'c', 'd'].map((id) => person(id, { name: id, numbers: [phone('+44131')] }));
    expect(pairs(people)).toEqual([]);
  });

  it('is not proposed again once it was said that they are two', () => {
    const people = ['a', 'b'].map((id) => person(id, { name: 'Ann Bell' }));
    expect(pairs(people, new Set([pairOf('b', 'a')]))).toEqual([]);
  });

  it('never is somebody with themself, and each pair comes once, whatever the order', () => {
    const anybody = fc.record({
      name: fc.constantFrom('Ann Bell', 'A. Bell', 'Bell Ann', 'Bo', 'Zoë Bell'),
      firm: fc.constantFrom('Farm', null),
      number: fc.constantFrom('+441', '+442', '+443'),
    });
    fc.assert(
      fc.property(fc.array(anybody, { maxLength: 12 }), (all) => {
        const people = all.map(({ name, firm, number }, at) =>
          person(`p${at}`, { name, firm, numbers: [phone(number)] }),
        );
        const found = findAlike(people, none).map(({ ids: [a, b] }) => pairOf(a, b));
        expect(new Set(found).size).toBe(found.length);
        expect(found.some((pair) => new Set(pair.split('|')).size === 1)).toBe(false);
        const turned = findAlike(people.toReversed(), none).map(({ ids: [a, b] }) => pairOf(a, b));
        expect(turned.sort()).toEqual(found.sort());
      }),
    );
  });
});

it.each([
  ['peg anstey', 'anstey peg', true],
  ['p anstey', 'peg anstey', true],
  ['peg anstey', 'peg mary anstey', true],
  ['peg anstey', 'peg anstay', true],
  ['peg', 'peg anstey', false],
  ['p a', 'peg anstey', false],
  ['ann', 'ana', false],
  ['mill 1', 'mill 2', false],
  ['ann bell', 'ben bell', false],
])('“%s” and “%s”: %s', (a, b, isSame) => {
  expect(isSameName(a.split(' '), b.split(' '))).toBe(isSame);
});
