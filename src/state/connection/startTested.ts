import { networkTested, whenChanged, type AppStore } from '@/state/app';

/** After so long somebody who moves is elsewhere. */
const holdsMs = 15 * 60_000;

/** What was tried is reckoned with for a quarter of an hour, as long as the network is the same. */
export function startTested(store: AppStore): () => void {
  let timer: ReturnType<typeof setTimeout> | null = null;
  const forget = () => {
    if (store.getState().office.tested) store.dispatch(networkTested(null));
  };
  const stopTimer = () => {
    if (timer !== null) clearTimeout(timer);
  };
  const stops = [
    whenChanged(store, ({ office }) => office.isOnline, forget),
    whenChanged(
      store,
      ({ office }) => office.tested,
      (tested) => {
        stopTimer();
        if (tested) timer = setTimeout(forget, holdsMs);
      },
    ),
  ];
  return () => {
    stops.forEach((stop) => stop());
    stopTimer();
  };
}
