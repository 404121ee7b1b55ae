import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import {
  type AnsweredBy,
  isSamePlan,
  withoutOver,
  type ChosenSituation,
  type DoNotDisturb,
  type Followed,
  type ForwardAll,
  type Person,
  type RingPlan,
} from '@/core/setup';
import { chooseSituation, standingOf } from '@/core/plans/routing';

import { send } from './acts';
import { draftRebased, draftStepped, selectPlanDraft } from './planDraft';
import { selectOffice } from './selectors';
import type { Services } from './services';
import { actDone } from './slices';
import type { RootState } from './store';
import { selectMyId } from './session';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

const myIdOf = selectMyId;

/** My ring plan as the office routes by it now. */
export const selectPlanInForce = createSelector(
  selectOffice,
  myIdOf,
  (office, personId): RingPlan => office.ringPlans.get(personId) ?? { personId, rules: [] },
);

/** My ring plan as I have changed it; the one in force where I have not. */
export const selectMyPlan = (state: RootState): RingPlan =>
  selectPlanDraft(state).draft ?? selectPlanInForce(state);

/** Whether it differs from the one in force. */
export const selectIsPlanChanged = createSelector(
  selectMyPlan,
  selectPlanInForce,
  (mine, inForce) => !isSamePlan(mine, inForce),
);

/** The office as it would be if my changed plan were in force. */
export const selectChangedOffice = createSelector(selectOffice, selectMyPlan, (office, plan) =>
  office.withPlan(plan),
);

export const selectMyStanding = createSelector(
  selectOffice,
  myIdOf,
  (_: RootState, now: number) => now,
  standingOf,
);

/** Changes my plan without putting it into force. */
export const editPlan =
  (change: (plan: RingPlan) => RingPlan): Act =>
  (dispatch, getState) => {
    const state = getState();
    dispatch(draftStepped(selectPlanInForce(state), change(selectMyPlan(state))));
  };

/** Rules that were for once and are over go, from the plan in force and from the one being changed. */
export const dropOverRules =
  (): Act<Promise<void>> =>
  async (dispatch, getState, { clock }) => {
    const now = clock.now();
    const plan = selectPlanInForce(getState());
    const draft = selectMyPlan(getState());
    if (withoutOver(draft, now) !== draft && draft !== plan)
      dispatch(editPlan((each) => withoutOver(each, now)));
    const left = withoutOver(plan, now);
    if (left !== plan) await dispatch(send({ type: 'configure', ringPlans: [left], people: [] }));
  };

export const dropPlanChanges = (): Act => (dispatch, getState) => {
  dispatch(editPlan(() => selectPlanInForce(getState())));
};

/** From now on calls are routed by the changed plan. */
export const putPlanIntoForce = (): Act<Promise<boolean>> => async (dispatch, getState) => {
  const plan = selectMyPlan(getState());
  const result = await dispatch(send({ type: 'configure', ringPlans: [plan], people: [] }));
  if (result?.ok)
    dispatch(actDone('Your ring plan is in force. Undo brings the former one back as a change.'));
  return result?.ok ?? false;
};

/** What is switched at once and not drafted: forwards of everything and do not disturb. */
const switchNow =
  (change: Pick<RingPlan, 'forwards' | 'doNotDisturb'>, said: string): Act<Promise<boolean>> =>
  async (dispatch, getState) => {
    const plan = { ...selectPlanInForce(getState()), ...change };
    const result = await dispatch(send({ type: 'configure', ringPlans: [plan], people: [] }));
    if (!result?.ok) return false;
    dispatch(draftRebased(change));
    dispatch(actDone(said));
    return true;
  };

/** null ends it. */
export const setDoNotDisturb =
  (doNotDisturb: DoNotDisturb | null, said: string): Act<Promise<boolean>> =>
  (dispatch) =>
    dispatch(switchNow({ doNotDisturb: doNotDisturb ?? undefined }, said));

/** Takes the place of those that are on or to come; null takes all off. */
export const setForwardAll =
  (forward: ForwardAll | null, said: string): Act<Promise<boolean>> =>
  (dispatch) =>
    dispatch(switchNow({ forwards: forward ? [forward] : [] }, said));

/** I am in another situation from now on; colleagues see it at once. Left out: in what comes by itself. */
export const setSituation =
  (next: ChosenSituation | undefined, said: string): Act<Promise<boolean>> =>
  (dispatch, getState, { clock }) => {
    const me = selectOffice(getState()).people.get(myIdOf(getState()));
    const situation = me && next && chooseSituation(me, next, clock.now());
    return dispatch(changeMe({ situation }, said));
  };

/** Who answers for me from now on. */
export const setAnsweredBy = (answeredBy: readonly AnsweredBy[], said: string) =>
  changeMe({ answeredBy: [...answeredBy] }, said);

/** Which situations come by themselves from now on. */
export const setFollows = (follows: Followed[], said: string) => changeMe({ follows }, said);

/** My situations from now on, and what of my ring plan is about them; a plan being changed is changed alike. */
export const changeSituations =
  (
    change: Pick<Person, 'situations' | 'follows' | 'situation'>,
    ofPlan: (plan: RingPlan) => RingPlan,
    said: string,
  ): Act<Promise<boolean>> =>
  async (dispatch, getState) => {
    const state = getState();
    const me = selectOffice(state).people.get(myIdOf(state));
    if (!me) return false;
    const plan = ofPlan(selectPlanInForce(state));
    const isChanging = selectIsPlanChanged(state);
    const result = await dispatch(
      send({ type: 'configure', ringPlans: [plan], people: [{ ...me, ...change }] }),
    );
    if (!result?.ok) return false;
    if (isChanging) dispatch(editPlan(ofPlan));
    dispatch(actDone(said));
    return true;
  };

const changeMe =
  (change: Partial<Person>, said: string): Act<Promise<boolean>> =>
  async (dispatch, getState) => {
    const me = selectOffice(getState()).people.get(myIdOf(getState()));
    if (!me) return false;
    const people = [{ ...me, ...change }];
    const result = await dispatch(send({ type: 'configure', ringPlans: [], people }));
    if (result?.ok) dispatch(actDone(said));
    return result?.ok ?? false;
  };
