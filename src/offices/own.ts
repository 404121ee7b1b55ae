import { sampleCast, sampleContacts } from '@sample';

import type { Beginning } from '@/state/app';
import { ownStorage } from '@/state/offices';

/** The office that was begun on this device. Those outside are the same stand-ins, whom it does not know. */
export const own: Beginning = {
  storage: ownStorage,
  setup: null,
  contacts: [],
  outsiders: sampleContacts,
  cast: sampleCast,
  makeHistory: async () => [],
};
