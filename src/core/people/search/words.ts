import { plainly } from '@/core/shared/textSearch';
import { leastInside } from './worth';

/** Lower-case words without accents; an apostrophe parts no word ("O’Hara" is found by "ohara"). */
export function wordsOf(text: string): string[] {
  const plain = plainly(text).replace(/['’ʼ]/g, '');
  // Most words anywhere are ASCII, for which the quicker pattern does.
  return plain.split(isAscii.test(plain) ? /[^a-z0-9]+/ : /[^\p{L}\p{N}]+/u).filter(Boolean);
}

const isAscii = /^[\x00-\x7f]*$/;

/** The letters of each key (ITU-T E.161). */
const keypad = ['', '', 'abc', 'def', 'ghi', 'jkl', 'mno', 'pqrs', 'tuv', 'wxyz'];
const keyOfLetter = new Map(
  keypad.flatMap((letters, key) => [...letters].map((letter) => [letter, String(key)])),
);

/** A word as it would be typed on the keypad. */
export function keysOf(word: string): string {
  let keys = '';
  for (const letter of word) keys += keyOfLetter.get(letter) ?? letter;
  return keys;
}

/** Digits, and where in a number they are sought: in its E.164 form, or an extension. */
export interface TypedDigits {
  digits: string;
  where: 'anywhere' | 'begin' | 'end';
}

/** What has been typed so far, as what it may mean. */
export interface Typed {
  /** Every one of them has to be found; empty where a number was typed. */
  words: string[];
  /** Ways the typed digits stand in an E.164 number or an extension. */
  digits: TypedDigits[];
  /** The keys of a name; null where it can be none. */
  keys: string | null;
}

/**
 * Digits in any writing ("(0131) 496.0142 ext 42", "00 44 131", "tel:+44…", the last four) are a number and may be keypad
 * letters; all else are words.
 */
export function readTyped(text: string): Typed {
  const number = /^\s*(?:tel:)?\s*(\+?[\d\s()./-]+)(?:(?:;?ext?[.=\s]|x|,|;|p|w)[\d\s=,;pw#*]*)?$/i.exec(
    text,
  )?.[1];
  const digits = number?.replace(/\D/g, '') ?? '';
  if (number === undefined || digits === '') return { words: wordsOf(text), digits: [], keys: null };
  const keys = /^[2-9\s]+$/.test(text) && digits.length > 1 ? digits : null;
  return { words: [], digits: number.trim().startsWith('+') ? [begin(digits)] : placesOf(digits), keys };
}

const begin = (digits: string): TypedDigits => ({ digits, where: 'begin' });

/** "0131" begins "44131…" in E.164 (UK), and "0044131" too; and "0142" may be the end of a number. */
function placesOf(digits: string): TypedDigits[] {
  if (!digits.startsWith('0')) return [{ digits, where: 'anywhere' }];
  const outside = digits.startsWith('00') ? digits.slice(2) : `44${digits.slice(1)}`;
  const asNumber = outside === '' ? [] : [begin(outside)];
  return digits.length < leastInside ? asNumber : [...asNumber, { digits, where: 'end' }];
}
