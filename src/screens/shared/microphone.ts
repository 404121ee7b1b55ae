import { deviceNow, soundDevicesOf, type SoundDevice } from '@/office/sound';

/** What opens it is fetched when it is first used. */
export const fetchMicrophone = () => import('@/office/microphone');

/** Why the browser gave no microphone, and what can be done about it. */
export function explainMicrophone(error: unknown): string {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError')
    return 'The microphone was refused. You hear the others, but they don’t hear you: allow it in the browser’s settings for this page, then try again.';
  if (name === 'NotFoundError') return 'No microphone is plugged in.';
  return 'The microphone could not be opened. Another program may be using it.';
}

/** The chosen microphone as the browser knows it now; null: its own choice, also where the chosen one is not plugged in. */
export async function idOf(chosen: SoundDevice | null): Promise<string | null> {
  if (chosen === null) return null;
  const there = soundDevicesOf((await navigator.mediaDevices?.enumerateDevices()) ?? [], 'audioinput');
  // Before it was allowed once, nothing has a name.
  return there.length === 0 ? chosen.id : (deviceNow(chosen, there)?.id ?? null);
}
