import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import {
  draftOf,
  rebased,
  stepOn,
  stepsOf,
  stepTo,
  type PlanDraft,
  type PlanStep,
  type StepsChange,
} from '@/core/plans/draft';
import type { RingPlan } from '@/core/setup';

import { storageKeys, type Vault } from '../storage';
import { dropSome, keepMany } from './inboxSlice';
import type { Services } from './services';
import type { RootState } from './store';

type Act = ThunkAction<void, RootState, Services, Action>;

const selectSteps = createSelector(
  (state: RootState) => state.inbox.kept.planSteps,
  (steps): PlanStep[] => Object.values(steps),
);

/** The worker's ring plan as it is being changed, on any of their devices; what is in force is the office's. */
export const selectPlanDraft = createSelector(selectSteps, draftOf);

const changed =
  (change: (steps: readonly PlanStep[]) => StepsChange): Act =>
  (dispatch, getState) => {
    const { put, goneIds } = change(selectSteps(getState()));
    if (put.length > 0) dispatch(keepMany('planSteps', put));
    if (goneIds.length > 0) dispatch(dropSome('planSteps', goneIds));
  };

/** The plan as it is now; `inForce` is what the first step leads away from. */
export const draftStepped = (inForce: RingPlan, plan: RingPlan) =>
  changed((steps) => stepOn(steps, inForce, plan));
export const draftUndone = () => changed((steps) => stepTo(steps, 'back'));
export const draftRedone = () => changed((steps) => stepTo(steps, 'forward'));
export const draftRebased = (change: Pick<RingPlan, 'forwards' | 'doNotDisturb'>) =>
  changed((steps) => rebased(steps, change));

/** What an earlier version kept on this device, where nothing has been changed since. It is given up once it is the worker's own. */
export const draftTakenOver =
  (former: PlanDraft, vault: Vault): Act =>
  (dispatch, getState) => {
    const steps = stepsOf(former);
    if (steps.length > 0 && selectSteps(getState()).length === 0) dispatch(keepMany('planSteps', steps));
    else void vault.remove([storageKeys.formerDraft]);
  };
