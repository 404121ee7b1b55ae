import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import {
  applyLooseEvents,
  orderOf,
  teamOf,
  triedAt,
  usualWeights,
  type LooseEnd,
  type LooseEvent,
  type RankedEnd,
} from '@/core/inbox/looseEnds';
import { assignmentIdOf } from '@/core/office';
import {
  actDone,
  askOffice,
  finishFollowUp,
  reckoned,
  selectMyId,
  selectOffice,
  type AppStore,
  type RootState,
  type Services,
} from '@/state/app';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** Takes in what happened, where the reckoning is there already; else the history brings it later. */
export const looseHappened =
  (events: readonly LooseEvent[], upTo?: number): Act =>
  (dispatch, getState) => {
    const { reckoning } = getState().catchUp;
    if (!reckoning || events.length === 0) return;
    dispatch(
      reckoned({
        ends: applyLooseEvents(reckoning.ends, events),
        upTo: Math.max(reckoning.upTo, upTo ?? 0),
      }),
    );
  };

const byHand =
  (make: (id: string, at: number) => LooseEvent, said: string | null): Act =>
  (dispatch, _, { clock }) => {
    const at = clock.now();
    dispatch(looseHappened([make(`hand-${at}`, at)]));
    dispatch(actDone(said));
  };

/** Done by hand, with what was promised: a follow-up that is done in one place is done in the other. */
export const putAway =
  ({ who: { key }, reasons }: LooseEnd): Act =>
  (dispatch) => {
    dispatch(byHand((id, at) => ({ kind: 'done', id, at, key }), null));
    for (const { id } of promisesOf(reasons)) dispatch(finishFollowUp(id, true));
  };

const promisesOf = (reasons: LooseEnd['reasons']) => reasons.filter(({ kind }) => kind === 'promised');

export const putOff = ({ who: { key } }: LooseEnd, until: number): Act =>
  byHand((id, at) => ({ kind: 'snoozed', id, at, key, until }), null);

/** Takes back what closed or put off that person last. */
export const takeBack =
  (key: string): Act =>
  (dispatch, getState) => {
    const { closed = [] } = getState().catchUp.reckoning?.ends ?? {};
    const last = closed.find(({ end }) => end.who.key === key);
    dispatch(byHand((id, at) => ({ kind: 'undone', id, at, key }), null));
    if (last?.how !== 'done' && last?.how !== 'settled') return;
    for (const { id } of promisesOf(last.end.reasons)) dispatch(finishFollowUp(id, false));
  };

/** Takes on somebody who waits for a team, also from a colleague who has them; a colleague who was quicker keeps them. */
export const takeOn =
  (end: LooseEnd): Act<Promise<void>> =>
  async (dispatch) => {
    const { key, name } = end.who;
    const about = { key, teamId: teamOf(end) ?? '', since: triedAt(end), insteadOf: end.takenById };
    if (await dispatch(askOffice({ type: 'takeOn', ...about })))
      dispatch(actDone(`You have taken on ${name}.`));
  };

export const letGo =
  (end: LooseEnd): Act<Promise<void>> =>
  async (dispatch) => {
    const { key, name } = end.who;
    if (await dispatch(askOffice({ type: 'letGo', key, teamId: teamOf(end) ?? '' })))
      dispatch(actDone(`${name} is open to the whole team again.`));
  };

/** Keeps by whom each is taken on as the office has it; somebody who has tried again is for everybody. Gives what ends it. */
export function followAssignments(store: AppStore): () => void {
  const follow = () => {
    const { reckoning, kept, isRead } = store.getState().catchUp;
    if (!reckoning || !isRead) return;
    const events = reckoning.ends.open.flatMap((end): LooseEvent[] => {
      const { key } = end.who;
      const row = kept.assignments[assignmentIdOf(teamOf(end) ?? '', key)];
      const byId = row && row.at >= triedAt(end) ? row.byId : null;
      if (byId === end.takenById) return [];
      const at = row?.at ?? triedAt(end);
      return [{ kind: 'taken', id: `taken-${key}-${at}`, at, key, byId }];
    });
    store.dispatch(looseHappened(events));
  };
  let last = store.getState().catchUp;
  follow();
  return store.subscribe(() => {
    const before = last;
    last = store.getState().catchUp;
    const isChanged =
      last.reckoning !== before.reckoning ||
      last.kept.assignments !== before.kept.assignments ||
      last.isRead !== before.isRead;
    if (isChanged) follow();
  });
}

/** Everyone who waits, in the order to answer them at that instant. */
export const selectOrder = createSelector(
  (state: RootState) => state.catchUp.reckoning,
  (state: RootState) => state.catchUp.weights,
  selectMyId,
  selectOffice,
  (_: RootState, now: number) => now,
  (reckoning, weights, myId, office, now): RankedEnd[] => {
    const { workingHours = [], daysOff = [] } = office.ringPlans.get(myId) ?? {};
    const hours = { windows: workingHours, daysOff, zone: office.setup.zone };
    return orderOf(reckoning?.ends.open ?? [], weights ?? usualWeights, hours, myId, now);
  },
);
