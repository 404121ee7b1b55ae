import { follow, qualityOver } from '@/core/calls/quality';
import { selectTaken } from './callViews';
import { isActive } from './mySound';
import type { Services } from './services';
import { measured } from './slices';
import type { AppStore } from './store';

const everyMs = 1000;

/** Follows how the call that is talked on sounds, a measurement a second. Returns a function that ends it. */
export function startMeasuring(store: AppStore, services: Services): () => void {
  const { clock } = services;
  const measure = () => {
    const state = store.getState();
    const { trend, network } = state.office;
    const isTalking = selectTaken(state).some((view) => isActive(view) && view.phase === 'talking');
    if (!isTalking) {
      if (trend) store.dispatch(measured({ trend: null, passage: null }));
      return;
    }
    // Between real voices it is measured; a stand-in network says it itself.
    const coming = services.coming();
    const over = services.server ? coming?.network : network;
    if (!over) return;
    const next = follow(trend, clock.now(), qualityOver(over));
    if (next !== trend) store.dispatch(measured({ trend: next, passage: coming?.passage ?? null }));
  };
  const timer = setInterval(measure, everyMs);
  const stop = clock.subscribe(measure);
  return () => {
    clearInterval(timer);
    stop();
  };
}
