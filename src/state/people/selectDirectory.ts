import { createSelector } from '@reduxjs/toolkit';

import { directoryOf } from '@/core/people/upkeep';
import { selectContacts, selectOffice, type RootState } from '@/state/app';

/** Everybody by name: put in order once for each change, not for each screen. */
export const selectDirectory = createSelector(
  selectOffice,
  selectContacts,
  (state: RootState) => state.office.me?.personId ?? null,
  directoryOf,
);
