import { useCallback, useEffect, useState } from 'react';

import { useAppDispatch, useAppSelector } from '@/state/app';
import { isServed } from '@/state/offices';
import { readConfirmed, type ConfirmedPlaces } from '@/state/telling';

export interface Confirmation {
  /** null: it is not known now. */
  confirmed: ConfirmedPlaces | null;
  onConfirmed: () => void;
}

/** Which places are known to be the worker's own; asked anew when there are others, and when the office is reached again. */
export function useConfirmed(count: number): { confirmed: ConfirmedPlaces | null; reload: () => void } {
  const dispatch = useAppDispatch();
  const isOnline = useAppSelector((state) => state.office.isOnline);
  const [confirmed, setConfirmed] = useState<ConfirmedPlaces | null>(null);
  const [readings, setReadings] = useState(0);
  useEffect(() => {
    if (!isServed()) return;
    let isOver = false;
    void dispatch(readConfirmed()).then((read) => {
      if (!isOver) setConfirmed(read);
    });
    return () => {
      isOver = true;
    };
  }, [dispatch, count, isOnline, readings]);
  return { confirmed, reload: useCallback(() => setReadings((before) => before + 1), []) };
}
