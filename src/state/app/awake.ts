import { selectTaken } from './callViews';
import { selectWaitingCount } from './looseEnds';
import type { Services } from './services';
import { whenChanged, type AppStore } from './store';

const minuteMs = 60_000;

/** Keeps the screen on while somebody is talked with, where this tab is looked at (W3C Screen Wake Lock). */
export function startStayingAwake(store: AppStore): void {
  if (!('wakeLock' in navigator)) return;
  let lock: Promise<WakeLockSentinel | null> | null = null;
  const follow = () => {
    const isWanted = selectTaken(store.getState()).length > 0 && document.visibilityState === 'visible';
    if (isWanted && !lock) lock = navigator.wakeLock.request('screen').catch(() => null);
    if (isWanted || !lock) return;
    void lock.then((sentinel) => sentinel?.release());
    lock = null;
  };
  whenChanged(store, selectTaken, follow);
  // The browser lets it go by itself when the tab is left.
  document.addEventListener('visibilitychange', follow);
}

/** How many wait for an answer stands at the app's icon, where the system shows that (W3C Badging API). */
export function startBadge(store: AppStore, { clock }: Services): void {
  if (!('setAppBadge' in navigator)) return;
  let shown = -1;
  const follow = () => {
    const count = selectWaitingCount(store.getState(), clock.now());
    if (count === shown) return;
    shown = count;
    void navigator.setAppBadge(count).catch(() => undefined);
  };
  whenChanged(store, (state) => state.inbox, follow);
  setInterval(follow, minuteMs);
  follow();
}
