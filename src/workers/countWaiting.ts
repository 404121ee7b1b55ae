import type { CallRecord } from '@/core/calls/exchange';
import { waitingAfter, type Waiting } from '@/core/inbox/looseEnds';
import { OfficeIndex, type OfficeSetup } from '@/core/setup';

/** So many are counted faster on the page than a worker starts. */
const fewRecords = 5_000;

export interface ToCount {
  records: readonly CallRecord[];
  personId: string;
  setup: OfficeSetup;
}

/** Who waits for somebody after these calls of theirs; counted beside the page where there are many. */
export function countWaiting(given: ToCount): Promise<Waiting[]> {
  const onPage = () => waitingAfter(given.records, given.personId, new OfficeIndex(given.setup));
  if (given.records.length <= fewRecords) return Promise.resolve(onPage());
  return new Promise((resolve) => {
    const worker = new Worker(new URL('./waiting.worker', window.location.href));
    const end = (rows: Waiting[]) => {
      worker.terminate();
      resolve(rows);
    };
    worker.onmessage = ({ data }: MessageEvent<Waiting[]>) => end(data);
    // A worker that can't be fetched now costs a moment, and no more.
    worker.onerror = () => end(onPage());
    worker.postMessage(given);
  });
}
