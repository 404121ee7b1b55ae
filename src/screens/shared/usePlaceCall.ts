import { useCallback } from 'react';

import { placeAsked, placeCall, selectTravel, useAppDispatch, useAppStore } from '@/state/app';
import { asksPlace } from '@/state/place';

import { openCallSheet } from '../call/openSheet';
import { useGoToCall } from './useGoToCall';

/** Calls a number and goes to the call once it is there; asks before whether help still finds this device, once, and which number is seen, where the worker wants to be asked. */
export function usePlaceCall() {
  const store = useAppStore();
  const dispatch = useAppDispatch();
  const goToCall = useGoToCall();
  return useCallback(
    async (to: string, { isDialled = false } = {}) => {
      const state = store.getState();
      if (asksPlace(state, to)) {
        dispatch(placeAsked());
        openCallSheet({ kind: 'askPlace', to, isDialled });
      } else if (selectTravel(state, to, isDialled).asksShown)
        openCallSheet({ kind: 'askShown', to, isDialled });
      else if (await dispatch(placeCall(to, { isDialled }))) goToCall();
    },
    [store, dispatch, goToCall],
  );
}
