import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { Greeting } from '@/core/setup';

import { editPlan } from './planning';
import type { Services } from './services';
import type { RootState } from './store';

type Act<T> = ThunkAction<T, RootState, Services, Action>;

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
    void player?.say(text);
    return true;
  };
