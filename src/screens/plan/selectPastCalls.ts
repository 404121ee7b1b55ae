import { createSelector } from '@reduxjs/toolkit';

import { pastCallsOf } from '@/core/calls/pastCalls';
import { selectMyId, selectOffice, type RootState } from '@/state/app';

/** My past calls, as far as they have been read, with where I was then. */
export const selectPastCalls = createSelector(
  (state: RootState) => state.history.records,
  selectMyId,
  selectOffice,
  pastCallsOf,
);
