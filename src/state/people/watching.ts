import {
  dropSome,
  keepOne,
  placeCall,
  sayInFront,
  selectMyId,
  selectOffice,
  selectPresence,
  tellElsewhere,
  whenChanged,
  type AppStore,
  type Services,
} from '@/state/app';

import type { Act } from './blocks';

/** What colleagues say of themselves ends by the clock, too. */
const lookMs = 5_000;

/** Asks to be told when a colleague is free; with `thenCall` they are called then. */
export const watchUntilFree =
  (personId: string, thenCall: boolean): Act =>
  (dispatch, _, { clock }) => {
    dispatch(keepOne('freeWatches', { id: personId, since: clock.now(), thenCall }));
  };

export const stopWatching =
  (personId: string): Act =>
  (dispatch) => {
    dispatch(dropSome('freeWatches', [personId]));
  };

/**
 * Tells, once, when somebody waited for is free; where they are to be called (as in completion of calls to a busy
 * subscriber, 3GPP TS 24.642, but for any reason of not being free), when the worker is free too. Gives what ends it.
 */
export function startWatching(store: AppStore, { clock }: Services): () => void {
  const look = () => {
    const state = store.getState();
    const watches = Object.values(state.inbox.kept.freeWatches);
    if (watches.length === 0) return;
    const presence = selectPresence(state, clock.now());
    const amFree = presence[selectMyId(state)]?.state !== 'onCall';
    for (const { id, thenCall } of watches) {
      const person = selectOffice(state).people.get(id);
      if (presence[id]?.state !== 'free' || (thenCall && !amFree)) continue;
      store.dispatch(dropSome('freeWatches', [id]));
      if (!person) continue;
      const words = thenCall ? 'is free now, and is being called.' : 'is free now.';
      store.dispatch(sayInFront(`${person.name} ${words}`));
      store.dispatch(
        tellElsewhere({ kind: 'colleagues', tag: `free-${id}`, title: person.name, body: words }),
      );
      if (thenCall) void store.dispatch(placeCall(person.extension));
    }
  };
  const stop = whenChanged(store, (state) => state, look);
  const timer = setInterval(look, lookMs);
  return () => {
    stop();
    clearInterval(timer);
  };
}
