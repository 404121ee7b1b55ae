import { selectTaken, selectWaitingCount, whenChanged, type AppStore, type Services } from '@/state/app';

const minuteMs = 60_000;

/** Keeps the screen on while somebody is talked with, where this tab is looked at (W3C Screen Wake Lock). */
export function startStayingAwake(store: AppStore): () => void {
  if (!('wakeLock' in navigator)) return () => undefined;
  let lock: Promise<WakeLockSentinel | null> | null = null;
  const follow = () => {
    const isWanted = selectTaken(store.getState()).length > 0 && document.visibilityState === 'visible';
    if (isWanted && !lock) lock = navigator.wakeLock.request('screen').catch(() => null);
    if (isWanted || !lock) return;
    void lock.then((sentinel) => sentinel?.release());
    lock = null;
  };
  const stop = whenChanged(store, selectTaken, follow);
  // The browser lets it go by itself when the tab is left.
  document.addEventListener('visibilitychange', follow);
  return () => {
    stop();
    document.removeEventListener('visibilitychange', follow);
  };
}

/** How many wait for an answer stands at the app's icon, where the system shows that (W3C Badging API). */
export function startBadge(store: AppStore, { clock }: Pick<Services, 'clock'>): () => void {
  if (!('setAppBadge' in navigator)) return () => undefined;
  let shown = -1;
  const follow = () => {
    const count = selectWaitingCount(store.getState(), clock.now());
    if (count === shown) return;
    shown = count;
    void navigator.setAppBadge(count).catch(() => undefined);
  };
  const stop = whenChanged(store, (state) => state.inbox, follow);
  const timer = setInterval(follow, minuteMs);
  follow();
  return () => {
    stop();
    clearInterval(timer);
  };
}
