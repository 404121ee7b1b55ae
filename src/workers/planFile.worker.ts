import { OfficeIndex } from '@/core/office';
import { readPlansFile } from '@/core/planFiles';

import type { PlanFileTask } from './readPlanFileBeside';

/** Reads a file beside the page, which can stop it whatever the file asks for. */
self.onmessage = ({ data: { file, plan, setup, now } }: MessageEvent<PlanFileTask>) => {
  self.postMessage(readPlansFile(file, plan, new OfficeIndex(setup), now));
};
