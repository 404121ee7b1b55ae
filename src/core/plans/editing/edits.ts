import {
  secondsOf,
  type Finish,
  type RingLength,
  type RingPlan,
  type RingRule,
  type RingStage,
  type RingTarget,
} from '@/core/setup';

/** Where something that rings stands in a plan. */
export interface TargetPlace {
  ruleId: string;
  stage: number;
  target: number;
}

/** Shortest that anything rings: less is no ring at all. */
const leastSeconds = 1;
const mostSeconds = 600;
const usualSeconds = 20;

/** Changes of a plan, each giving a new one. What would make it impossible is kept within its bounds. */
export const edits = {
  /** From which to which second of its stage it is to ring, whole seconds. The stage may cut it short, which a check tells. */
  pull(plan: RingPlan, place: TargetPlace, fromSeconds: number, toSeconds: number): RingPlan {
    return atStage(plan, place.ruleId, place.stage, (stage) => {
      const start = clamp(Math.round(fromSeconds), 0, mostSeconds - leastSeconds);
      const end = clamp(Math.round(toSeconds), start + leastSeconds, mostSeconds);
      const targets = replaced(stage.targets, place.target, (target) => ({
        ...target,
        startSeconds: start,
        length: { seconds: end - start },
      }));
      return { ...stage, targets };
    });
  },

  setLength(plan: RingPlan, place: TargetPlace, length: RingLength | undefined): RingPlan {
    return atTarget(plan, place, (target) => ({ ...target, length }));
  },

  setAcceptKey(plan: RingPlan, place: TargetPlace, acceptKey: boolean): RingPlan {
    return atTarget(plan, place, (target) => ({
      ...target,
      acceptKey,
      saysName: acceptKey && target.saysName,
    }));
  },

  setSaysName(plan: RingPlan, place: TargetPlace, saysName: boolean): RingPlan {
    return atTarget(plan, place, (target) => ({
      ...target,
      saysName,
      acceptKey: saysName || target.acceptKey,
    }));
  },

  /** Rings from the stage's beginning, as long as the stage does. */
  addTarget(plan: RingPlan, ruleId: string, stage: number, target: RingTarget): RingPlan {
    return atStage(plan, ruleId, stage, (old) => ({ ...old, targets: [...old.targets, target] }));
  },

  removeTarget(plan: RingPlan, place: TargetPlace): RingPlan {
    return atStage(plan, place.ruleId, place.stage, (stage) => ({
      ...stage,
      targets: stage.targets.filter((_, index) => index !== place.target),
    }));
  },

  setStageLength(plan: RingPlan, ruleId: string, stage: number, length: RingLength): RingPlan {
    return atStage(plan, ruleId, stage, (old) => ({ ...old, length }));
  },

  /** A stage of its own, before that which is now the `at`th; `at` the number of stages: after all. */
  addStage(plan: RingPlan, ruleId: string, at: number, targets: RingTarget[]): RingPlan {
    const stage = { targets, length: { seconds: usualSeconds } };
    return atRule(plan, ruleId, (rule) => ({
      ...rule,
      stages: [...rule.stages.slice(0, at), stage, ...rule.stages.slice(at)],
    }));
  },

  removeStage(plan: RingPlan, ruleId: string, stage: number): RingPlan {
    return atRule(plan, ruleId, (rule) => ({
      ...rule,
      stages: rule.stages.filter((_, index) => index !== stage),
    }));
  },

  setFinish(
    plan: RingPlan,
    ruleId: string,
    outcome: 'finish' | 'busyFinish' | 'unreachableFinish' | 'refusedFinish',
    finish: Finish | undefined,
  ): RingPlan {
    return atRule(plan, ruleId, (rule) => {
      if (outcome === 'finish') return finish ? { ...rule, finish } : rule;
      return { ...rule, [outcome]: finish };
    });
  },

  changeRule(plan: RingPlan, ruleId: string, change: Partial<RingRule>): RingPlan {
    return atRule(plan, ruleId, (rule) => ({ ...rule, ...change }));
  },

  removeRule(plan: RingPlan, ruleId: string): RingPlan {
    return { ...plan, rules: plan.rules.filter(({ id }) => id !== ruleId) };
  },

  moveRule(plan: RingPlan, ruleId: string, to: number): RingPlan {
    const rule = plan.rules.find(({ id }) => id === ruleId);
    if (!rule) return plan;
    const others = plan.rules.filter((each) => each !== rule);
    const at = clamp(to, 0, others.length);
    return { ...plan, rules: [...others.slice(0, at), rule, ...others.slice(at)] };
  },
} as const;

/** When a target rings within its stage, as it is entered: to its own end, or to the stage's. */
export function spanOf(target: RingTarget, stage: RingStage): { fromSeconds: number; toSeconds: number } {
  const from = target.startSeconds;
  return {
    fromSeconds: from,
    toSeconds: target.length ? from + secondsOf(target.length) : secondsOf(stage.length),
  };
}

const clamp = (value: number, least: number, most: number) => Math.min(Math.max(value, least), most);

function replaced<T>(items: readonly T[], at: number, change: (item: T) => T): T[] {
  return items.map((item, index) => (index === at ? change(item) : item));
}

function atRule(plan: RingPlan, ruleId: string, change: (rule: RingRule) => RingRule): RingPlan {
  return { ...plan, rules: plan.rules.map((rule) => (rule.id === ruleId ? change(rule) : rule)) };
}

function atStage(
  plan: RingPlan,
  ruleId: string,
  stage: number,
  change: (stage: RingStage) => RingStage,
): RingPlan {
  return atRule(plan, ruleId, (rule) => ({ ...rule, stages: replaced(rule.stages, stage, change) }));
}

function atTarget(
  plan: RingPlan,
  { ruleId, stage, target }: TargetPlace,
  change: (target: RingTarget) => RingTarget,
): RingPlan {
  return atStage(plan, ruleId, stage, (old) => ({ ...old, targets: replaced(old.targets, target, change) }));
}
