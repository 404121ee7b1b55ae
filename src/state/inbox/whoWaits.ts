import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import {
  handleToTake,
  orderOf,
  teamOf,
  triedAt,
  usualWeights,
  type ClosedEnd,
  type LooseEnd,
  type RankedEnd,
} from '@/core/inbox/looseEnds';
import { assignmentIdOf, type OfficeRequest } from '@/core/office';
import {
  actDone,
  askOffice,
  finishFollowUp,
  selectLooseEnds,
  selectMyId,
  selectOffice,
  type RootState,
  type Services,
} from '@/state/app';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

const ask =
  (request: OfficeRequest): Act<Promise<boolean>> =>
  async (dispatch) => {
    const isDone = await dispatch(askOffice(request));
    if (isDone) dispatch(actDone(null));
    return isDone;
  };

/** Done by hand, with what was promised: a follow-up that is done in one place is done in the other. */
export const putAway =
  ({ handles, reasons }: LooseEnd): Act<Promise<void>> =>
  async (dispatch) => {
    const followUpIds = reasons.filter(({ kind }) => kind === 'promised').map(({ id }) => id);
    if (!(await dispatch(ask({ type: 'closeWaiting', handles, followUpIds })))) return;
    for (const id of followUpIds) dispatch(finishFollowUp(id, true));
  };

export const putOff = ({ handles }: LooseEnd, until: number): Act<Promise<boolean>> =>
  ask({ type: 'putWaitingOff', handles, until });

/** Takes back what closed or put off that person last. */
export const takeBack =
  ({ handles, followUpIds }: ClosedEnd): Act<Promise<void>> =>
  async (dispatch) => {
    if (!(await dispatch(ask({ type: 'reopenWaiting', handles })))) return;
    for (const id of followUpIds) dispatch(finishFollowUp(id, false));
  };

/** Takes on somebody who waits for a team, also from a colleague who has them; a colleague who was quicker keeps them. */
export const takeOn =
  (end: LooseEnd): Act<Promise<void>> =>
  async (dispatch) => {
    const { name } = end.who;
    const key = handleToTake(end);
    const about = { key, teamId: teamOf(end) ?? '', since: triedAt(end), insteadOf: end.takenById };
    if (await dispatch(askOffice({ type: 'takeOn', ...about })))
      dispatch(actDone(`You have taken on ${name}.`));
  };

export const letGo =
  (end: LooseEnd): Act<Promise<void>> =>
  async (dispatch, getState) => {
    const teamId = teamOf(end) ?? '';
    // They may have been taken on at another number of theirs, or by what an earlier version called them.
    const { assignments } = getState().inbox.kept;
    const mine = [...end.handles, end.who.key].filter(
      (key) => assignments[assignmentIdOf(teamId, key)]?.byId === end.takenById,
    );
    for (const key of mine) if (!(await dispatch(askOffice({ type: 'letGo', key, teamId })))) return;
    dispatch(actDone(`${end.who.name} is open to the whole team again.`));
  };

/** Everyone who waits, in the order to answer them at that instant. */
export const selectOrder = createSelector(
  selectLooseEnds,
  (state: RootState) => state.inbox.kept.weights.order,
  selectMyId,
  selectOffice,
  (_: RootState, now: number) => now,
  (ends, weights, myId, office, now): RankedEnd[] => {
    const { workingHours = [], daysOff = [] } = office.ringPlans.get(myId) ?? {};
    const hours = { windows: workingHours, daysOff, zone: office.setup.zone };
    return orderOf(ends?.open ?? [], weights ?? usualWeights, hours, myId, now);
  },
);
