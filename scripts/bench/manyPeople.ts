import type { Searchable } from '@/core/people/search';

const givenNames = [
  'Ann',
  'Björn',
  'Carys',
  'Dafydd',
  'Eilidh',
  'François',
  'Gwen',
  'Hamish',
  'Iona',
  'Jürgen',
];
const moreGiven = ['Kirsty', 'Łukasz', 'Morag', 'Niamh', 'Oona', 'Peg', 'Rhona', 'Søren', 'Tamsin', 'Zoë'];
const firstParts = ['Black', 'Hollow', 'Lath', 'Cawder', 'Esk', 'Hallin', 'Thorn', 'Raven', 'Sker', 'Fell'];
const lastParts = ['moor', 'dale', 'row', 'thwaite', 'by', 'rigg', 'beck', 'ton', 'worth', 'gate'];
const firms = ['Farm', 'Harbour', 'Reservoir', 'Angling Club', 'Surveyors', 'Flood Watch', 'Mill', 'Estate'];
const places = ['Hill Road', 'Mill Lane', 'Weir Cottage', 'Station Yard', 'Bridge End'];

const of = (from: readonly string[], index: number) => from[index % from.length] ?? '';

/** Made-up people, always the same: 200 given names, 10,000 family names, 80,000 firms, each with two numbers. */
export function manyPeople(count: number): Searchable[] {
  const given = [...givenNames, ...moreGiven];
  return Array.from({ length: count }, (_, index): Searchable => {
    const mixed = (index * 7_919) % 1_000_003;
    const family = `${of(firstParts, mixed)}${of(lastParts, Math.floor(mixed / 10))}`;
    const firm = `${of(firstParts, Math.floor(mixed / 7))}${of(lastParts, Math.floor(mixed / 3))} ${of(firms, mixed)}`;
    const name = `${of(given, Math.floor(mixed / 13))} ${of(given, Math.floor(mixed / 31))} ${family}`;
    return {
      key: `contact:c${index}`,
      kind: 'contact',
      name,
      detail: firm,
      numbers: [
        { label: 'work', number: `+44131${String(1_000_000 + index).slice(1)}` },
        { label: 'mobile', number: `+4477009${String(100_000 + mixed).slice(-5)}` },
      ],
      texts: [
        { field: 'place', text: `${(mixed % 90) + 1} ${of(places, mixed)}` },
        {
          field: 'note',
          text: `Gauge ${mixed % 5000}, read in ${of(firstParts, index)}${of(lastParts, mixed)}`,
        },
      ],
      isFavourite: index % 5_000 === 0,
    };
  });
}
