import { sampleCast } from '@sample';

import type { Beginning } from '@/state/app';
import { ownStorage } from '@/state/offices';

/** The office that was begun on this device. Those outside are the same stand-ins. */
export const own: Beginning = {
  storage: ownStorage,
  setup: null,
  contacts: [],
  cast: sampleCast,
  makeHistory: async () => [],
};
