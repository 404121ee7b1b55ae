import { interpretDialled, isExternal, type NumberingPlan } from '@/core/numbers/numbering';
import type { ContactNumber } from './contact';

export type ReadNumber =
  { ok: true; number: Pick<ContactNumber, 'number' | 'tail'> } | { ok: false; sentence: string };

/** A number as somebody wrote it into a card or table, as E.164, with its extension or what is sent after the answer. */
export function readNumber(written: string, plan: NumberingPlan): ReadNumber {
  const dialled = interpretDialled(written, plan);
  if (dialled.kind === 'invalid' || !isExternal(dialled))
    return {
      ok: false,
      sentence: `“${written.slice(0, 40)}” is not a phone number outside the office.`,
    };
  const { e164, extension, postDial } = dialled;
  const tail = `${extension ? `;ext=${extension}` : ''}${postDial ? `;postd=${postDial}` : ''}`;
  return { ok: true, number: { number: e164, ...(tail !== '' && { tail }) } };
}
