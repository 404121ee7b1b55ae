import { onlineChanged } from './slices';
import type { AppStore } from './store';

/** Whether the browser has a network. */
export function followConnection(store: AppStore): void {
  const follow = () => store.dispatch(onlineChanged(navigator.onLine));
  follow();
  window.addEventListener('online', follow);
  window.addEventListener('offline', follow);
}
