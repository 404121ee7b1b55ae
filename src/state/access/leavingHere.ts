import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { actRefused, leaveForGood, selectTaken, type RootState, type Services } from '../app';
import { keepOwnToken, ownToken } from '../offices';
import { forgetKeptView } from '../storage';
import { askAccess } from './access';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** In a call nobody leaves by a slip. */
const refusedInCall: Act<boolean> = (dispatch, getState) => {
  if (selectTaken(getState()).length === 0) return false;
  dispatch(actRefused('You are in a call. End it first.'));
  return true;
};

/**
 * This device is signed out; what is kept on it stays, for whoever signs in next, but for what an office on a server had told it. `id`: of its
 * sign-in.
 */
export const signOutHere =
  (id: string): Act<Promise<void>> =>
  async (dispatch, _, { beginAnew, server, vault }) => {
    if (dispatch(refusedInCall)) return;
    const token = ownToken();
    // Before the office says that this device is not let in any more, on which the page begins anew.
    keepOwnToken(null);
    const problem = await dispatch(askAccess({ type: 'signOutDevice', id }));
    if (problem === null) {
      if (server && vault) await forgetKeptView(vault);
      return beginAnew();
    }
    keepOwnToken(token);
    dispatch(actRefused(problem));
  };

/** Nothing of Cendro stays in this browser: both offices, all that was kept of them, and the app itself. */
export const wipeDevice =
  (): Act<Promise<void>> =>
  async (dispatch, _, { finish, others }) => {
    if (dispatch(refusedInCall)) return;
    await finish(true);
    others?.say({ kind: 'wiped' });
    leaveForGood();
  };
