import uFuzzy from '@leeoniya/ufuzzy';
import { Index } from 'flexsearch';
import Fuse from 'fuse.js';
import MiniSearch from 'minisearch';

import { numberingPlan, ukNumbering } from '@/core/numbers/numbering';
import { emptyFields } from '@/core/people/contacts';
import { readVCards, writeVCards } from '@/core/people/files';
import { PeopleSearch, type Searchable } from '@/core/people/search';

import { percentile, type Figure } from './figures';
import { manyPeople } from './manyPeople';

const count = 50_000;
const most = 20;
const chunk = 1_000;
/** Each key is asked so often, and the middle taken: the collector of rubbish is not measured. */
const rounds = 3;

/** What is typed, letter by letter: words, a firm, initials, numbers in their writings, keypad letters, a note. */
const typed = ['ha ra', 'lathmoor', 'søren', 'hrl', '0131 00', '07700 9', '0155', '5284', 'gauge 42'];

/** A way to search: built from the people, then asked at each key. */
interface Candidate {
  name: string;
  build: (people: readonly Searchable[]) => (text: string) => readonly string[];
}

const allOf = ({ name, detail, numbers, texts }: Searchable) =>
  [name, detail, ...numbers.map(({ number }) => number), ...texts.map(({ text }) => text)].join(' ');

const candidates: readonly Candidate[] = [
  {
    name: 'Cendro',
    build: (people) => {
      const search = new PeopleSearch();
      for (let at = 0; at < people.length; at += chunk) search.put(people.slice(at, at + chunk));
      return (text) => search.find(text, most).map(({ key }) => key);
    },
  },
  {
    name: 'minisearch',
    build: (people) => {
      const search = new MiniSearch({ fields: ['name', 'detail', 'more'], idField: 'key' });
      search.addAll(people.map((each) => ({ ...each, more: allOf(each) })));
      const options = { prefix: true, combineWith: 'AND', boost: { name: 3, detail: 2 } } as const;
      return (text) =>
        search
          .search(text, options)
          .slice(0, most)
          .map(({ id }) => String(id));
    },
  },
  {
    name: 'flexsearch',
    build: (people) => {
      const search = new Index({ tokenize: 'full' });
      people.forEach((each, at) => search.add(at, allOf(each)));
      return (text) => search.search(text, { limit: most }).map((at) => people[Number(at)]?.key ?? '');
    },
  },
  {
    name: 'ufuzzy',
    build: (people) => {
      const search = new uFuzzy();
      const texts = uFuzzy.latinize(people.map(allOf));
      return (text) => {
        const [found, , order] = search.search(texts, uFuzzy.latinize([text])[0] ?? text, 1);
        const best = order && found ? order.map((at) => found[at] ?? 0) : (found ?? []);
        return best.slice(0, most).map((at) => people[at]?.key ?? '');
      };
    },
  },
  {
    name: 'fuse.js',
    build: (people) => {
      const search = new Fuse(people.map(allOf), { ignoreLocation: true, threshold: 0.2 });
      return (text) =>
        search.search(text, { limit: most }).map(({ refIndex }) => people[refIndex]?.key ?? '');
    },
  },
];

/** Scraps by which each of these people has to be among the first twenty: their own whole name would be too easy. */
function scrapsOf({ name, numbers }: Searchable): string[] {
  const words = name.toLowerCase().split(' ');
  const family = words.at(-1) ?? '';
  return [
    // Beginnings of all words, in another order; a part from inside; without accents.
    [family.slice(0, 9), ...words.slice(0, -1).map((word) => word.slice(0, 4))].join(' '),
    `${words[0] ?? ''} ${words[1] ?? ''} ${family.slice(2, 9)}`.normalize('NFD').replace(/\p{M}/gu, ''),
    // The number as it is written, and its end.
    `0131 ${numbers[0]?.number.slice(6, 9)} ${numbers[0]?.number.slice(9)}`,
    numbers[0]?.number.slice(-6) ?? '',
  ];
}

function measure({ name, build }: Candidate, people: readonly Searchable[], asked: readonly Searchable[]) {
  const begun = performance.now();
  const find = build(people);
  const built = performance.now() - begun;
  const keys = typed.flatMap((text) => Array.from(text, (_, at) => text.slice(0, at + 1)));
  const took = keys.map((text) =>
    percentile(
      Array.from({ length: rounds }, () => {
        const from = performance.now();
        find(text);
        return performance.now() - from;
      }),
      0.5,
    ),
  );
  const worst = Math.max(...took);
  const scraps = asked.flatMap((each) => scrapsOf(each).map((scrap) => ({ key: each.key, scrap })));
  const found = scraps.filter(({ key, scrap }) => find(scrap).includes(key)).length;
  return { name, built, worst, found: (100 * found) / scraps.length };
}

const round = (value: number) => Math.round(value * 10) / 10;

export function benchPeople(): Promise<Figure[]> {
  const people = manyPeople(count);
  const asked = people.filter((_, at) => at % 2_500 === 7);
  const [own, ...others] = candidates.map((candidate) => measure(candidate, people, asked));
  const cards = writeVCards(
    people.map(({ name, detail, numbers }) => ({
      ...{ ...emptyFields(), name, firm: detail, numbers: [...numbers], note: 'Read twice a year' },
    })),
  );
  const begun = performance.now();
  const read = readVCards(cards, numberingPlan(ukNumbering)).people.length;
  const reading = performance.now() - begun;
  if (!own || read !== count) throw new Error('The people of the bench were not all read');
  return Promise.resolve([
    {
      name: 'index of 50,000 people built',
      value: round(own.built),
      unit: 'ms',
      aim: 'under 1.5 s',
      most: 1_500,
    },
    {
      name: 'search of 50,000 people, worst key',
      value: round(own.worst),
      unit: 'ms',
      aim: 'under 10 ms',
      most: 10,
    },
    {
      name: 'found by scraps among the first 20',
      value: round(own.found),
      unit: '%',
      aim: 'over 95 %',
      least: 95,
    },
    ...others.flatMap(({ name, built, worst, found }): Figure[] => [
      { name: `  ${name}: built`, value: round(built), unit: 'ms', aim: 'to compare' },
      { name: `  ${name}: worst key`, value: round(worst), unit: 'ms', aim: 'to compare' },
      { name: `  ${name}: found by scraps`, value: round(found), unit: '%', aim: 'to compare' },
    ]),
    { name: '50,000 vCards read', value: round(reading), unit: 'ms', aim: 'under 5 s', most: 5_000 },
  ]);
}
