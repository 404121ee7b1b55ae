import { whyNotCalled, type OfficeSetup } from '@/core/setup';

/** The number at which whoever waits can be called in their turn; null where it is withheld, or the office never calls such numbers. */
export const callBackNumber = (setup: OfficeSetup, number: string | null): string | null =>
  number !== null && whyNotCalled(setup, number, { personId: null, at: null }) === null ? number : null;
