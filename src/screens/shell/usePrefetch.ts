import { useEffect } from 'react';

import { useAppSelector } from '@/state/app';

import { fetchSheets } from '../call/LazySheet';
import { fetchPlanScreen } from '../plan/fetchPlanScreen';
import { fetchStandingScreen } from '../standing/fetchStandingScreen';

const laterMs = 3000;

/** Fetches what does not belong to the start once that is over, so that it is there without a network. */
export function usePrefetch(): void {
  const isRunning = useAppSelector((state) => state.office.phase === 'running');
  useEffect(() => {
    if (!isRunning) return;
    // What can't be fetched now is asked for again when it is needed.
    const fetchAll = () => void Promise.allSettled([fetchSheets(), fetchPlanScreen(), fetchStandingScreen()]);
    const timer = setTimeout(fetchAll, laterMs);
    return () => clearTimeout(timer);
  }, [isRunning]);
}
