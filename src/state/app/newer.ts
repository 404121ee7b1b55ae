import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { selectTaken } from './callViews';
import type { Services } from './services';
import { actRefused } from './slices';
import type { RootState } from './store';

type Act = ThunkAction<void, RootState, Services, Action>;

/** Made by scripts/serviceWorker.mjs; there is none while Metro serves the app. */
export const workerFile = '/sw.js';

/** Uses the newer version now: in all tabs, which begin anew. Not in a call. */
export const takeNewer = (): Act => (dispatch, getState) => {
  if (selectTaken(getState()).length > 0) {
    dispatch(actRefused('You are in a call. End it first.'));
    return;
  }
  void navigator.serviceWorker
    .getRegistration()
    .then((registration) => registration?.waiting?.postMessage({ type: 'SKIP_WAITING' }));
};
