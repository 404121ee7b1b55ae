import type { OfficeIndex } from '../office';
import type { Contact } from './contact';

/** Somebody in the directory, once however many numbers they have. */
export interface DirectoryEntry {
  /** The same key as among the loose ends. */
  key: string;
  name: string;
  /** Role of a colleague, firm of a contact. */
  detail: string;
  /** null for a contact. */
  personId: string | null;
  numbers: readonly { label: string; number: string }[];
}

/** Colleagues and contacts in one list, by name; the worker is left out. */
export function directoryOf(
  office: OfficeIndex,
  contacts: readonly Contact[],
  myId: string | null,
): DirectoryEntry[] {
  const colleagues = office.setup.people
    .filter(({ id }) => id !== myId)
    .map(({ id, name, role, extension }) => ({
      key: `person:${id}`,
      name,
      detail: role,
      personId: id,
      numbers: [{ label: 'extension', number: extension }],
    }));
  const outside = contacts.map(({ id, name, firm, numbers }) => ({
    key: `contact:${id}`,
    name,
    detail: firm ?? '',
    personId: null,
    numbers,
  }));
  return [...colleagues, ...outside].sort((a, b) => byName(a.name, b.name) || (a.key < b.key ? -1 : 1));
}

const { compare: byName } = new Intl.Collator('en', { sensitivity: 'base', numeric: true });

export type DirectoryRow = { kind: 'letter'; letter: string } | { kind: 'entry'; entry: DirectoryEntry };

/** The entries under the letters they begin with, accents folded; all that begins with no letter under "#". */
export function underLetters(entries: readonly DirectoryEntry[]): DirectoryRow[] {
  const byLetter = new Map<string, DirectoryEntry[]>();
  for (const entry of entries) {
    const letter = letterOf(entry.name);
    const group = byLetter.get(letter);
    if (group) group.push(entry);
    else byLetter.set(letter, [entry]);
  }
  const letters = [...byLetter.keys()].sort(
    (a, b) => Number(a === NO_LETTER) - Number(b === NO_LETTER) || byName(a, b),
  );
  return letters.flatMap((letter): DirectoryRow[] => [
    { kind: 'letter', letter },
    ...(byLetter.get(letter) ?? []).map((entry) => ({ kind: 'entry' as const, entry })),
  ]);
}

const NO_LETTER = '#';

function letterOf(name: string): string {
  const first = name.trim().normalize('NFKD').charAt(0).toUpperCase();
  return /\p{L}/u.test(first) ? first : NO_LETTER;
}

/** The favourites in the worker's own order; those that are there no more are left out. */
export function favouritesOf(entries: readonly DirectoryEntry[], keys: readonly string[]): DirectoryEntry[] {
  const byKey = new Map(entries.map((entry) => [entry.key, entry]));
  return keys.flatMap((key) => byKey.get(key) ?? []);
}

/** The favourites with one moved up or down a place; as they were where there is no further place. */
export function movedFavourite(keys: readonly string[], key: string, by: 1 | -1): string[] {
  const from = keys.indexOf(key);
  const to = from + by;
  if (from < 0 || to < 0 || to >= keys.length) return [...keys];
  return keys.toSpliced(from, 1).toSpliced(to, 0, key);
}
