import { emptyOffice, OfficeIndex } from '@/core/setup';
import { numbersInOrder, PeopleIndex } from '.';

const office = new OfficeIndex({
  ...emptyOffice,
  people: [
    { id: 'odile', name: 'Odile Márchetti', role: 'Accounts', extension: '203', presentedLineId: 'main' },
  ],
});
const people = new PeopleIndex(office, [
  {
    id: 'peg',
    name: 'Peg Anstey',
    firm: 'Lathmoor Farm',
    numbers: [
      { label: 'home', number: '+441174960155' },
      { label: 'mobile', number: '+447700900155' },
    ],
  },
]);

it('whose number it is, is known', () => {
  expect(people.whoHas('+447700900155')).toMatchObject({ name: 'Peg Anstey', label: 'mobile' });
  expect(people.whoHas('203')).toMatchObject({ name: 'Odile Márchetti', detail: 'Accounts' });
  expect(people.whoHas('214')).toBeNull();
  expect(people.whoHas(null)).toBeNull();
});

it('the number used last comes first, unless another was typed', () => {
  const numbers = ['a', 'b', 'c'].map((number) => ({ number }));
  const order = (used: [string, number][], typed: number | null = null) =>
    numbersInOrder(numbers, new Map(used), typed)
      .map(({ number }) => number)
      .join('');
  expect(order([])).toBe('abc');
  expect(
    order([
      ['b', 1],
      ['c', 2],
    ]),
  ).toBe('cba');
  expect(order([['b', 1]], 2)).toBe('cba');
});
