import {
  isActive,
  selectCallHabits,
  selectMyDeviceId,
  selectIncoming,
  selectTaken,
  send,
  whenChanged,
  type AppStore,
  type RootState,
} from '@/state/app';

/** How many calls are talked on, or held, at this device. */
const selectTakenCount = (state: RootState) => selectTaken(state).filter((view) => isActive(view)).length;

/**
 * Has calls behave as their worker likes: whether a second one may ring here, and whether it is taken by itself once the first has ended.
 */
export function startCallHabits(store: AppStore): () => void {
  const setWaiting = (on: boolean) =>
    void store.dispatch(send({ type: 'setCallWaiting', deviceId: selectMyDeviceId(store.getState()), on }));
  // At first it is as the office has it: calls may wait.
  if (!selectCallHabits(store.getState()).waiting) setWaiting(false);
  const stops = [
    whenChanged(store, (state) => selectCallHabits(state).waiting, setWaiting),
    whenChanged(store, selectTakenCount, (count) => {
      const state = store.getState();
      if (count > 0 || !selectCallHabits(state).takesWaiting || !state.office.isInFront) return;
      // Whoever was put aside is nobody's to leave for somebody new.
      if (selectTaken(state).length > 0) return;
      const [waited] = selectIncoming(state);
      if (waited) void store.dispatch(send({ type: 'answer', legId: waited.me.legId }));
    }),
  ];
  return () => stops.forEach((stop) => stop());
}
