import isPostalCode from 'validator/lib/isPostalCode';

import { addressForm, type Address, type AddressField } from '../placeOfPhone';

/** What is wrong with an address, by field; nothing where whoever is sent there can read it. */
export function addressProblems(address: Address): Partial<Record<AddressField, string>> {
  const problems: Partial<Record<AddressField, string>> = {};
  for (const { field, label, isOptional } of addressForm(address.country).fields)
    if (!isOptional && address[field].trim() === '') problems[field] = `${label} is missing.`;
  const postcode = address.postcode.trim();
  if (postcode !== '' && !isPostalCode(postcode, address.country))
    problems.postcode = 'No postcode there is written so.';
  return problems;
}
