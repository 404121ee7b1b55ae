import { lookBack } from '@/core/plans/lookBack';
import { OfficeIndex } from '@/core/setup';

import type { LookBackAnswer, LookBackTask } from './lookBackInWorker';

/** Looks back beside the page. To stop it, the page ends it. */
self.onmessage = ({ data }: MessageEvent<LookBackTask>) => {
  const { inForce, changed, personId, calls } = data;
  const post = (answer: LookBackAnswer) => self.postMessage(answer);
  const result = lookBack(new OfficeIndex(inForce), new OfficeIndex(changed), personId, calls, {
    onProgress: (share) => post({ share }),
  });
  if (result) post({ result });
};
