import { useCallback } from 'react';

import { placeCall, useAppDispatch } from '@/state/app';

import { useGo } from './useGo';

/** Calls a number and goes to the call once it is there. */
export function usePlaceCall() {
  const dispatch = useAppDispatch();
  const go = useGo();
  return useCallback(
    async (to: string, options?: { isDialled: boolean }) => {
      if (await dispatch(placeCall(to, options))) go.call();
    },
    [dispatch, go],
  );
}
