import { uint8ArrayToBase64 } from 'uint8array-extras';
import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { Greeting } from '@/core/setup';
import { encodeWav } from '@/core/shared/sound';
import type { Take } from '@/office/sound';

import { editPlan, type RootState, type Services } from '@/state/app';

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

export const changeGreeting = (greetingId: string, change: Partial<Greeting>): Act<void> =>
  editPlan((plan) => ({
    ...plan,
    greetings: plan.greetings?.map((each) => (each.id === greetingId ? { ...each, ...change } : each)),
  }));

/** Lets the worker hear a greeting as callers do. Says whether its sound could be found. */
export const hearGreeting =
  ({ recorded, text }: Greeting): Act<Promise<boolean>> =>
  async (_, __, { playSound, player }) => {
    if (recorded) return playSound(recorded.soundId);
    player?.say(text);
    return true;
  };
