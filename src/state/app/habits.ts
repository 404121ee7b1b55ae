import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import type { Shown } from '@/core/calls/callerId';
import type { Address } from '@/core/setup';
import type { ClockStyle } from '@/core/shared/time';
import { keptDays, type KeepDays } from '@/core/inbox/retention';

import type { Habit } from '../storage';
import { keepOne } from './inboxSlice';
import type { Services } from './services';
import { selectOffice } from './selectors';
import type { RootState } from './store';

type Act = ThunkAction<void, RootState, Services, Action>;
type HabitOf<Id extends Habit['id']> = Extract<Habit, { id: Id }>;

/** As long as somebody has chosen nothing. */
const usual: { readonly [Id in Habit['id']]: HabitOf<Id> } = {
  caller: { id: 'caller', presentedLineId: null, withhold: false, asks: false, shownFor: {}, shownRules: [] },
  favourites: { id: 'favourites', keys: [] },
  met: { id: 'met', acts: [] },
  dialling: { id: 'dialling', enterCalls: true, writing: 'local' },
  calls: { id: 'calls', waiting: true, takesWaiting: false, quietInMeetings: false, comes: true },
  clock: { id: 'clock', style: '24' },
  places: { id: 'places', places: [] },
  replies: { id: 'replies', texts: [] },
  keepDays: { id: 'keepDays', voicemails: 60, texts: null, faxes: null, recordings: null },
};

/** What the worker has chosen for themselves in one respect. */
const habitOf = <Id extends Habit['id']>({ inbox }: RootState, id: Id): HabitOf<Id> =>
  (inbox.kept.habits[id] as HabitOf<Id> | undefined) ?? usual[id];

/** Which of the worker's numbers others see. */
export const selectCallerChoices = (state: RootState) => habitOf(state, 'caller');
/** Whom the worker reaches often, by their keys in the directory, in their order. */
export const selectFavourites = (state: RootState): string[] => habitOf(state, 'favourites').keys;
export const selectOwnReplies = (state: RootState): string[] => habitOf(state, 'replies').texts;
/** What the worker has used once. */
export const selectMet = (state: RootState): string[] => habitOf(state, 'met').acts;
/** How long I want things to be kept. */
export const selectChosenKeepDays = createSelector(
  (state: RootState) => habitOf(state, 'keepDays'),
  ({ id: _, ...days }): KeepDays => days,
);
/** The longest that the office lets them be kept. */
export const selectKeptAtMost = (state: RootState) => selectOffice(state).setup.policies.keptAtMostDays;
/** How long they are kept. */
export const selectKeepDays = createSelector(selectChosenKeepDays, selectKeptAtMost, keptDays);

/** Changes what the worker has chosen in one respect, and leaves the rest of it. */
const chosen =
  <Id extends Habit['id']>(id: Id, change: (before: HabitOf<Id>) => Partial<HabitOf<Id>>): Act =>
  (dispatch, getState) => {
    const before = habitOf(getState(), id);
    dispatch(keepOne('habits', { ...before, ...change(before) }));
  };

/** Used for the first time. */
export const actMet =
  (act: string): Act =>
  (dispatch, getState) => {
    if (!selectMet(getState()).includes(act))
      dispatch(chosen('met', ({ acts }) => ({ acts: [...acts, act] })));
  };

/** Whether Enter places a call, and how numbers are written. */
export const selectDialling = (state: RootState) => habitOf(state, 'dialling');
export const diallingChosen = (change: Partial<Omit<HabitOf<'dialling'>, 'id'>>) =>
  chosen('dialling', () => change);
/** Whether a second call may ring, is taken by itself when the first ends, and whether it rings in a meeting. */
export const selectCallHabits = (state: RootState) => habitOf(state, 'calls');
export const callHabitsChosen = (change: Partial<Omit<HabitOf<'calls'>, 'id'>>) =>
  chosen('calls', () => change);
/** How times of day are written for them. */
export const selectClockStyle = (state: RootState) => habitOf(state, 'clock').style;
export const clockStyleChosen = (style: ClockStyle) => chosen('clock', () => ({ style }));
/** Whether it is asked before a call which number is seen. */
export const asksShownChosen = (asks: boolean) => chosen('caller', () => ({ asks }));
export const selectPlaces = (state: RootState): Address[] => habitOf(state, 'places').places;
export const placesChosen = (places: Address[]) => chosen('places', () => ({ places }));
export const favouritesChosen = (keys: string[]) => chosen('favourites', () => ({ keys }));
export const ownRepliesChosen = (texts: string[]) => chosen('replies', () => ({ texts }));
export const keepDaysChosen = (days: Partial<KeepDays>) => chosen('keepDays', () => days);

export const presentationChosen = (shown: { lineId: string } | 'withhold') =>
  chosen('caller', () =>
    shown === 'withhold' ? { withhold: true } : { withhold: false, presentedLineId: shown.lineId },
  );

/** Remembered for somebody; null: nothing is. */
export const shownForChosen = ({ key, shown }: { key: string; shown: Shown | null }) =>
  chosen('caller', ({ shownFor: { [key]: _, ...others } }) => ({
    shownFor: shown === null ? others : { ...others, [key]: shown },
  }));

/** Goes for all numbers that begin so; null: nothing does. */
export const shownRuleChosen = ({ prefix, shown }: { prefix: string; shown: Shown | null }) =>
  chosen('caller', ({ shownRules }) => {
    const others = shownRules.filter((rule) => rule.prefix !== prefix);
    return { shownRules: shown === null ? others : [...others, { prefix, shown }] };
  });

/** What an earlier version kept on the device, where the worker has chosen nothing since. */
export const habitsTakenOver =
  (former: readonly Habit[]): Act =>
  (dispatch, getState) => {
    for (const habit of former)
      if (!getState().inbox.kept.habits[habit.id]) dispatch(keepOne('habits', habit));
  };
