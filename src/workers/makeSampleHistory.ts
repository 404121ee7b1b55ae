import type { CallRecord } from '@/core/calls/exchange';

/** The sample's ninety days up to `now` (epoch ms), oldest first, made in a worker. */
export function makeSampleHistory(now: number): Promise<CallRecord[]> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./sampleHistory.worker', window.location.href));
    worker.onmessage = ({ data }: MessageEvent<CallRecord[]>) => {
      worker.terminate();
      resolve(data);
    };
    worker.onerror = (event) => {
      worker.terminate();
      reject(new Error(event.message || 'The sample could not be made'));
    };
    worker.postMessage(now);
  });
}
