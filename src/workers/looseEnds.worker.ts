import { applyLooseEvents, noLooseEnds, type LooseEvent } from '@/core/inbox/looseEnds';

/** Reckons who waits, from all that happened, beside the page. */
self.onmessage = ({ data }: MessageEvent<LooseEvent[]>) => {
  self.postMessage(applyLooseEvents(noLooseEnds, data));
};
