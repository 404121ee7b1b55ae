import { OfficeIndex } from '@/core/setup';
import { readPlansFile } from '@/core/plans/files';

import type { PlanFileTask } from './readPlanFileBeside';

/** Reads a file beside the page, which can stop it whatever the file asks for. */
self.onmessage = ({ data: { file, plan, setup, now } }: MessageEvent<PlanFileTask>) => {
  self.postMessage(readPlansFile(file, plan, new OfficeIndex(setup), now));
};
