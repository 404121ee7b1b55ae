import type { Searchable } from './searchable';

/** Somebody found, what the find is worth, and by what it came (a field, or byNumber and byKeypad). */
export interface Found {
  entry: Searchable;
  score: number;
  code: number;
  /** See nameKeyOf. */
  nameKey: number;
}

/**
 * The first three letters of a name as one number, in the order of the names: most of those who are equal otherwise are
 * told apart by it, without looking at the names of thousands.
 */
export const nameKeyOf = (name: string): number =>
  ((name.charCodeAt(0) || 0) * 0x10000 + (name.charCodeAt(1) || 0)) * 0x10000 + (name.charCodeAt(2) || 0);

/** The best finds so far, best first; equals by name, then by key, so that the order never depends on who came first. */
export class Best {
  readonly found: Found[] = [];

  constructor(private readonly most: number) {}

  /** Whether somebody may be among the best, as far as these two tell. */
  mayTake(score: number, nameKey: number): boolean {
    const { found, most } = this;
    const worst = found.length < most ? undefined : found[most - 1];
    return !worst || score > worst.score || (score === worst.score && nameKey <= worst.nameKey);
  }

  offer(entry: Searchable | undefined, score: number, code: number): void {
    const { found, most } = this;
    if (!entry) return;
    let place = found.length;
    while (place > 0 && isBefore(entry, score, found[place - 1])) place--;
    if (place === most) return;
    found.splice(place, 0, { entry, score, code, nameKey: nameKeyOf(entry.name) });
    if (found.length > most) found.pop();
  }
}

function isBefore(entry: Searchable, score: number, other: Found | undefined): boolean {
  if (!other) return false;
  if (score !== other.score) return score > other.score;
  const { name, key } = other.entry;
  return entry.name === name ? entry.key < key : entry.name < name;
}
