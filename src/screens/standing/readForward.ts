import { readWhen } from '@/core/shared/parseTime';
import type { ForwardAll, OfficeIndex } from '@/core/setup';

import { forwardableNumber, forwardTo, type ReadNumber } from '../shared/numbers';

export type Where = 'mailbox' | 'colleague' | 'number';
export type ForwardErrors = Partial<Record<'where' | 'from' | 'until', string>>;

interface Typed {
  where: Where | null;
  extension: string;
  number: string;
  /** Without a key, where one could be asked for. */
  isPlain: boolean;
  from: string;
  until: string;
}

/** The forward as it is typed; null, with what is wrong at its place, where it is none. */
export function readForward(
  { where, extension, number, isPlain, from, until }: Typed,
  at: number,
  office: OfficeIndex,
  myId: string,
): { forward: ForwardAll | null; errors: ForwardErrors } {
  const { zone } = office.setup;
  const errors: ForwardErrors = {};
  const target = readTarget({ where, extension, number }, office, myId);
  if (!target.ok) errors.where = target.sentence;
  const start = from.trim() === '' ? { ok: true as const, at } : readWhen(from, at, zone);
  if (!start.ok) errors.from = start.sentence;
  const stop = until.trim() === '' ? null : readWhen(until, start.ok ? start.at : at, zone);
  if (stop && !stop.ok) errors.until = stop.sentence;
  else if (stop && start.ok && stop.at <= start.at) errors.until = 'It ends before it begins.';
  if (!target.ok || !start.ok || (stop && !stop.ok) || errors.until) return { forward: null, errors };
  const to =
    where === 'mailbox'
      ? { kind: 'mailbox' as const, personId: myId }
      : isPlain
        ? { kind: 'forward' as const, to: target.number }
        : forwardTo(target.number, office.plan);
  return { forward: { to, from: start.at, until: stop?.at ?? null }, errors };
}

/** What is dialled; for the mailbox, nothing. */
function readTarget(
  { where, extension, number }: Pick<Typed, 'where' | 'extension' | 'number'>,
  office: OfficeIndex,
  myId: string,
): ReadNumber {
  if (where === null) return { ok: false, sentence: 'Choose where everything goes.' };
  if (where === 'number') return forwardableNumber(number, office, myId);
  if (where === 'colleague' && extension === '') return { ok: false, sentence: 'Choose whom.' };
  return { ok: true, number: extension };
}
