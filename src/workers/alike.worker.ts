import { findAlike } from '@/core/people/alike';

import type { AlikeTask } from './findAlikeBeside';

/** Compares everybody beside the page. */
self.onmessage = ({ data: { people, apart } }: MessageEvent<AlikeTask>) => {
  self.postMessage(findAlike(people, new Set(apart)));
};
