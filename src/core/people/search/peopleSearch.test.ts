import fc from 'fast-check';

import { PeopleSearch, usageOf, type Searchable } from '.';
import { keysOf, readTyped, wordsOf } from './words';

const somebody = (given: Partial<Searchable> & { key: string; name: string }): Searchable => ({
  kind: 'contact',
  detail: '',
  numbers: [],
  texts: [],
  isFavourite: false,
  ...given,
});
const work = (number: string) => ({ label: 'work', number });
const everybody = [
  somebody({
    key: 'contact:peg',
    name: 'Peg Anstey',
    detail: 'Lathmoor Farm',
    numbers: [work('+441174960155'), work('+447700900155')],
    texts: [
      { field: 'note', text: 'Ring the bell twice; the dog is called Moss.' },
      { field: 'message', text: 'The gate code is 4120, mind the ford.' },
    ],
  }),
  somebody({
    key: 'contact:hallin',
    name: 'Hallin Rigg Fell Race',
    detail: 'Race control',
    numbers: [work('+447700900482')],
  }),
  somebody({ key: 'contact:soren', name: 'Søren Ångström-O’Hara', detail: 'Straße & Co' }),
  somebody({
    key: 'person:ilse',
    kind: 'colleague',
    name: 'Ilse Varga',
    detail: 'Dispatch',
    numbers: [{ label: 'extension', number: '201' }],
  }),
  somebody({
    key: 'person:hugh',
    kind: 'colleague',
    name: 'Hugh Pellow',
    detail: 'Stores',
    numbers: [{ label: 'extension', number: '211' }],
  }),
];

function searchOver(entries: readonly Searchable[]): PeopleSearch {
  const search = new PeopleSearch();
  search.put(entries);
  return search;
}
const search = searchOver(everybody);
const keysFor = (text: string) => search.find(text).map(({ key }) => key);

describe('a letter that is wrong', () => {
  it.each(['anstye', 'anstay', 'ansteyy', 'ansty', 'lathmor', 'pellw hugh', 'hallin rig fel rcae'])(
    'is forgiven in one word: %s',
    (text) => {
      expect(keysFor(text)).toHaveLength(1);
    },
  );

  it('is forgiven only where nobody has the word as it was typed, and not in the shortest', () => {
    expect(search.find('mos')[0]).toMatchObject({ key: 'contact:peg', by: 'note' });
    expect(search.find('gaet code')[0]).toMatchObject({ key: 'contact:peg', by: 'message' });
    expect(keysFor('peq')).toEqual([]);
    expect(keysFor('qnstey')).toEqual([]);
    expect(keysFor('anxtxy')).toEqual([]);
  });

  it('one slip in any word of four letters and more still finds who has it', () => {
    const names = fc.stringMatching(/^[a-z]{4,9}$/);
    const slip = fc.constantFrom('out', 'in', 'other', 'swap');
    fc.assert(
      fc.property(names, slip, fc.integer({ min: 1, max: 8 }), (name, kind, place) => {
        const at = Math.min(place, name.length - 2);
        const [before, after] = [name.slice(0, at), name.slice(at + 1)];
        const typed = {
          out: before + after,
          in: `${before}x${name.slice(at)}`,
          other: `${before}x${after}`,
          swap: `${before}${name[at + 1] ?? ''}${name[at] ?? ''}${name.slice(at + 2)}`,
        }[kind];
        fc.pre(typed.length >= 4);
        const of = searchOver([somebody({ key: 'contact:one', name })]);
        expect(of.find(typed).map(({ key }) => key)).toEqual(['contact:one']);
      }),
    );
  });
});

describe('finding people', () => {
  it('takes the beginnings of several words in any order', () => {
    expect(keysFor('ha ra')[0]).toBe('contact:hallin');
    expect(keysFor('ans pe')).toEqual(['contact:peg']);
    expect(keysFor('ha zz')).toEqual([]);
  });

  it('takes any part of a name, initials, firm, note and message, and says by what', () => {
    expect(search.find('nste')[0]).toMatchObject({ key: 'contact:peg', by: 'name' });
    expect(search.find('hrfr')[0]).toMatchObject({ key: 'contact:hallin', by: 'initials' });
    expect(search.find('lathm')[0]).toMatchObject({ key: 'contact:peg', by: 'detail' });
    expect(search.find('moss')[0]).toMatchObject({ by: 'note', excerpt: '… the dog is called Moss.' });
    expect(search.find('gate code')[0]).toMatchObject({ key: 'contact:peg', by: 'message' });
  });

  it('folds accents and case, letters that are no accents, and apostrophes', () => {
    for (const text of ['soren', 'SØREN', 'angstrom', 'ohara', 'o’hara', 'strasse'])
      expect(keysFor(text)).toEqual(['contact:soren']);
  });

  it('takes numbers in any writing, and the last four digits', () => {
    for (const text of [
      '0117 496 0155',
      '(0117) 496.0155',
      '+44 117 4960155',
      '0044 117 496 0155',
      'tel:+441174960155',
      '0117 496 0155 ext 42',
      '0117-496-0155,,3#',
    ])
      expect(search.find(text)[0]).toMatchObject({ key: 'contact:peg', by: 'number', numberAt: 0 });
    expect(keysFor('0482')).toEqual(['contact:hallin']);
    expect(search.find('900155')[0]).toMatchObject({ key: 'contact:peg', numberAt: 1 });
    expect(keysFor('201')[0]).toBe('person:ilse');
  });

  it('takes keypad letters of name and firm', () => {
    expect(search.find('5284')[0]).toMatchObject({ key: 'contact:peg', by: 'keypad' });
    expect(keysFor('4844')[0]).toBe('person:hugh');
  });

  it('finds nobody by nothing', () => {
    for (const text of ['', '   ', '&', '+']) expect(search.find(text)).toEqual([]);
  });
});

