import { createSelector } from '@reduxjs/toolkit';

import { directoryOf } from '@/core/people/upkeep';
import { selectContacts, selectMyId, selectOffice } from '@/state/app';

/** Everybody by name: put in order once for each change, not for each screen. */
export const selectDirectory = createSelector(selectOffice, selectContacts, selectMyId, directoryOf);
