import type { ReachedServer } from '@/office/socket';

import { onlineChanged } from './slices';
import type { AppStore } from './store';

/** Whether the browser has a network and, where a server hosts the office, reaches it. */
export function followConnection(store: AppStore, server?: ReachedServer): void {
  let isReached = true;
  const follow = () => store.dispatch(onlineChanged(navigator.onLine && isReached));
  server?.follow((is) => {
    isReached = is;
    follow();
  });
  follow();
  window.addEventListener('online', follow);
  window.addEventListener('offline', follow);
}
