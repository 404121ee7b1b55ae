import { addListener, configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { useDispatch, useSelector, useStore, type TypedUseSelectorHook } from 'react-redux';

import { createServices } from './services';
import { reducers } from './slices';

export function createAppStore() {
  const services = createServices();
  const store = configureStore({
    reducer: reducers,
    middleware: (getDefault) =>
      // The checks walk the whole state at each action, which 100,000 records make too slow even for development.
      getDefault({
        thunk: { extraArgument: services },
        serializableCheck: false,
        immutableCheck: false,
      }).prepend(createListenerMiddleware().middleware),
  });
  return { store, services };
}

export type AppStore = ReturnType<typeof createAppStore>['store'];
export type RootState = ReturnType<AppStore['getState']>;
export type AppDispatch = AppStore['dispatch'];

const listen = addListener.withTypes<RootState, AppDispatch>();

/**
 * Acts whenever what is selected has become another, in the turn in which it has; of objects that is another one. Gives what ends
 * it. All that follows the state by itself does so by this.
 */
export const whenChanged = <T>(
  store: AppStore,
  select: (state: RootState) => T,
  act: (now: T, before: T) => void,
): (() => void) =>
  store.dispatch(
    listen({
      predicate: (_, now, before) => select(now) !== select(before),
      effect: (_, { getState, getOriginalState }) => act(select(getState()), select(getOriginalState())),
    }),
  );

/** Resolves once that is so. */
export function onceSo(store: AppStore, isSo: (state: RootState) => boolean): Promise<void> {
  return new Promise((resolve) => {
    if (isSo(store.getState())) return resolve();
    const stop = whenChanged(store, isSo, () => {
      stop();
      resolve();
    });
  });
}

export const useAppDispatch: () => AppDispatch = useDispatch;
export const useAppSelector: TypedUseSelectorHook<RootState> = useSelector;
export const useAppStore: () => AppStore = useStore;
