import { misfits } from '@/core/history';
import { describeFinish, targetName, type OfficeIndex } from '@/core/office';
import type { RouteTrace } from '@/core/routing';

/** What rings in which seconds, and where it ends, in one sentence. */
export function ringsWords(trace: RouteTrace, office: OfficeIndex, readerId?: string): string {
  if (trace.legs.length === 0)
    return `Nothing rings: at once ${describeFinish(trace.finish, office, readerId)}.`;
  const parts = trace.legs.map(
    (leg) => `${targetName(leg, office, readerId)} ${leg.fromSeconds}–${leg.toSeconds} s`,
  );
  return `${parts.join(', ')}; then ${describeFinish(trace.finish, office, readerId)}.`;
}

/** Why a rule is not for the asked call, in a word; nothing was asked of rules behind the one that was taken. */
export function misfitWords(ruleId: string, trace: RouteTrace): string {
  const step = trace.steps.find((each) => each.kind === 'ruleSkipped' && each.ruleId === ruleId);
  if (step?.kind === 'ruleSkipped') return `Not this call: ${misfits[step.reason]}`;
  return trace.steps.some(({ kind }) => kind === 'ruleTaken')
    ? 'Not this call: one before it has taken it'
    : 'Not this call: no rule was asked';
}
