import { distance } from 'fastest-levenshtein';

import { plainly } from '@/core/shared/textSearch';
import type { Field, Fields } from '@/core/people/contacts';

/** Somebody who may be there twice. */
export type Person = Pick<Fields, 'name' | 'firm' | 'numbers' | 'mails' | 'places' | 'note'> & { id: string };

export interface AlikeReason {
  kind: 'number' | 'mail' | 'name';
  /** The number or mail both have; of names, the firm both belong to (null: neither names one). */
  value: string | null;
}

/** Two who seem to be one: why, and in what they differ. */
export interface Alike {
  ids: [string, string];
  reasons: AlikeReason[];
  differs: Field[];
}

/** A number or mail that more have than this is a firm's, not a person's. */
const mostSharing = 3;
/** Within a firm, names are compared with so many that follow in order. */
const window = 40;

export const pairOf = (a: string, b: string): string => (a < b ? `${a}|${b}` : `${b}|${a}`);

/**
 * Pairs that are probably one person, the surest first: the same number or mail (where no more than three share it), or
 * names that agree (also by initials, in another order, or but for a slip) at the same firm.
 *
 * @param apart pairs (see pairOf) of which the worker said that they are two
 */
export function findAlike(people: readonly Person[], apart: ReadonlySet<string>): Alike[] {
  const pairs = new Map<string, Alike>();
  const propose = (a: Person, b: Person, reason: AlikeReason) => {
    if (a.id === b.id) return;
    const pair = pairOf(a.id, b.id);
    if (apart.has(pair)) return;
    const known = pairs.get(pair);
    if (known) known.reasons.push(reason);
    else pairs.set(pair, { ids: [a.id, b.id], reasons: [reason], differs: differencesOf(a, b) });
  };
  eachSharing(
    people,
    ({ numbers }) => numbers.map(({ number, tail }) => `${number}${tail ?? ''}`),
    (a, b, value) => propose(a, b, { kind: 'number', value }),
  );
  eachSharing(
    people,
    ({ mails }) => mails.map(plainly),
    (a, b, value) => propose(a, b, { kind: 'mail', value }),
  );
  eachOfFirm(people, (a, b) => {
    if (isSameName(a.words, b.words)) propose(a.person, b.person, { kind: 'name', value: a.person.firm });
  });
  return [...pairs.values()].sort((a, b) => b.reasons.length - a.reasons.length);
}

function eachSharing(
  people: readonly Person[],
  valuesOf: (person: Person) => string[],
  visit: (a: Person, b: Person, value: string) => void,
): void {
  const having = new Map<string, Person[]>();
  for (const person of people)
    for (const value of new Set(valuesOf(person))) {
      const others = having.get(value);
      if (others) others.push(person);
      else having.set(value, [person]);
    }
  for (const [value, sharing] of having) {
    if (sharing.length < 2 || sharing.length > mostSharing) continue;
    sharing.forEach((a, at) => sharing.slice(at + 1).forEach((b) => visit(a, b, value)));
  }
}

interface Named {
  person: Person;
  words: string[];
  key: string;
}

/** Pairs of one firm that stand near each other by any of their name's words. */
function eachOfFirm(people: readonly Person[], visit: (a: Named, b: Named) => void): void {
  const byFirm = new Map<string, Named[]>();
  for (const person of people) {
    const firm = nameWords(person.firm ?? '').join(' ');
    const words = nameWords(person.name);
    // Each word leads once, so that "Anstey Peg" and "Peg Anstey" stand together.
    const named = words.map((word) => ({ person, words, key: word }));
    const others = byFirm.get(firm);
    if (others) others.push(...named);
    else byFirm.set(firm, named);
  }
  for (const named of byFirm.values()) {
    named.sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0));
    const seen = new Set<string>();
    named.forEach((a, at) => {
      for (const b of named.slice(at + 1, at + 1 + window)) {
        // Beyond the same two letters nothing near is alike.
        if (b.key.slice(0, 2) !== a.key.slice(0, 2)) break;
        const pair = pairOf(a.person.id, b.person.id);
        if (a.person.id === b.person.id || seen.has(pair)) continue;
        seen.add(pair);
        visit(a, b);
      }
    });
  }
}

const nameWords = (name: string) =>
  plainly(name)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/** Whether two names may be one person's: the same words in any order, initials for some of them, or a slip or two. */
export function isSameName(a: readonly string[], b: readonly string[]): boolean {
  if (a.length === 0 || b.length === 0) return false;
  if (fits(a, b) || fits(b, a)) return true;
  return hasOneSlip(a, b);
}

/** All words but one are the same, and that one is long enough to be mistyped ("Anstey", "Ansty"; not "Ann", "Ben"). */
function hasOneSlip(a: readonly string[], b: readonly string[]): boolean {
  if (a.length !== b.length || a.length < 2) return false;
  const apart = a.flatMap((word, at) => (word === b[at] ? [] : [[word, b[at] ?? ''] as const]));
  const [pair] = apart;
  if (!pair || apart.length > 1) return false;
  const length = Math.min(pair[0].length, pair[1].length);
  return length >= 4 && !/\d/.test(pair.join('')) && distance(...pair) <= (length < 8 ? 1 : 2);
}

/** Each word of the shorter is a word of the longer, or the beginning letter of one; two at least are there in full or by it. */
function fits(short: readonly string[], long: readonly string[]): boolean {
  if (short.length > long.length) return false;
  const left = [...long];
  let whole = 0;
  for (const word of short) {
    const at = left.findIndex((each) => each === word || (word.length === 1 && each.startsWith(word)));
    if (at < 0) return false;
    if (left[at] === word && word.length > 1) whole++;
    left.splice(at, 1);
  }
  return whole > 0 && (short.length > 1 || long.length === 1);
}

const compared: readonly Field[] = ['name', 'firm', 'numbers', 'mails', 'places', 'note'];

function differencesOf(a: Person, b: Person): Field[] {
  return compared.filter((field) => {
    const [one, other] = [a[field as keyof Person], b[field as keyof Person]];
    return JSON.stringify(one) !== JSON.stringify(other);
  });
}
