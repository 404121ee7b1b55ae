import { useCallback } from 'react';

import { placeCall, selectTravel, useAppDispatch, useAppStore } from '@/state/app';

import { openCallSheet } from '../call/openSheet';
import { useGoToCall } from './useGoToCall';

/** Calls a number and goes to the call once it is there; asks before which number is seen, where the worker wants to be asked. */
export function usePlaceCall() {
  const store = useAppStore();
  const dispatch = useAppDispatch();
  const goToCall = useGoToCall();
  return useCallback(
    async (to: string, { isDialled = false } = {}) => {
      if (selectTravel(store.getState(), to, isDialled).asksShown)
        openCallSheet({ kind: 'askShown', to, isDialled });
      else if (await dispatch(placeCall(to, { isDialled }))) goToCall();
    },
    [store, dispatch, goToCall],
  );
}
