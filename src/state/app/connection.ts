import { onlineChanged } from './slices';
import { whenChanged, type AppStore } from './store';

/** Whether the browser has a network. */
export function followConnection(store: AppStore): void {
  const follow = () => store.dispatch(onlineChanged(navigator.onLine));
  follow();
  window.addEventListener('online', follow);
  window.addEventListener('offline', follow);
}

/** The office sends what waits once there is a network again. Gives what ends it. */
export function tellOfConnection(store: AppStore, office: { connectionChanged: () => void }): () => void {
  return whenChanged(
    store,
    (state) => state.office.isOnline,
    () => office.connectionChanged(),
  );
}
