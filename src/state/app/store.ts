import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector, useStore, type TypedUseSelectorHook } from 'react-redux';

import { createServices } from './services';
import { reducers } from './slices';

export function createAppStore() {
  const services = createServices();
  const store = configureStore({
    reducer: reducers,
    middleware: (getDefault) =>
      // The checks walk the whole state at each action, which 100,000 records make too slow even for development.
      getDefault({ thunk: { extraArgument: services }, serializableCheck: false, immutableCheck: false }),
  });
  return { store, services };
}

export type AppStore = ReturnType<typeof createAppStore>['store'];
export type RootState = ReturnType<AppStore['getState']>;
export type AppDispatch = AppStore['dispatch'];

export const useAppDispatch: () => AppDispatch = useDispatch;
export const useAppSelector: TypedUseSelectorHook<RootState> = useSelector;
export const useAppStore: () => AppStore = useStore;
