import { sampleContacts } from '@sample/contacts';

import { reachServer } from '@/office/socket';
import type { Beginning } from '@/state/app';
import { chosenOffice, servedStorage } from '@/state/offices';

/** The office of the server that this page came from. Those outside are stand-ins, where the server plays them. */
export const served: Beginning = {
  which: chosenOffice(),
  storage: servedStorage,
  reach: reachServer,
  contacts: chosenOffice() === 'sample' ? sampleContacts : [],
  outsiders: sampleContacts,
  makeHistory: async () => [],
};
