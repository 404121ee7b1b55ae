import type { OfficeSetup, RingPlan } from '@/core/setup';
import type { ReadPlansFile } from '@/core/plans/files';

export interface PlanFileTask {
  file: { name: string; text: string };
  plan: RingPlan;
  setup: OfficeSetup;
  now: number;
}

/** `tooLong`: it was stopped after ten seconds; `failed`: the worker could not be fetched, or broke. */
export type PlanFileAnswer = ReadPlansFile | { kind: 'tooLong' | 'failed' };

const longestMs = 10_000;

/** Reads a file of plans or hours in a worker. Gives what stops it. */
export function readPlanFileBeside(
  task: PlanFileTask,
  onAnswer: (answer: PlanFileAnswer) => void,
): () => void {
  const worker = new Worker(new URL('./planFile.worker', window.location.href));
  const finish = (answer: PlanFileAnswer) => {
    clearTimeout(timer);
    worker.terminate();
    onAnswer(answer);
  };
  const timer = setTimeout(() => finish({ kind: 'tooLong' }), longestMs);
  worker.onmessage = ({ data }: MessageEvent<ReadPlansFile>) => finish(data);
  worker.onerror = () => finish({ kind: 'failed' });
  worker.postMessage(task);
  return () => {
    clearTimeout(timer);
    worker.terminate();
  };
}
