import type { OfficeIndex } from '../office';
import type { Contact } from './contact';

/** Somebody, or a team, who can be called, under one of their numbers (E.164 or an extension). */
export interface Reachable {
  kind: 'colleague' | 'team' | 'contact';
  id: string;
  name: string;
  /** Role of a colleague, firm of a contact, what a team is. */
  detail: string | null;
  label: string;
  number: string;
}

interface Entry extends Reachable {
  words: readonly string[];
  /** The words as they would be typed on the keypad. */
  keypadWords: readonly string[];
  digits: string;
}

const keypad = ['', '', 'abc', 'def', 'ghi', 'jkl', 'mno', 'pqrs', 'tuv', 'wxyz'];
const keyOfLetter = new Map(
  keypad.flatMap((letters, key) => [...letters].map((letter) => [letter, String(key)])),
);

/** Colleagues and contacts, found by number, by any part of a name, and by keypad letters (ITU-T E.161). */
export class PeopleIndex {
  private readonly entries: Entry[];
  private readonly byNumber: Map<string, Entry>;

  constructor(office: OfficeIndex, contacts: readonly Contact[]) {
    const colleagues = office.setup.people.map((person) =>
      toEntry({
        kind: 'colleague',
        id: person.id,
        name: person.name,
        detail: person.role,
        label: 'extension',
        number: person.extension,
      }),
    );
    const teams = office.setup.teams.map(({ id, name, extension, memberIds }) =>
      toEntry({
        kind: 'team',
        id,
        name,
        detail: `team of ${memberIds.length}`,
        label: 'extension',
        number: extension,
      }),
    );
    const outside = contacts.flatMap(({ id, name, firm, numbers }) =>
      numbers.map(({ label, number }) => toEntry({ kind: 'contact', id, name, detail: firm, label, number })),
    );
    this.entries = [...colleagues, ...teams, ...outside];
    this.byNumber = new Map(this.entries.map((entry) => [entry.number, entry]));
  }

  /** Whose number it is; null for one nobody knows, and for a withheld one. */
  whoHas(number: string | null): Reachable | null {
    return (number !== null && this.byNumber.get(number)) || null;
  }

  /**
   * Who is meant by what has been typed so far, colleagues and teams first: word beginnings in any order ("pe an"), digits
   * anywhere in a number, or keypad keys for the beginning of a word.
   */
  find(text: string, most = 20): Reachable[] {
    const asked = wordsOf(text);
    if (asked.length === 0) return [];
    const digits = text.replace(/\D/g, '').replace(/^0/, '');
    const isNumber = /^[\d\s+().-]+$/.test(text);
    const matches = (entry: Entry) =>
      isNumber
        ? (digits !== '' && entry.digits.includes(digits)) ||
          entry.keypadWords.some((word) => word.startsWith(digits))
        : asked.every((part) => entry.words.some((word) => word.startsWith(part)));
    return this.entries.filter(matches).slice(0, most);
  }
}

function toEntry(reachable: Reachable): Entry {
  const words = wordsOf(`${reachable.name} ${reachable.detail ?? ''}`);
  const keypadWords = words.map((word) =>
    [...word].map((letter) => keyOfLetter.get(letter) ?? letter).join(''),
  );
  return { ...reachable, words, keypadWords, digits: reachable.number.replace(/\D/g, '') };
}

/** Lower-case words without accents. */
function wordsOf(text: string): string[] {
  const plain = text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
  return plain.split(/[^\p{L}\p{N}]+/u).filter(Boolean);
}
