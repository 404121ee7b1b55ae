import fc from 'fast-check';

import { PeopleSearch, type Searchable } from '.';
import { NumberList } from './NumberList';
import { Tally } from './Tally';
import { WordList } from './WordList';
import { keysOf, readTyped, wordsOf } from './words';
import { leastInside } from './worth';

/** The search against the plainest way to do it: going through everybody, word by word. */

const word = fc.constantFrom('ann', 'anna', 'lathmoor', 'moor', 'o', 'hallin', 'all', 'zoë', 'x1');
const text = fc.array(word, { maxLength: 3 }).map((words) => words.join(' '));
const number = fc.oneof(
  fc.integer({ min: 0, max: 99_999 }).map((end) => `+44131${String(4_960_000 + end)}`),
  fc.integer({ min: 200, max: 299 }).map(String),
  fc.integer({ min: 100, max: 199 }).map((end) => `+12025550${end}`),
);
const people = fc.array(
  fc.record({ name: text, detail: text, note: text, numbers: fc.array(number, { maxLength: 3 }) }),
  { maxLength: 25 },
);
type People = (typeof people extends fc.Arbitrary<infer T> ? T : never)[number];

const asSearchable = ({ name, detail, note, numbers }: People, at: number): Searchable => ({
  key: `contact:${at}`,
  kind: 'contact',
  ...{ name, detail, isFavourite: false },
  numbers: numbers.map((each) => ({ label: 'work', number: each })),
  texts: [{ field: 'note', text: note }],
});

/** Whether a word that was typed is anywhere in what is known of somebody. */
function hasWord({ name, detail, note }: People, typed: string): boolean {
  const names = wordsOf(name);
  const initials = names.length > 1 ? [names.map((each) => each.charAt(0)).join('')] : [];
  const others = [...names, ...wordsOf(detail), ...wordsOf(note)];
  return (
    [...others, ...initials].some((each) => each.startsWith(typed)) ||
    (typed.length >= leastInside && others.some((each) => each.includes(typed)))
  );
}

function hasNumber({ numbers }: People, typed: string): boolean {
  return readTyped(typed).digits.some(({ digits, where }) =>
    numbers.some((each) => {
      const plain = each.replace('+', '');
      const isExternal = plain !== each;
      if (where === 'end') return plain.endsWith(digits);
      if (where === 'anywhere' && digits.length >= leastInside) return plain.includes(digits);
      return plain.startsWith(digits) && !(isExternal && digits.length < leastInside);
    }),
  );
}

const hasKeys = ({ name, detail }: People, typed: string): boolean => {
  const { keys } = readTyped(typed);
  return (
    keys !== null && [...wordsOf(name), ...wordsOf(detail)].some((each) => keysOf(each).startsWith(keys))
  );
};

function found(all: readonly People[], typed: string): string[] {
  const search = new PeopleSearch();
  search.put(all.map(asSearchable));
  return search
    .findExactly(readTyped(typed), all.length + 1)
    .map(({ key }) => key)
    .sort();
}
const keysWhere = (all: readonly People[], holds: (person: People) => boolean): string[] =>
  all.flatMap((person, at) => (holds(person) ? [`contact:${at}`] : [])).sort();

it('words find just whom going through everybody finds', () => {
  const typed = fc
    .array(fc.constantFrom('a', 'an', 'ann', 'nna', 'moo', 'oor', 'all', 'ha', 'zoe', 'o', 'x1', '1x'), {
      minLength: 1,
      maxLength: 3,
    })
    .filter((words) => /\D/.test(words.join('')));
  fc.assert(
    fc.property(people, typed, (all, words) => {
      const expected = keysWhere(all, (person) => words.every((each) => hasWord(person, each)));
      expect(found(all, words.join(' '))).toEqual(expected);
    }),
    { numRuns: 500 },
  );
});

it('digits and keys find just whom going through everybody finds', () => {
  const typed = fc.constantFrom(
    ...['0131', '013', '01', '0', '496', '4960', '2', '20', '201', '266', '5284', '+44131', '+1', '+12'],
    ...['00', '001', '0044131', '131 496', '(0131) 496', '0001', '199', '99', '4255', '66'],
  );
  fc.assert(
    fc.property(people, typed, (all, digits) => {
      const expected = keysWhere(all, (person) => hasNumber(person, digits) || hasKeys(person, digits));
      expect(found(all, digits)).toEqual(expected);
    }),
    { numRuns: 500 },
  );
});

it('a number that is typed whole stands before all that only hold it', () => {
  fc.assert(
    fc.property(people, number, (all, whole) => {
      const search = new PeopleSearch();
      search.put([...all, { name: 'Somebody', detail: '', note: '', numbers: [whole] }].map(asSearchable));
      const [first] = search.find(whole, all.length + 1);
      expect(first?.numbers.map((each) => each.number)).toContain(whole);
      expect(first?.numbers[first.numberAt ?? -1]?.number).toBe(whole);
    }),
  );
});

describe('the parts', () => {
  it('a word is found at each of its places, its beginning before its inside', () => {
    const list = new WordList([
      asSearchable({ name: 'Lathmoor Ann', detail: 'Moor Farm', note: '', numbers: [] }, 0),
      asSearchable({ name: 'Moor', detail: '', note: 'by the moor', numbers: [] }, 1),
    ]);
    const places: [number, number][] = [];
    list.each('moor', (at, score) => places.push([at, score]));
    expect(places.sort((a, b) => a[0] - b[0] || b[1] - a[1])).toEqual([
      [0, 60],
      [0, 55],
      [1, 127],
      [1, 25],
    ]);
  });

  it('a number’s beginning, end and inside are told apart', () => {
    const list = new NumberList([['+441314960142', '214'], ['+441424960131'], []]);
    const scores = (digits: string, where: 'anywhere' | 'begin' | 'end') => {
      const all: [number, number][] = [];
      list.each({ digits, where }, (at, score) => all.push([at, score]));
      return all;
    };
    expect(scores('142', 'anywhere')).toEqual([
      [0, 90],
      [1, 80],
    ]);
    expect(scores('4960', 'anywhere')).toEqual([
      [0, 45],
      [1, 45],
    ]);
    expect(scores('0131', 'end')).toEqual([[1, 90]]);
    expect(scores('44131', 'begin')).toEqual([[0, 80]]);
    expect(scores('214', 'begin')).toEqual([[0, 140]]);
  });

  it('a tally keeps the best find of each word, and who has not all words is out', () => {
    const tally = new Tally(3);
    tally.offer(0, 10, 1);
    tally.offer(0, 30, 0);
    tally.offer(1, 20, 2);
    tally.closeWord();
    tally.offer(0, 50, 3);
    tally.offer(2, 90, 0);
    tally.closeWord();
    const all: number[][] = [];
    tally.each((at, score, code) => all.push([at, score, code]));
    expect(all).toEqual([[0, 40, 3]]);
  });
});
