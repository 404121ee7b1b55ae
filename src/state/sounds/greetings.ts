import { uint8ArrayToBase64 } from 'uint8array-extras';
import type { Action, ThunkAction } from '@reduxjs/toolkit';

import { encodeWav } from '@/core/shared/soundFiles';
import type { Take } from '@/office/microphone';

import { changeGreeting, type RootState, type Services } from '@/state/app';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

/** Shorter than that nobody has said anything. */
const shortestSeconds = 0.5;

/**
 * Keeps what was recorded as the greeting's sound, under an id of its own, so that undo finds the former one again.
 * Says whether there was anything to keep.
 */
export const recordGreeting =
  (greetingId: string, { samples, sampleRate }: Take): Act<Promise<boolean>> =>
  async (dispatch, _, { keepSound, clock }) => {
    const seconds = samples.length / sampleRate;
    if (seconds < shortestSeconds) return false;
    const soundId = `${greetingId}-${clock.now()}-${Math.round(performance.now())}`;
    const wav = uint8ArrayToBase64(encodeWav(samples, sampleRate));
    await keepSound(soundId, { callId: null, durationMs: seconds * 1000, wav });
    dispatch(changeGreeting(greetingId, { recorded: { soundId, seconds: Math.ceil(seconds) } }));
    return true;
  };
