import { onlineChanged } from './slices';
import type { AppStore } from './store';

/** Whether the browser has a network. */
export function followConnection(store: AppStore): void {
  const follow = () => store.dispatch(onlineChanged(navigator.onLine));
  follow();
  window.addEventListener('online', follow);
  window.addEventListener('offline', follow);
}

/** The office sends what waits once there is a network again. Gives what ends it. */
export function tellOfConnection(store: AppStore, office: { connectionChanged: () => void }): () => void {
  let wasOnline = store.getState().office.isOnline;
  return store.subscribe(() => {
    const { isOnline } = store.getState().office;
    if (isOnline === wasOnline) return;
    wasOnline = isOnline;
    office.connectionChanged();
  });
}
