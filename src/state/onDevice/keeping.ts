import { appKept, newerWaits, workerFile, type AppStore } from '@/state/app';

/** How often it is looked for a newer version, while the app is open. */
const lookMs = 60 * 60 * 1000;

/**
 * Has the whole app kept on this device, so that it opens with no network, and says when a newer one is there. That waits until no tab
 * of this one is open: it is taken earlier only where somebody asks for it, by all tabs at once.
 */
export function startKeepingApp(store: AppStore): void {
  if (!('serviceWorker' in navigator)) return;
  const { serviceWorker } = navigator;
  // The first one that is there takes over a page that is of the same build.
  let hasOne = serviceWorker.controller !== null;
  serviceWorker.addEventListener('controllerchange', () => {
    if (hasOne) window.location.reload();
    hasOne = true;
  });
  // A page that was reloaded past it is not its own, and still of the build that it keeps.
  whenIdle(() => void keep(store, () => (hasOne = true)));
}

async function keep({ dispatch }: AppStore, onFound: () => void): Promise<void> {
  try {
    // What it brings in is asked for anew too: else an hour-old part could stand beside a new one.
    const registration = await navigator.serviceWorker.register(workerFile, { updateViaCache: 'none' });
    if (registration.active) onFound();
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

function whenIdle(act: () => void): void {
  if (typeof requestIdleCallback === 'undefined') setTimeout(act);
  else requestIdleCallback(act, { timeout: 5_000 });
}
