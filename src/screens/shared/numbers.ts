import { interpretDialled, isDialable, isExternal, ukOfficePlan, type Dialled } from '@/core/numbering';
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

/** What was typed may be a name: it holds letters, and is no link. What begins like a number is never a scrap of one. */
export const isName = (dialled: Dialled): boolean =>
  dialled.kind === 'invalid' && dialled.reason.code === 'letters';

/** Why Enter calls nobody for what was typed. */
export function whyNobody(dialled: Dialled, isSeveral: boolean): string {
  if (isSeveral) return 'That may be several people: tap the one you mean.';
  if (dialled.kind === 'invalid') return explainNotDialable(dialled.reason);
  return explainNotDialable({ code: dialled.kind === 'withheld' ? 'withheld' : 'empty' });
}
