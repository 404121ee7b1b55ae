import fc from 'fast-check';

import { homeCountries } from '@/core/numbers/numbering';

import { addressForm, addressWords, type Address } from '../placeOfPhone';
import { addressProblems } from './addressProblems';

const yard: Address = {
  ...{ country: 'GB', street: 'Weir Lane 4', detail: 'Gauge hut, left bank', locality: 'Cawder', region: '' },
  postcode: 'EH1 1AA',
};

it('an address has what its country wants, each missing part said at its field', () => {
  expect(addressProblems(yard)).toEqual({});
  expect(addressProblems({ ...yard, street: ' ', locality: '' })).toEqual({
    street: 'Street and number is missing.',
    locality: 'Town is missing.',
  });
  expect(addressProblems({ ...yard, detail: '' })).toEqual({});
  expect(addressProblems({ ...yard, country: 'US' })).toEqual({
    region: 'State is missing.',
    postcode: 'No postcode there is written so.',
  });
});

it('a postcode is written as in its country', () => {
  const problem = (country: Address['country'], postcode: string) =>
    addressProblems({ ...yard, country, region: 'x', postcode }).postcode;
  expect(problem('DE', '10115')).toBeUndefined();
  expect(problem('DE', '1011')).toBe('No postcode there is written so.');
  expect(problem('US', '97201-1234')).toBeUndefined();
  expect(problem('CA', 'K1A 0B1')).toBeUndefined();
});

it('is written in the order of its country, without what is empty', () => {
  expect(addressWords(yard)).toBe('Weir Lane 4, Gauge hut, left bank, Cawder, EH1 1AA');
  expect(addressWords({ ...yard, country: 'DE', postcode: '10115', detail: '' })).toBe(
    'Weir Lane 4, 10115, Cawder',
  );
});

it('every country has a form with each field once, and a street and a place in it', () => {
  fc.assert(
    fc.property(fc.constantFrom(...homeCountries), (country) => {
      const fields = addressForm(country).fields.map(({ field }) => field);
      expect(new Set(fields).size).toBe(fields.length);
      expect(fields).toEqual(expect.arrayContaining(['street', 'detail', 'locality', 'postcode']));
    }),
  );
});
