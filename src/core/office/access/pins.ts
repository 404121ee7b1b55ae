import { formatNumber } from '@/core/numbers/numbering';
import type { OfficeIndex } from '@/core/setup';
import { weaknessOf } from '@/core/shared/pins';

/** Why that PIN would be guessed soon by who knows that person's numbers; null where it would not. */
export function weaknessFor(pin: string, personId: string, office: OfficeIndex): string | null {
  const lines = office.setup.lines.filter(({ ownerId }) => ownerId === personId);
  const extension = office.people.get(personId)?.extension;
  return weaknessOf(pin, [
    ...(extension === undefined ? [] : [extension]),
    ...lines.map(({ number }) => formatNumber(number, office.plan)),
  ]);
}

/** So many wrong ones are let through without a pause. */
export const freeTries = 5;
const firstPauseMs = 30_000;
const longestPauseMs = 3_600_000;

/** How long no further PIN is looked at after so many wrong ones, one after the other: 30 s after the fifth, twice that after each further, at most an hour. */
export const pauseAfter = (wrong: number): number =>
  wrong < freeTries ? 0 : Math.min(longestPauseMs, firstPauseMs * 2 ** (wrong - freeTries));