describe('the order of what is found', () => {
  const two = (given: Partial<Searchable>) =>
    searchOver([
      somebody({ key: 'contact:a', name: 'Ann Moor', numbers: [work('+441314960001')] }),
      somebody({ key: 'contact:b', name: 'Ann North', numbers: [work('+441314960002')], ...given }),
    ]);
  const first = (of: PeopleSearch, text: string) => of.find(text)[0]?.key;

  it('is by name among equals, then favourites and those who are used stand before', () => {
    expect(first(two({}), 'ann')).toBe('contact:a');
    expect(first(two({ isFavourite: true }), 'ann')).toBe('contact:b');
    const used = two({});
    used.use(new Map([['+441314960002', 1]]));
    expect(first(used, 'ann')).toBe('contact:b');
  });

  it('has a name before a firm, a beginning before an inside, a message last', () => {
    const mixed = searchOver([
      somebody({ key: 'message', name: 'Zed', texts: [{ field: 'message', text: 'the moor road' }] }),
      somebody({ key: 'inside', name: 'Lathmoor' }),
      somebody({ key: 'firm', name: 'Bob', detail: 'Moor Farm' }),
      somebody({ key: 'name', name: 'Ann Moor' }),
    ]);
    expect(mixed.find('moor').map(({ key }) => key)).toEqual(['name', 'inside', 'firm', 'message']);
  });

  it('counts a call half after two weeks, and only its number', () => {
    const now = 1_000 * 86_400_000;
    const call = (days: number, number: string | null) => ({
      startedAt: now - days * 86_400_000,
      other: { number, name: null, personId: null },
    });
    const usage = usageOf([call(0, '201'), call(14, '201'), call(28, '+44'), call(1, null)], now);
    expect(usage.get('201')).toBeCloseTo(1.5);
    expect(usage.get('+44')).toBeCloseTo(0.25);
    expect(usage.size).toBe(2);
  });
});

const name = fc
  .array(fc.constantFrom('Ann', 'Møller', 'Race', 'Fell', 'O’Hara', 'Zoë', 'Lathmoor', 'Bo'), {
    minLength: 1,
    maxLength: 3,
  })
  .map((words) => words.join(' '));
const number = fc.integer({ min: 0, max: 9999 }).map((end) => `+44131496${String(end).padStart(4, '0')}`);
const people = fc
  .array(fc.record({ name, detail: name, number }), { minLength: 1, maxLength: 30 })
  .map((all) =>
    all.map((each, at) =>
      somebody({ key: `contact:${at}`, name: each.name, detail: each.detail, numbers: [work(each.number)] }),
    ),
  );

describe('what must hold for any people', () => {
  it('finds everybody by any part of their name, their keys and the end of their number', () => {
    fc.assert(
      fc.property(people, fc.nat(), fc.nat(), (all, pick, cut) => {
        const one = all[pick % all.length];
        if (!one) return;
        const words = wordsOf(one.name);
        const word = words[cut % words.length] ?? '';
        const from = cut % Math.max(1, word.length - 2);
        const end = one.numbers[0]?.number.slice(-4) ?? '';
        const of = searchOver(all);
        for (const text of [word, word.slice(from), word.slice(0, 1), keysOf(word), end])
          expect(of.find(text, all.length).map(({ key }) => key)).toContain(one.key);
      }),
    );
  });

  it('gives the same, however the people came in and whoever came and went meanwhile', () => {
    fc.assert(
      fc.property(people, fc.constantFrom('ann', 'o', 'la', '0131', '66', 'ra fe', 'zoe'), (all, text) => {
        const once = searchOver(all).find(text, all.length);
        const changing = new PeopleSearch();
        for (const each of all.toReversed()) {
          changing.put([{ ...each, name: 'Somebody Else' }]);
          changing.put([each, somebody({ key: `gone:${each.key}`, name: each.name })]);
          changing.drop([`gone:${each.key}`]);
        }
        expect(changing.find(text, all.length)).toEqual(once);
        expect(changing.size).toBe(all.length);
      }),
    );
  });

  it('never gives more than asked for, and the best of them', () => {
    fc.assert(
      fc.property(people, fc.integer({ min: 1, max: 5 }), (all, most) => {
        const of = searchOver(all);
        expect(of.find('o', most)).toEqual(of.find('o', all.length).slice(0, most));
      }),
    );
  });
});

it('reads what was typed as words, digits or keys', () => {
  expect(readTyped('ha ra')).toEqual({ words: ['ha', 'ra'], digits: [], keys: null });
  expect(readTyped('0131')).toEqual({
    words: [],
    digits: [
      { digits: '44131', where: 'begin' },
      { digits: '0131', where: 'end' },
    ],
    keys: null,
  });
  expect(readTyped('52 84')).toEqual({
    words: [],
    digits: [{ digits: '5284', where: 'anywhere' }],
    keys: '5284',
  });
  expect(readTyped('3 becks')).toMatchObject({ words: ['3', 'becks'] });
});
