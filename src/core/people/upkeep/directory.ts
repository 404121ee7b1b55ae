import { plainly } from '@/core/shared/textSearch';
import type { OfficeIndex } from '@/core/setup';
import type { ContactNumber, JoinedContact } from '@/core/people/contacts';

/** Somebody in the directory, once however many numbers they have. */
export interface DirectoryEntry {
  /** The same key as among the loose ends. */
  key: string;
  name: string;
  /** Role of a colleague, firm of a contact. */
  detail: string;
  /** null for a contact. */
  personId: string | null;
  numbers: readonly ContactNumber[];
  /** The worker's own and the sources' groups; of a colleague, their teams. */
  groups: readonly string[];
  /** Under which they stand: the first of their name, accents folded; "#" where that is no letter. */
  letter: string;
}

/** Each contact's entry, with the key it is sorted by: made once. */
const entries = new WeakMap<JoinedContact, Sorted>();

export interface Sorted {
  entry: DirectoryEntry;
  order: string;
}

/** Colleagues and contacts in one list, by name; the worker is left out. */
export function directoryOf(
  office: OfficeIndex,
  contacts: readonly JoinedContact[],
  myId: string | null,
): DirectoryEntry[] {
  const colleagues = office.setup.people
    .filter(({ id }) => id !== myId)
    .map(({ id, name, role, extension }) =>
      sorted({
        key: `person:${id}`,
        name,
        detail: role,
        personId: id,
        numbers: [{ label: 'extension', number: extension }],
        groups: office.setup.teams.flatMap((team) => (team.memberIds.includes(id) ? [team.name] : [])),
      }),
    );
  const all = [...colleagues, ...contacts.map(entryOf)];
  // Plain comparison of keys made beforehand: a collator would take half a second for 50,000 names.
  all.sort((a, b) => (a.order < b.order ? -1 : a.order > b.order ? 1 : a.entry.key < b.entry.key ? -1 : 1));
  return all.map(({ entry }) => entry);
}

/** Made beforehand, a directory of thousands opens at once. */
export function entryOf(contact: JoinedContact): Sorted {
  const known = entries.get(contact);
  if (known) return known;
  const { id, name, firm, numbers, groups } = contact;
  const made = sorted({ key: `contact:${id}`, name, detail: firm ?? '', personId: null, numbers, groups });
  entries.set(contact, made);
  return made;
}

/** Accents and case folded, numbers by their size: "Mill 2" before "Mill 10". */
function sorted(given: Omit<DirectoryEntry, 'letter'>): Sorted {
  const plain = plainly(given.name.trim());
  const order = /\d/.test(plain) ? plain.replace(/\d+/g, (digits) => digits.padStart(8, '0')) : plain;
  return { entry: { ...given, letter: letterOf(plain) }, order };
}

export type DirectoryRow =
  { kind: 'head'; id: string; word: string } | { kind: 'entry'; entry: DirectoryEntry; id: string };

/** The entries under the letters they begin with, accents folded; all that begins with no letter under "#". */
export function underLetters(all: readonly DirectoryEntry[]): DirectoryRow[] {
  return under(
    all,
    ({ letter }) => [letter],
    (letter) => (letter === noLetter ? '\uffff' : letter),
  );
}

/** The entries under each of their groups; who is in none is not there. */
export function underGroups(all: readonly DirectoryEntry[]): DirectoryRow[] {
  return under(all, ({ groups }) => [...new Set(groups)], plainly);
}

function under(
  all: readonly DirectoryEntry[],
  headsOf: (entry: DirectoryEntry) => readonly string[],
  orderOf: (head: string) => string,
): DirectoryRow[] {
  const byHead = new Map<string, DirectoryEntry[]>();
  for (const entry of all)
    for (const head of headsOf(entry)) {
      const those = byHead.get(head);
      if (those) those.push(entry);
      else byHead.set(head, [entry]);
    }
  const heads = [...byHead.keys()].sort((a, b) => (orderOf(a) < orderOf(b) ? -1 : 1));
  return heads.flatMap((word): DirectoryRow[] => [
    { kind: 'head', id: `head ${word}`, word },
    ...(byHead.get(word) ?? []).map((entry) => ({
      kind: 'entry' as const,
      entry,
      id: `${word} ${entry.key}`,
    })),
  ]);
}

const noLetter = '#';

function letterOf(plain: string): string {
  const first = plain.charAt(0);
  if (first >= 'a' && first <= 'z') return first.toUpperCase();
  const folded = plainly(first.normalize('NFKD')).charAt(0).toUpperCase();
  return /\p{L}/u.test(folded) ? folded : noLetter;
}

/** The favourites in the worker's own order; those that are there no more are left out. */
export function favouritesOf(all: readonly DirectoryEntry[], keys: readonly string[]): DirectoryEntry[] {
  const byKey = new Map(all.map((entry) => [entry.key, entry]));
  return keys.flatMap((key) => byKey.get(key) ?? []);
}

/** The favourites with one moved up or down a place; as they were where there is no further place. */
export function movedFavourite(keys: readonly string[], key: string, by: 1 | -1): string[] {
  const from = keys.indexOf(key);
  const to = from + by;
  if (from < 0 || to < 0 || to >= keys.length) return [...keys];
  return keys.toSpliced(from, 1).toSpliced(to, 0, key);
}
