import { createSelector } from '@reduxjs/toolkit';

import { arrivalsOf, type Arrival } from '@/core/inbox/arrivals';
import { whoOf } from '@/core/inbox/looseEnds';
import {
  selectLooseEnds,
  selectMyId,
  selectOffice,
  selectParked,
  selectPeople,
  selectSeenBefore,
  type RootState,
} from '@/state/app';

import { selectMyVoicemails } from './voicemails';

const none: Arrival[] = [];

const selectMyParked = createSelector(selectParked, selectOffice, selectPeople, (parked, office, people) =>
  parked
    .filter(({ byMe }) => byMe)
    .map(({ callId, slot, since, number, name, personId }) => ({
      callId,
      slot,
      since,
      who: whoOf({ number, name, personId }, callId, office, people),
    })),
);

/** What has come in since the worker last looked, and waits, in the order it came. */
export const selectArrivals = createSelector(
  (state: RootState) => state.history.records,
  selectLooseEnds,
  selectMyVoicemails,
  (state: RootState) => state.inbox.kept,
  selectMyParked,
  selectSeenBefore,
  selectMyId,
  selectOffice,
  selectPeople,
  (records, ends, voicemails, kept, parked, before, myId, office, people): Arrival[] => {
    if (before === null) return none;
    const [messages, faxes] = [Object.values(kept.messages), Object.values(kept.faxes)];
    const came = { records, open: ends?.open ?? [], voicemails, messages, faxes, rooms: kept.rooms, parked };
    return arrivalsOf(came, { before, myId, office, people });
  },
);
