import { misfits } from '@/core/calls/history';
import { describeFinish, targetName, type OfficeIndex } from '@/core/setup';
import type { RouteTrace } from '@/core/plans/routing';

/** "at once", or after which second where do not disturb lets callers hear ringing. */
export const atOnceWords = ({ finishSeconds }: RouteTrace) =>
  finishSeconds > 0 ? `after ${finishSeconds} s` : 'at once';

/** What rings in which seconds, and where it ends, in one sentence. */
export function ringsWords(trace: RouteTrace, office: OfficeIndex, readerId?: string): string {
  if (trace.legs.length === 0)
    return `Nothing rings: ${atOnceWords(trace)} ${describeFinish(trace.finish, office, readerId)}.`;
  const parts = trace.legs.map(
    (leg) => `${targetName(leg, office, readerId)} ${leg.fromSeconds}–${leg.toSeconds} s`,
  );
  return `${parts.join(', ')}; then ${describeFinish(trace.finish, office, readerId)}.`;
}

/** The rule that a call goes by; null where none decided. */
export const takenRuleId = ({ steps }: RouteTrace): string | null =>
  steps.find((step) => step.kind === 'ruleTaken')?.ruleId ?? null;

/** Why a rule is not for the asked call, in a word; nothing was asked of rules behind the one that was taken. */
export function misfitWords(ruleId: string, trace: RouteTrace): string {
  const step = trace.steps.find((each) => each.kind === 'ruleSkipped' && each.ruleId === ruleId);
  if (step?.kind === 'ruleSkipped') return `Not this call: ${misfits[step.reason]}`;
  return trace.steps.some(({ kind }) => kind === 'ruleTaken')
    ? 'Not this call: one before it has taken it'
    : 'Not this call: no rule was asked';
}
