import { TabLock } from '@/office/lock';

import { selectMySound } from './mySound';
import { actDone, frontChanged } from './slices';
import type { AppStore } from './store';

/**
 * Keeps one tab of all in front: the one that was looked at last, or any where that has gone. It alone sounds, and tells the system.
 * Gives what ends it.
 */
export function startFront(store: AppStore, storage: string): () => void {
  let wasLeft = false;
  const lock = new TabLock(`${storage}/front`, {
    onHeld: () => {
      store.dispatch(frontChanged(true));
      if (wasLeft && selectMySound(store.getState()) !== null)
        store.dispatch(actDone('The sound is in this tab now.'));
    },
    onLost: () => {
      wasLeft = true;
      store.dispatch(frontChanged(false));
    },
  });
  const look = () => {
    if (document.visibilityState === 'visible') lock.take();
  };
  lock.want();
  look();
  window.addEventListener('focus', look);
  document.addEventListener('visibilitychange', look);
  return () => {
    window.removeEventListener('focus', look);
    document.removeEventListener('visibilitychange', look);
    lock.close();
  };
}
