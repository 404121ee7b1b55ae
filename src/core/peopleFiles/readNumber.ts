import { interpretDialled, isExternal, ukOfficePlan } from '../numbering';

export type ReadNumber = { ok: true; number: string } | { ok: false; sentence: string };

/** A number as somebody wrote it into a card or table, as E.164. */
export function readNumber(written: string): ReadNumber {
  const dialled = interpretDialled(written, ukOfficePlan);
  if (dialled.kind !== 'invalid' && isExternal(dialled)) return { ok: true, number: dialled.e164 };
  return { ok: false, sentence: `“${written.slice(0, 40)}” is no telephone number outside the office.` };
}
