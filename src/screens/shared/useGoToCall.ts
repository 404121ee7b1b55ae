import { useCallback } from 'react';

import { selectCallHabits, useAppStore } from '@/state/app';

import { useGo } from './useGo';

/** To the call that has just begun, where the worker likes it to come to the front; else it is docked where they are. */
export function useGoToCall(): () => void {
  const go = useGo();
  const store = useAppStore();
  return useCallback(() => {
    if (selectCallHabits(store.getState()).comes) go.call();
  }, [go, store]);
}
