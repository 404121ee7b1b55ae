import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { actRefused, leaveForGood, selectTaken, type RootState, type Services } from '../app';
import { keepOwnToken } from '../offices';
import { askAccess } from './access';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** In a call nobody leaves by a slip. */
const refusedInCall: Act<boolean> = (dispatch, getState) => {
  if (selectTaken(getState()).length === 0) return false;
  dispatch(actRefused('You are in a call. End it first.'));
  return true;
};

/** This device is signed out; what is kept on it stays, for whoever signs in next. `id`: of its sign-in. */
export const signOutHere =
  (id: string): Act<Promise<void>> =>
  async (dispatch, _, { beginAnew }) => {
    if (dispatch(refusedInCall)) return;
    const problem = await dispatch(askAccess({ type: 'signOutDevice', id }));
    if (problem !== null) {
      dispatch(actRefused(problem));
      return;
    }
    keepOwnToken(null);
    beginAnew();
  };

/** Nothing of Cendro stays in this browser: both offices, all that was kept of them, and the app itself. */
export const wipeDevice =
  (id: string | null): Act<Promise<void>> =>
  async (dispatch, _, { finish, others }) => {
    if (dispatch(refusedInCall)) return;
    if (id !== null) await dispatch(askAccess({ type: 'signOutDevice', id }));
    await finish(true);
    others?.say({ kind: 'wiped' });
    leaveForGood();
  };
