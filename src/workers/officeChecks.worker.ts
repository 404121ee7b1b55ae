import { checkOffice } from '@/core/plans/checks';
import { OfficeIndex } from '@/core/setup';

import type { OfficeChecksTask } from './checkOfficeBeside';

/** Computes calls to everybody beside the page. Past calls, from which costs are told, are each one's own. */
self.onmessage = ({ data: { setup, now, signedIn } }: MessageEvent<OfficeChecksTask>) => {
  const there = new Set(signedIn);
  self.postMessage(
    checkOffice(new OfficeIndex(setup), { now, isSignedIn: (id) => there.has(id), pastCalls: () => [] }),
  );
};
