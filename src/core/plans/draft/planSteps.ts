import { z } from 'zod';

import { ringPlanSchema, type RingPlan } from '@/core/setup';

/** So many steps back are kept. */
export const stepsKept = 100;

/** One step of a ring plan that is being changed: the plan as it was then. */
export const planStepSchema = z.object({
  id: z.string(),
  /** Its place among the others. */
  order: z.number().int().min(0),
  plan: ringPlanSchema,
  /** Whether the plan is at that step; later ones can be gone forward to. */
  isNow: z.boolean(),
});
export type PlanStep = z.infer<typeof planStepSchema>;

/** What a change does to the steps. */
export interface StepsChange {
  put: PlanStep[];
  goneIds: string[];
}

/** A plan as it is being changed, with the steps back and forth; `draft` of null: as in force. */
export interface PlanDraft {
  draft: RingPlan | null;
  past: RingPlan[];
  future: RingPlan[];
}

const stepOf = (order: number, plan: RingPlan, isNow: boolean): PlanStep => ({
  ...{ id: String(order), order, plan, isNow },
});

/** The steps in their order, and the one the plan is at: the last of them, should two devices have made two. */
function laidOut(steps: readonly PlanStep[]) {
  const inOrder = [...steps].sort((a, b) => a.order - b.order);
  const at = inOrder.findLastIndex(({ isNow }) => isNow);
  return { past: inOrder.slice(0, Math.max(at, 0)), now: inOrder[at] ?? null, future: inOrder.slice(at + 1) };
}

const plansOf = (steps: readonly PlanStep[]) => steps.map(({ plan }) => plan);

export function draftOf(steps: readonly PlanStep[]): PlanDraft {
  const { past, now, future } = laidOut(steps);
  if (!now) return { draft: null, past: [], future: [] };
  return { draft: now.plan, past: plansOf(past), future: plansOf(future) };
}

/** The other way round, for a draft that was kept as one. */
export function stepsOf({ draft, past, future }: PlanDraft): PlanStep[] {
  if (!draft) return [];
  return [...past, draft, ...future].map((plan, order) => stepOf(order, plan, order === past.length));
}

/** A step further, which ends the way forward. `inForce` is what the first one leads away from. */
export function stepOn(steps: readonly PlanStep[], inForce: RingPlan, plan: RingPlan): StepsChange {
  const { past, now, future } = laidOut(steps);
  const last = now ?? stepOf(0, inForce, true);
  const next = stepOf(last.order + 1, plan, true);
  const goneIds = [...past.slice(0, Math.max(past.length + 1 - stepsKept, 0)), ...future]
    .map(({ id }) => id)
    .filter((id) => id !== next.id);
  return { put: [{ ...last, isNow: false }, next], goneIds };
}

/** A step back, or forward; nothing where there is none. */
export function stepTo(steps: readonly PlanStep[], where: 'back' | 'forward'): StepsChange {
  const { past, now, future } = laidOut(steps);
  const next = where === 'back' ? past.at(-1) : future[0];
  if (!now || !next) return { put: [], goneIds: [] };
  const put = [
    { ...now, isNow: false },
    { ...next, isNow: true },
  ];
  return { put, goneIds: [] };
}

/** What is switched at once, such as a forward, holds for every step. */
export const rebased = (
  steps: readonly PlanStep[],
  change: Pick<RingPlan, 'forwards' | 'doNotDisturb'>,
): StepsChange => ({
  put: steps.map((step) => ({ ...step, plan: { ...step.plan, ...change } })),
  goneIds: [],
});
