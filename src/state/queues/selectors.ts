import { createSelector } from '@reduxjs/toolkit';

import { teamNow, type OfficeNow, type TeamNow } from '@/core/calls/exchange';
import { hasQueue, type QueueTeam } from '@/core/setup';
import { selectMyId, selectOffice, type RootState } from '../app';

/** A team with its queue as it stands. */
export interface QueueView {
  team: QueueTeam;
  now: TeamNow;
}

const selectNow = createSelector(
  selectOffice,
  (state: RootState) => state.calls.byId,
  (state: RootState) => state.office.signedIn,
  (state: RootState) => state.office.agents,
  (_: RootState, at: number) => at,
  (office, calls, signedIn, agents, at): OfficeNow => ({
    ...{ office, signedIn, agents, at },
    calls: Object.values(calls),
  }),
);

/** All teams whose calls wait, as they stand at that moment. */
export const selectAllQueues = createSelector(selectNow, (now): QueueView[] =>
  now.office.setup.teams.filter(hasQueue).flatMap((team) => {
    const found = teamNow(team.id, now);
    return found ? [{ team, now: found }] : [];
  }),
);

/** Those in which the worker is. */
export const selectMyQueues = createSelector(selectAllQueues, selectMyId, (queues, myId): QueueView[] =>
  queues.filter(({ team }) => team.memberIds.includes(myId)),
);
