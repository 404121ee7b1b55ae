import { waitingAfter } from '@/core/inbox/looseEnds';
import { OfficeIndex } from '@/core/setup';

import type { ToCount } from './countWaiting';

/** Counts who waits, from all calls that there were, beside the page. */
self.onmessage = ({ data: { records, personId, setup } }: MessageEvent<ToCount>) => {
  self.postMessage(waitingAfter(records, personId, new OfficeIndex(setup)));
};
