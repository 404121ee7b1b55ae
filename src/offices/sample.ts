import { sampleContacts } from '@sample/contacts';

import type { Beginning } from '@/state/app';
import { sampleStorage } from '@/state/offices';
import { makeSampleHistory } from '@/workers';

import { openOfficeWorker } from './openOfficeWorker';

/** The sample: an office with ninety days behind it. */
export const sample: Beginning = {
  which: 'sample',
  storage: sampleStorage,
  openWorker: openOfficeWorker,
  contacts: sampleContacts,
  outsiders: sampleContacts,
  makeHistory: makeSampleHistory,
};
