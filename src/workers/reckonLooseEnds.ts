import { applyLooseEvents, noLooseEnds, type LooseEnds, type LooseEvent } from '@/core/inbox/looseEnds';

/** So many are reckoned faster on the page than a worker starts. */
const fewEvents = 5_000;

/** Who waits after all that happened, oldest first; reckoned beside the page where that is much. */
export function reckonLooseEnds(events: readonly LooseEvent[]): Promise<LooseEnds> {
  const onPage = () => applyLooseEvents(noLooseEnds, events);
  if (events.length <= fewEvents) return Promise.resolve(onPage());
  return new Promise((resolve) => {
    const worker = new Worker(new URL('./looseEnds.worker', window.location.href));
    const end = (ends: LooseEnds) => {
      worker.terminate();
      resolve(ends);
    };
    worker.onmessage = ({ data }: MessageEvent<LooseEnds>) => end(data);
    // A worker that can't be fetched now costs a moment, and no more.
    worker.onerror = () => end(onPage());
    worker.postMessage(events);
  });
}
