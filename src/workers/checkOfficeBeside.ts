import type { Finding } from '@/core/plans/checks';
import type { OfficeSetup } from '@/core/setup';

export interface OfficeChecksTask {
  setup: OfficeSetup;
  /** Epoch milliseconds. */
  now: number;
  signedIn: readonly string[];
}

/** What is found in everybody's plans by computing calls, beside the page. null: no worker can be had now. Gives what stops it. */
export function checkOfficeBeside(
  task: OfficeChecksTask,
  onFound: (findings: Finding[] | null) => void,
): () => void {
  const worker = new Worker(new URL('./officeChecks.worker', window.location.href));
  worker.onmessage = ({ data }: MessageEvent<Finding[]>) => {
    worker.terminate();
    onFound(data);
  };
  worker.onerror = () => {
    worker.terminate();
    onFound(null);
  };
  worker.postMessage(task);
  return () => worker.terminate();
}
