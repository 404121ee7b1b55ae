import { secondsOf, type OfficeIndex, type RingRule } from '@/core/setup';
import { allFree, resolveTarget, traceStages } from '@/core/plans/routing';
import { spanOf } from './edits';

/** One thing that rings, in seconds after the call arrived, as it was entered and as far as it gets. */
export interface LaidTarget {
  target: number;
  fromSeconds: number;
  toSeconds: number;
  /** Where its stage cuts it short; null where it rings its time. */
  cutAtSeconds: number | null;
  /** Whether anything stands behind it: a team may be empty, a device gone. */
  canRing: boolean;
}

export interface LaidStage {
  fromSeconds: number;
  /** When the next begins, all being signed in and free. */
  toSeconds: number;
  /** When it ends at the latest. */
  limitSeconds: number;
  targets: LaidTarget[];
}

/** A rule on the scale of its seconds, with all signed in and free. */
export function layOutRule(
  rule: RingRule,
  office: OfficeIndex,
): { stages: LaidStage[]; finishSeconds: number } {
  let start = 0;
  const stages = rule.stages.map((stage): LaidStage => {
    const { finishSeconds } = traceStages(office, {}, allFree(0), [stage]);
    const limit = secondsOf(stage.length);
    const laid: LaidStage = {
      fromSeconds: start,
      toSeconds: start + finishSeconds,
      limitSeconds: start + limit,
      targets: stage.targets.map((target, index) => {
        const { fromSeconds, toSeconds } = spanOf(target, stage);
        const to = Math.max(toSeconds, fromSeconds + 1);
        return {
          target: index,
          fromSeconds: start + fromSeconds,
          toSeconds: start + to,
          cutAtSeconds: to > limit ? start + limit : null,
          canRing: resolveTarget(target, office).some(
            ({ personId, number }) => personId !== null || number !== null,
          ),
        };
      }),
    };
    start += finishSeconds;
    return laid;
  });
  return { stages, finishSeconds: start };
}
