import { selectTaken, unlocked, whenChanged, type AppStore } from '@/state/app';

const touches = ['pointerdown', 'keydown'] as const;
const minuteMs = 60_000;

/** Locks the device when nobody has touched it for as long as was chosen; not in a call, whose acts are wanted without a PIN. */
export function startLocking(store: AppStore): () => void {
  let timer: ReturnType<typeof setTimeout> | null = null;
  const begin = () => {
    if (timer !== null) clearTimeout(timer);
    const { lockAfter } = store.getState().settings;
    timer = lockAfter === null ? null : setTimeout(lock, lockAfter * minuteMs);
  };
  const lock = () => {
    const state = store.getState();
    if (selectTaken(state).length > 0) begin();
    else if (state.office.isUnlocked) store.dispatch(unlocked(false));
  };
  for (const touch of touches) window.addEventListener(touch, begin, { capture: true });
  const stop = whenChanged(store, ({ settings }) => settings.lockAfter, begin);
  begin();
  return () => {
    stop();
    if (timer !== null) clearTimeout(timer);
    for (const touch of touches) window.removeEventListener(touch, begin, { capture: true });
  };
}
