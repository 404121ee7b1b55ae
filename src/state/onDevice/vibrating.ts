import { selectMySound, whenChanged, type AppStore } from '@/state/app';

/** In milliseconds, on and off; the turn begins again as long as it rings. */
const pattern = [400, 200, 400];
const turnMs = 3_000;

/** The device trembles while it rings, where it can and somebody wants it (W3C Vibration API). */
export function startVibrating(store: AppStore): () => void {
  if (!('vibrate' in navigator)) return () => undefined;
  let timer: ReturnType<typeof setInterval> | null = null;
  const follow = () => {
    const state = store.getState();
    const isRinging = selectMySound(state)?.startsWith('ring ') ?? false;
    const isWanted = isRinging && state.settings.vibrates && state.office.isInFront;
    if (isWanted === (timer !== null)) return;
    if (timer === null) {
      navigator.vibrate(pattern);
      timer = setInterval(() => navigator.vibrate(pattern), turnMs);
    } else {
      clearInterval(timer);
      timer = null;
      navigator.vibrate(0);
    }
  };
  const stop = whenChanged(store, selectMySound, follow);
  return () => {
    stop();
    if (timer !== null) clearInterval(timer);
  };
}
