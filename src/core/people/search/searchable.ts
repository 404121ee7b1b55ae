import type { ContactNumber } from '@/core/people/contacts';

/** Where in what is known of somebody words were found, from the most telling to the least. */
export const searchFields = ['name', 'initials', 'detail', 'mail', 'place', 'note', 'message'] as const;
export type SearchField = (typeof searchFields)[number];

/** Text beside name and detail by which somebody is found too. */
export interface SearchText {
  field: 'mail' | 'place' | 'note' | 'message';
  text: string;
}

/** Somebody, a team, a conference, or a number nobody has a name for, as the search knows them. */
export interface Searchable {
  /** As everywhere: "person:ilse", "contact:peg", "team:field", "conference:gauges", "number:+44…". */
  key: string;
  kind: 'colleague' | 'team' | 'conference' | 'contact' | 'number';
  name: string;
  /** Role of a colleague, firm of a contact, what a team is. */
  detail: string;
  /** E.164 or extensions. */
  numbers: readonly ContactNumber[];
  texts: readonly SearchText[];
  isFavourite: boolean;
}

/** Somebody who was found, and by what. */
export interface Hit {
  key: string;
  kind: Searchable['kind'];
  name: string;
  detail: string;
  numbers: Searchable['numbers'];
  /** Higher stands first; see docs/decisions/022. */
  score: number;
  by: SearchField | 'number' | 'keypad';
  /** The words around what was found in a mail address, place, note or message. */
  excerpt: string | null;
  /** Which of the numbers holds the typed digits. */
  numberAt: number | null;
}
