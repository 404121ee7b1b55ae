import type { Finish, RingPlan, RingRule, RingStage, RingTarget } from '@/core/setup';
import type { TraceLeg } from '@/core/plans/routing';

/** The plan with one rule changed. */
export function withRule(plan: RingPlan, ruleId: string, change: (rule: RingRule) => RingRule): RingPlan {
  return { ...plan, rules: plan.rules.map((rule) => (rule.id === ruleId ? change(rule) : rule)) };
}

/** The plan with every finish changed, those of forwards too. */
export function withFinishes(plan: RingPlan, change: (finish: Finish) => Finish): RingPlan {
  return {
    ...plan,
    rules: plan.rules.map((rule) => ({
      ...rule,
      finish: change(rule.finish),
      ...(rule.busyFinish && { busyFinish: change(rule.busyFinish) }),
      ...(rule.unreachableFinish && { unreachableFinish: change(rule.unreachableFinish) }),
      ...(rule.refusedFinish && { refusedFinish: change(rule.refusedFinish) }),
    })),
    ...(plan.forwards && { forwards: plan.forwards.map((each) => ({ ...each, to: change(each.to) })) }),
  };
}

/** The rule with one of its stages changed. */
export function withStage(rule: RingRule, stage: number, change: (stage: RingStage) => RingStage): RingRule {
  return { ...rule, stages: rule.stages.map((each, index) => (index === stage ? change(each) : each)) };
}

/** The targets of a stage that make this leg ring, each changed, or left out where null is given back. */
export function withTargets(
  stage: RingStage,
  rings: (target: RingTarget) => boolean,
  change: (target: RingTarget) => RingTarget | null,
): RingStage {
  return {
    ...stage,
    targets: stage.targets.flatMap((target) => (rings(target) ? (change(target) ?? []) : [target])),
  };
}

/** Whether the target is what made the leg ring by itself, and not as one of a team's. */
export const namesLeg = (leg: Pick<TraceLeg, 'deviceId' | 'number'>) => (target: RingTarget) =>
  ('deviceId' in target && target.deviceId === leg.deviceId) ||
  ('number' in target && target.number === leg.number);
