import type { RingStage, RingTarget } from '@/core/setup';

/** What rings for some seconds, one slice after the other; `stage` is our own mark, null in scripts of others. */
export interface Slice {
  stage: number | null;
  seconds: number;
  /** Empty for a wait, and for the mark where a stage begins. */
  targets: readonly RingTarget[];
}

const keyOf = (target: RingTarget): string => {
  return JSON.stringify({ ...target, startSeconds: 0, length: undefined });
};

/**
 * Slices as stages: those of one mark make one stage, in which what rings in neighbouring slices rings through.
 * Without marks each slice is a stage of its own.
 */
export function joinSlices(slices: readonly Slice[]): RingStage[] {
  const stages: RingStage[] = [];
  let open: Slice[] = [];
  const close = () => {
    const stage = stageOf(open);
    if (stage) stages.push(stage);
    open = [];
  };
  for (const slice of slices) {
    const isMark = slice.stage !== null && slice.seconds === 0;
    if (isMark || slice.stage === null) close();
    if (!isMark) open.push(slice);
    if (slice.stage === null) close();
  }
  close();
  return stages;
}

function stageOf(slices: readonly Slice[]): RingStage | null {
  const seconds = slices.reduce((sum, slice) => sum + slice.seconds, 0);
  if (seconds === 0) return null;
  const targets: RingTarget[] = [];
  let at = 0;
  let before = new Map<string, number>();
  for (const slice of slices) {
    const ringing = new Map<string, number>();
    for (const target of slice.targets) {
      const key = keyOf(target);
      const goesOn = before.get(key);
      const index = goesOn ?? targets.length;
      if (goesOn === undefined) targets.push({ ...target, startSeconds: at });
      const own = targets[index];
      if (own) targets[index] = { ...own, length: { seconds: at + slice.seconds - own.startSeconds } };
      ringing.set(key, index);
    }
    before = ringing;
    at += slice.seconds;
  }
  return { targets, length: { seconds } };
}
