/** Something that was said or written, with all its words. */
export interface Findable<T> {
  item: T;
  text: string;
}

const folded = new Map<string, string>();
/** Texts come again at each key that is typed. */
const mostFolded = 300_000;

/** Letters that are no base letter with an accent, as they are written without. */
const plainLetters: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ı: 'i',
};

/** Lower case, without accents. */
export function plainly(text: string): string {
  const lower = text.toLowerCase();
  if (/^[\x00-\x7f]*$/.test(lower)) return lower;
  return lower
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[ßæœøłđðþı]/g, (letter) => plainLetters[letter] ?? letter);
}

/** The same, remembered: how words are compared that are looked through at each key. */
export function fold(text: string): string {
  const known = folded.get(text);
  if (known !== undefined) return known;
  const plain = plainly(text);
  if (folded.size >= mostFolded) folded.clear();
  folded.set(text, plain);
  return plain;
}

/**
 * The first items, in the order given, that have every word that was typed somewhere in their text: "gate code" finds
 * "the gate code is 4120" and "code for the gate". Digits are also found in numbers written with spaces.
 */
export function findWords<T>(typed: string, all: Iterable<Findable<T>>, most: number): T[] {
  const words = fold(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const digits = /^[\d\s+()-]{3,}$/.test(typed) ? typed.replace(/\D/g, '').replace(/^0/, '') : null;
  const found: T[] = [];
  for (const { item, text } of all) {
    const plain = fold(text);
    const isFound =
      words.every((word) => plain.includes(word)) ||
      (digits !== null && digits !== '' && plain.replace(/[\s()-]/g, '').includes(digits));
    if (!isFound) continue;
    found.push(item);
    if (found.length >= most) break;
  }
  return found;
}
