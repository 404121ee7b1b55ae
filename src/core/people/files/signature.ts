import type { Fields } from '@/core/people/contacts';

/** The same for two who are told of alike, in whatever order; photos, and what was not understood, do not count. */
export function signatureOf({ name, firm, numbers, mails, places, groups, note }: Fields): string {
  const written = numbers.map(({ label, number, tail }) => `${number} ${tail ?? ''} ${label}`);
  return JSON.stringify([name, firm, written.sort(), sorted(mails), sorted(places), sorted(groups), note]);
}

const sorted = (words: readonly string[]) => [...words].sort();
