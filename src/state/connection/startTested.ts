import { networkTested, selectTaken, whenChanged, type AppStore, type Services } from '@/state/app';

import { tryQuietly } from './testing';

/** After so long somebody who moves is elsewhere. */
const holdsMs = 15 * 60_000;

/**
 * What was tried is reckoned with for a quarter of an hour, as long as the network is the same. Where a server hosts the office, the link to it
 * is tried again then, and whenever it is reached again, unless a call goes on, which is measured by itself.
 */
export function startTested(store: AppStore, services: Services): () => void {
  let timer: ReturnType<typeof setTimeout> | null = null;
  const again = () => {
    const state = store.getState();
    const isFree = selectTaken(state).length === 0 && document.visibilityState === 'visible';
    if (services.server && state.office.isOnline && isFree) void store.dispatch(tryQuietly());
    else if (state.office.tested) store.dispatch(networkTested(null));
    if (timer !== null) clearTimeout(timer);
    timer = setTimeout(again, holdsMs);
  };
  const stops = [
    whenChanged(
      store,
      ({ office }) => office.isOnline,
      () => {
        store.dispatch(networkTested(null));
        again();
      },
    ),
    whenChanged(
      store,
      ({ office }) => office.tested,
      () => {
        if (timer !== null) clearTimeout(timer);
        timer = setTimeout(again, holdsMs);
      },
    ),
  ];
  again();
  return () => {
    stops.forEach((stop) => stop());
    if (timer !== null) clearTimeout(timer);
  };
}
