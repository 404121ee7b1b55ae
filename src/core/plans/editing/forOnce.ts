import { freeRuleId, type OfficeIndex, type RingPlan, type RingRule, type RingTarget } from '@/core/setup';
import { insertFirst } from './beginning';
import { list, targetWords } from './sentences';

const usualSeconds = 25;

/** A stretch of time, epoch milliseconds; `until` not included. */
interface Span {
  from: number;
  until: number;
}

/** The plan with a rule by which these ring together in that stretch, before all that would keep them from it. */
export function ringForOnce(
  plan: RingPlan,
  office: OfficeIndex,
  targets: readonly RingTarget[],
  span: Span,
): { plan: RingPlan; ruleId: string } {
  const ruleId = freeRuleId(plan);
  const names = list(targets.map((target) => targetWords(target, office, plan.personId)));
  const rule: RingRule = {
    id: ruleId,
    name: `${names.charAt(0).toUpperCase()}${names.slice(1)}, once`,
    lineIds: [],
    when: { spans: [span] },
    stages: [{ targets: [...targets], length: { seconds: usualSeconds } }],
    finish: { kind: 'mailbox', personId: plan.personId },
  };
  return { plan: insertFirst(plan, rule, office), ruleId };
}

/** Numbers outside that a plan names anywhere, each once. */
export function numbersOf({ rules, findMe = [] }: RingPlan): string[] {
  const targets = [...rules.flatMap(({ stages }) => stages.flatMap((stage) => stage.targets)), ...findMe];
  return [...new Set(targets.flatMap((target) => ('number' in target ? [target.number] : [])))];
}
