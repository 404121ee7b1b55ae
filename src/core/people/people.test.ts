import { emptyOffice, OfficeIndex } from '../office';
import { PeopleIndex } from '.';

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
const names = (text: string) => people.find(text).map(({ name, label }) => `${name} ${label}`);

describe('finding people', () => {
  it.each(['peg', 'an pe', 'LATH', 'lathmoor anst'])('by beginnings of words: %s', (text) => {
    expect(names(text)).toEqual(['Peg Anstey home', 'Peg Anstey mobile']);
  });

  it('without regard to accents', () => {
    expect(names('marchetti')).toEqual(['Odile Márchetti extension']);
  });

  it('by digits in any writing', () => {
    expect(names('07700 900')).toEqual(['Peg Anstey mobile']);
    expect(names('0155')).toEqual(['Peg Anstey home', 'Peg Anstey mobile']);
    expect(names('203')).toEqual(['Odile Márchetti extension']);
  });

  it('by keypad letters', () => {
    expect(names('734')).toEqual(['Peg Anstey home', 'Peg Anstey mobile']);
  });

  it('finds nobody for nothing', () => {
    expect(names('')).toEqual([]);
    expect(names('   ')).toEqual([]);
    expect(names('xyz')).toEqual([]);
  });

  it('knows whose number it is', () => {
    expect(people.whoHas('+447700900155')).toMatchObject({ name: 'Peg Anstey', label: 'mobile' });
    expect(people.whoHas('214')).toBeNull();
    expect(people.whoHas(null)).toBeNull();
  });
});
