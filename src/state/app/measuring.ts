import { follow, qualityOver } from '@/core/calls/quality';
import type { Clock } from '@/office/clock';

import { selectTaken } from './callViews';
import { isActive } from './mySound';
import { measured } from './slices';
import type { AppStore } from './store';

const everyMs = 1000;

/** Follows how the call that is talked on sounds, a measurement a second. Returns a function that ends it. */
export function startMeasuring(store: AppStore, clock: Clock): () => void {
  const measure = () => {
    const state = store.getState();
    const { trend, network } = state.office;
    const isTalking = selectTaken(state).some((view) => isActive(view) && view.phase === 'talking');
    if (!isTalking) {
      if (trend) store.dispatch(measured(null));
      return;
    }
    const next = follow(trend, clock.now(), qualityOver(network));
    if (next !== trend) store.dispatch(measured(next));
  };
  const timer = setInterval(measure, everyMs);
  const stop = clock.subscribe(measure);
  return () => {
    clearInterval(timer);
    stop();
  };
}
