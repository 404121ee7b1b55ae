import { sampleCast, sampleContacts, sampleOffice } from '@sample';

import type { Beginning } from '@/state/app';
import { sampleStorage } from '@/state/offices';
import { makeSampleHistory } from '@/workers';

/** The sample: an office with ninety days behind it. */
export const sample: Beginning = {
  storage: sampleStorage,
  setup: sampleOffice,
  contacts: sampleContacts,
  outsiders: sampleContacts,
  cast: sampleCast,
  makeHistory: makeSampleHistory,
};
