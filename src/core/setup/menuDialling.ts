import type { OfficeIndex } from './OfficeIndex';

/** The office's extensions that begin so. */
export function extensionsFrom({ setup }: OfficeIndex, digits: string): string[] {
  const { people, teams, menus, conferences } = setup;
  return [...people, ...teams, ...menus, ...conferences]
    .map(({ extension }) => extension)
    .filter((each) => each.startsWith(digits));
}

/** The extensions of the people one of whose names, or all of them in a row, begins with those letters of a keypad (ITU-T E.161). */
export function spelledBy({ setup }: OfficeIndex, digits: string): string[] {
  return setup.people
    .filter(({ name }) => {
      const words = asLetters(name).split(/\s+/);
      return [...words, words.join('')].some((word) => asDigits(word).startsWith(digits));
    })
    .map(({ extension }) => extension);
}

/** Small, and without accents. */
const asLetters = (name: string) => name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

const keysOfLetters = ['abc', 'def', 'ghi', 'jkl', 'mno', 'pqrs', 'tuv', 'wxyz'];
const asDigits = (word: string) =>
  [...word]
    .map((letter) => {
      const at = keysOfLetters.findIndex((letters) => letters.includes(letter));
      return at < 0 ? '' : String(at + 2);
    })
    .join('');
