import { createSelector } from '@reduxjs/toolkit';

import { groupByDay } from '@/core/history';
import { emptyOffice, OfficeIndex } from '@/core/office';
import { PeopleIndex } from '@/core/people';
import type { RootState } from './store';

export const selectOffice = createSelector(
  (state: RootState) => state.office.setup,
  (setup) => new OfficeIndex(setup ?? emptyOffice),
);

export const selectPeople = createSelector(
  selectOffice,
  (state: RootState) => state.office.contacts,
  (office, contacts) => new PeopleIndex(office, contacts),
);

export const selectZone = (state: RootState) => state.office.setup?.zone ?? 'Europe/London';

export const selectHistoryRows = createSelector(
  (state: RootState) => state.history.records,
  selectZone,
  groupByDay,
);

/** What a colleague is doing, as far as the exchange knows. */
export type PresenceState = 'free' | 'onCall' | 'ringing';

export const selectPresence = createSelector(
  (state: RootState) => state.calls.byId,
  selectOffice,
  (byId, office): Record<string, PresenceState> => {
    const presence: Record<string, PresenceState> = {};
    for (const call of Object.values(byId)) {
      for (const leg of call.legs) {
        const owner = leg.endpoint.kind === 'device' ? office.ownerOf(leg.endpoint.deviceId) : null;
        if (!owner || leg.state === 'cleared' || leg.state === 'queued') continue;
        if (leg.state !== 'alerting') presence[owner.id] = 'onCall';
        else presence[owner.id] ??= 'ringing';
      }
    }
    return presence;
  },
);
