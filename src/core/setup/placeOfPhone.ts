import { z } from 'zod';

import { homeCountries, type HomeCountry } from '@/core/numbers/numbering';

const text = z.string().trim().max(80, 'That is too long.');
/** Where a phone is, as whoever is sent there reads it: a civic address (RFC 5139), and where exactly in it. */
export const addressSchema = z.object({
  /** ISO 3166-1. */
  country: z.enum(homeCountries),
  street: text,
  /** A floor, a gate, a path: what is not on the map. */
  detail: text,
  locality: text,
  region: text,
  postcode: text,
});
export type Address = z.infer<typeof addressSchema>;
export type AddressField = Exclude<keyof Address, 'country'>;

/** An address with when somebody said that the phone is there, in epoch milliseconds. */
export const placeOfPhoneSchema = addressSchema.extend({ at: z.number() });
export type PlaceOfPhone = z.infer<typeof placeOfPhoneSchema>;

/** From so long ago on what was said is old. */
export const oldPlaceMs = 180 * 24 * 3_600_000;

/** What an address has in a country, in the order in which it is written there, each with its word. */
export interface AddressForm {
  fields: readonly { field: AddressField; label: string; isOptional?: boolean }[];
}

const street = { field: 'street', label: 'Street and number' } as const;
const detail = { field: 'detail', label: 'Where exactly: floor, gate, path', isOptional: true } as const;
const inTown = (postcode: string, locality: string): AddressForm['fields'] => [
  { field: 'postcode', label: postcode },
  { field: 'locality', label: locality },
];
const withRegion = (locality: string, region: string, postcode: string): AddressForm => ({
  fields: [
    street,
    detail,
    { field: 'locality', label: locality },
    { field: 'region', label: region },
    { field: 'postcode', label: postcode },
  ],
});
const british: AddressForm = {
  fields: [street, detail, { field: 'locality', label: 'Town' }, { field: 'postcode', label: 'Postcode' }],
};
const special: Partial<Record<HomeCountry, AddressForm>> = {
  GB: british,
  IE: {
    fields: [
      ...[street, detail, { field: 'locality', label: 'Town' } as const],
      { field: 'region', label: 'County' },
      { field: 'postcode', label: 'Eircode' },
    ],
  },
  US: withRegion('City', 'State', 'ZIP code'),
  CA: withRegion('City', 'Province', 'Postal code'),
  AU: withRegion('Suburb', 'State', 'Postcode'),
};
const continental: AddressForm = { fields: [street, detail, ...inTown('Postcode', 'Town')] };

/** How an address is written there. */
export const addressForm = (country: HomeCountry): AddressForm => special[country] ?? continental;

/** In one line, in the order of that country, the exact place first: who is sent there needs it last. */
export function addressWords(address: Address): string {
  const parts = addressForm(address.country).fields.map(({ field }) => address[field].trim());
  return parts.filter((part) => part !== '').join(', ');
}
