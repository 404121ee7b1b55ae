import type { Searchable } from './searchable';

/** Somebody found, what the find is worth, and by what it came (a field, or byNumber and byKeypad). */
export interface Found {
  entry: Searchable;
  score: number;
  code: number;
}

/** The best finds so far, best first; equals by name, then by key, so that the order never depends on who came first. */
export class Best {
  readonly found: Found[] = [];

  constructor(private readonly most: number) {}

  offer(entries: readonly Searchable[], at: number, score: number, code: number): void {
    const { found, most } = this;
    const worst = found.length < most ? undefined : found[most - 1];
    if (worst && score < worst.score) return;
    const entry = entries[at];
    if (!entry) return;
    let place = found.length;
    while (place > 0 && isBefore(entry, score, found[place - 1])) place--;
    if (place === most) return;
    found.splice(place, 0, { entry, score, code });
    if (found.length > most) found.pop();
  }
}

function isBefore(entry: Searchable, score: number, other: Found | undefined): boolean {
  if (!other) return false;
  if (score !== other.score) return score > other.score;
  const { name, key } = other.entry;
  return entry.name === name ? entry.key < key : entry.name < name;
}
