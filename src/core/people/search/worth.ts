import type { Searchable, SearchField } from './searchable';

/** What a find in each field is worth: where a word begins, and inside of one. See docs/decisions/022. */
export const fieldWorth: Record<SearchField, { begins: number; inside: number }> = {
  name: { begins: 100, inside: 60 },
  initials: { begins: 75, inside: 0 },
  detail: { begins: 55, inside: 35 },
  mail: { begins: 40, inside: 25 },
  place: { begins: 30, inside: 15 },
  note: { begins: 25, inside: 12 },
  message: { begins: 20, inside: 10 },
};
/** More for a name's first word, and for a word of the name that is typed to its end. */
export const firstWordWorth = 12;
export const wholeWordWorth = 15;

export const numberWorth = { whole: 140, end: 90, begin: 80, inside: 45 };
export const keypadWorth = { firstWord: 75, name: 65, detail: 40 };

/** What speaks for somebody whatever was typed. */
export const kindWorth: Record<Searchable['kind'], number> = {
  colleague: 8,
  team: 6,
  conference: 5,
  contact: 4,
  number: 0,
};
export const favouriteWorth = 25;
/** Approached as somebody is called more and later: half of it for one call just now. */
export const mostUseWorth = 40;

/** Fewer letters or digits are sought where a word or an extension begins, for they are inside of nearly everything. */
export const leastInside = 3;
