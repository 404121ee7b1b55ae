import type { ReactNode } from 'react';

import { nameOfCall, send, useAppDispatch, type CallView } from '@/state/app';
import { Plate } from '@/ui/plate';

import { useGo } from '../../shared/useGo';

/** For a sheet that answers a ringing call otherwise: it can still be answered, at the sheet's foot. */
export function useAnswering(view: CallView, isRinging: boolean): { about?: string; foot?: ReactNode } {
  const dispatch = useAppDispatch();
  const go = useGo();
  if (!isRinging) return {};
  const answer = async () => {
    const result = await dispatch(send({ type: 'answer', legId: view.me.legId }));
    if (result?.ok) go.call();
  };
  return {
    about: view.id,
    foot: (
      <Plate
        kind="answer"
        word="Answer"
        label={`Answer ${nameOfCall(view)}`}
        onPress={() => void answer()}
        style={{ flex: 1 }}
      />
    ),
  };
}
