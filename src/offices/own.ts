import { sampleContacts } from '@sample/contacts';

import type { Beginning } from '@/state/app';
import { ownStorage } from '@/state/offices';

import { openOfficeWorker } from './openOfficeWorker';

/** The office that was begun on this device. Those outside are the same stand-ins, whom it does not know. */
export const own: Beginning = {
  which: 'own',
  storage: ownStorage,
  openWorker: openOfficeWorker,
  contacts: [],
  outsiders: sampleContacts,
  makeHistory: async () => [],
};
