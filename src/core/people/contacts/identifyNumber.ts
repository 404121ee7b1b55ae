import { formatNumber, type NumberingPlan } from '@/core/numbers/numbering';

import type { PeopleIndex } from './PeopleIndex';

/** Name and detail for a number: from the contacts, else the caller's own name, else the number itself. */
export function identifyNumber(number: string | null, ownName: string | null, people: PeopleIndex) {
  const known = people.whoHas(number);
  const written = number === null ? 'number withheld' : formatAny(number, people.plan);
  if (known) return { name: known.name, detail: known.detail ?? written, number };
  if (ownName) return { name: ownName, detail: written, number };
  return number === null
    ? { name: 'Withheld number', detail: 'caller not shown', number }
    : { name: written, detail: 'not in your contacts', number };
}

/** E.164 numbers nationally, extensions and codes as they are. */
export function formatAny(number: string, plan: NumberingPlan): string {
  return number.startsWith('+') ? formatNumber(number, plan) : number;
}
