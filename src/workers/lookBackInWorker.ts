import type { LookBack, PastCall } from '@/core/plans/lookBack';
import type { OfficeSetup } from '@/core/setup';

export interface LookBackTask {
  inForce: OfficeSetup;
  changed: OfficeSetup;
  personId: string;
  calls: readonly PastCall[];
}

export type LookBackAnswer = { share: number } | { result: LookBack };

interface Listeners {
  onProgress: (share: number) => void;
  onResult: (result: LookBack) => void;
  onFailure: (reason: string) => void;
}

/** Looks back in a worker, and gives a way to stop it. */
export function lookBackInWorker(
  task: LookBackTask,
  { onProgress, onResult, onFailure }: Listeners,
): () => void {
  const worker = new Worker(new URL('./lookBack.worker', window.location.href));
  worker.onmessage = ({ data }: MessageEvent<LookBackAnswer>) => {
    if ('share' in data) return onProgress(data.share);
    worker.terminate();
    onResult(data.result);
  };
  worker.onerror = (event) => {
    worker.terminate();
    onFailure(event.message || 'The past could not be read');
  };
  worker.postMessage(task);
  return () => worker.terminate();
}
