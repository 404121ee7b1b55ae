import { createSelector } from '@reduxjs/toolkit';

import { expiredFaxes, expiredTexts, expiredVoicemails, type KeepDays } from '@/core/retention';
import { dropSome, type AppStore, type CatchUpSlice, type RootState } from '@/state/app';

import { storageKeys, type Vault } from '../storage';
import { catchUpKeys } from './kinds';
import { pictureKeyOf } from './pictures';

const expiredOf = (kept: CatchUpSlice['kept'], keepDays: KeepDays, now: number) => ({
  voicemails: expiredVoicemails(Object.values(kept.voicemails), now, keepDays.voicemails),
  texts: expiredTexts(Object.values(kept.messages), now, keepDays.texts),
  faxes: expiredFaxes(Object.values(kept.faxes), now, keepDays.faxes),
});

/** What is older than it is kept, by that instant. */
export const selectExpired = createSelector(
  (state: RootState) => state.catchUp.kept,
  (state: RootState) => state.settings.keepDays,
  (_: RootState, now: number) => now,
  expiredOf,
);

/**
 * Drops it for good, with the sounds, pages and pictures that belong to it. `keepDays` is as it was when the app started:
 * what is chosen meanwhile holds from the next start, as the choice says.
 */
export async function dropExpired(
  store: AppStore,
  vault: Vault,
  keepDays: KeepDays,
  now: number,
): Promise<void> {
  const { voicemails, texts, faxes } = expiredOf(store.getState().catchUp.kept, keepDays, now);
  const idsOf = (things: readonly { id: string }[]) => things.map(({ id }) => id);
  if (voicemails.length > 0) store.dispatch(dropSome('voicemails', idsOf(voicemails)));
  if (texts.length > 0) store.dispatch(dropSome('messages', idsOf(texts)));
  if (faxes.length > 0) store.dispatch(dropSome('faxes', idsOf(faxes)));
  const keys = [
    ...idsOf(voicemails).map((id) => `${storageKeys.sound}${id}`),
    ...idsOf(faxes).map((id) => `${catchUpKeys.faxPages}${id}`),
    ...texts.flatMap(({ picture }) => pictureKeyOf(picture?.url ?? '') ?? []),
  ];
  if (keys.length > 0) await vault.remove(keys);
}
