import { barredWhy } from '@/core/calls/exchange';
import {
  interpretDialled,
  isDialable,
  isExternal,
  takesTexts,
  type Dialled,
  type NumberingPlan,
} from '@/core/numbers/numbering';
import type { Finish, OfficeIndex } from '@/core/setup';
import { explainNotDialable } from '@/state/app';

/** What was typed as it is taken, or what is wrong with it. */
export type ReadNumber = { ok: true; number: string } | { ok: false; sentence: string };

/** A number outside that can ring, as E.164. */
export function outsideNumber(text: string, plan: NumberingPlan): ReadNumber {
  const dialled = interpretDialled(text, plan);
  if (dialled.kind === 'empty') return { ok: false, sentence: explainNotDialable({ code: 'empty' }) };
  if (dialled.kind === 'invalid') return { ok: false, sentence: explainNotDialable(dialled.reason) };
  return isExternal(dialled)
    ? { ok: true, number: dialled.e164 }
    : { ok: false, sentence: 'That is not a number outside the office that can ring.' };
}

/** Anything that can be dialled, as it was typed. */
export function dialableNumber(text: string, plan: NumberingPlan): ReadNumber {
  const dialled = interpretDialled(text, plan);
  if (dialled.kind === 'invalid') return { ok: false, sentence: explainNotDialable(dialled.reason) };
  return isDialable(dialled)
    ? { ok: true, number: text.trim() }
    : { ok: false, sentence: explainNotDialable({ code: 'empty' }) };
}

/** Where calls can be forwarded to by somebody's plan: what can be dialled, unless the office bars it at any time. */
export function forwardableNumber(text: string, office: OfficeIndex, personId: string): ReadNumber {
  const read = dialableNumber(text, office.plan);
  if (!read.ok) return read;
  if (interpretDialled(text, office.plan).kind === 'emergency')
    return { ok: false, sentence: 'Calls can’t be forwarded to an emergency number.' };
  const why = barredWhy(office, text, { personId, at: null });
  return why === null
    ? read
    : { ok: false, sentence: `This office doesn’t call ${why}, or forward to them.` };
}

/** A forward there; a mobile's own mailbox would take calls, so that whoever lifts it is asked for a key. */
export function forwardTo(to: string, plan: NumberingPlan): Extract<Finish, { kind: 'forward' }> {
  const dialled = interpretDialled(to, plan);
  const isMobile = isExternal(dialled) && takesTexts(dialled.e164);
  return { kind: 'forward', to, ...(isMobile && { acceptKey: true }) };
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
