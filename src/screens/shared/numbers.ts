import { interpretDialled, isDialable, isExternal, ukOfficePlan } from '@/core/numbering';
import { explainNotDialable } from '@/state/app';

/** What was typed as it is taken, or what is wrong with it. */
export type ReadNumber = { ok: true; number: string } | { ok: false; sentence: string };

/** A number outside that can ring, as E.164. */
export function outsideNumber(text: string): ReadNumber {
  const dialled = interpretDialled(text, ukOfficePlan);
  if (dialled.kind === 'invalid') return { ok: false, sentence: explainNotDialable(dialled.reason) };
  return isExternal(dialled)
    ? { ok: true, number: dialled.e164 }
    : { ok: false, sentence: 'That is not a number outside the office that can ring.' };
}

/** Anything that can be dialled, as it was typed. */
export function dialableNumber(text: string): ReadNumber {
  const dialled = interpretDialled(text, ukOfficePlan);
  if (dialled.kind === 'invalid') return { ok: false, sentence: explainNotDialable(dialled.reason) };
  return isDialable(dialled)
    ? { ok: true, number: text.trim() }
    : { ok: false, sentence: explainNotDialable({ code: 'empty' }) };
}
