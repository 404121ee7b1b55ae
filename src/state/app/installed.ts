import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { selectTaken } from './callViews';
import type { Services } from './services';
import { actRefused, appKept, newerWaits } from './slices';
import type { AppStore, RootState } from './store';

type Act = ThunkAction<void, RootState, Services, Action>;

/** Made by scripts/serviceWorker.mjs; there is none while Metro serves the app. */
export const workerFile = '/sw.js';
/** How often it is looked for a newer version, while the app is open. */
const lookMs = 60 * 60 * 1000;

/**
 * Has the whole app kept on this device, so that it opens with no network, and says when a newer one is there. That waits until no tab
 * of this one is open: it is taken earlier only where somebody asks for it, by all tabs at once.
 */
export function startInstalled(store: AppStore): void {
  if (!('serviceWorker' in navigator)) return;
  const { serviceWorker } = navigator;
  let isControlled = serviceWorker.controller !== null;
  serviceWorker.addEventListener('controllerchange', () => {
    if (isControlled) window.location.reload();
    isControlled = true;
  });
  whenIdle(() => void keep(store));
}

async function keep({ dispatch }: AppStore): Promise<void> {
  try {
    // What it brings in is asked for anew too: else an hour-old part could stand beside a new one.
    const registration = await navigator.serviceWorker.register(workerFile, { updateViaCache: 'none' });
    const follow = () => {
      const { installing, waiting, active } = registration;
      if (waiting && active) dispatch(newerWaits());
      if (active) dispatch(appKept('kept'));
      else dispatch(appKept(installing || waiting ? 'fetching' : 'failed'));
      installing?.addEventListener('statechange', follow, { once: true });
      if (!active) waiting?.addEventListener('statechange', follow, { once: true });
    };
    registration.addEventListener('updatefound', follow);
    follow();
    setInterval(() => {
      if (navigator.onLine && document.visibilityState === 'visible')
        void registration.update().catch(() => undefined);
    }, lookMs);
  } catch {
    dispatch(appKept('failed'));
  }
}

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

function whenIdle(act: () => void): void {
  if (typeof requestIdleCallback === 'undefined') setTimeout(act);
  else requestIdleCallback(act, { timeout: 5_000 });
}
