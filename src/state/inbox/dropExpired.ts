import { createSelector } from '@reduxjs/toolkit';

import type { CallRecord } from '@/core/calls/exchange';
import {
  expiredFaxes,
  expiredRecordings,
  expiredTexts,
  expiredVoicemails,
  type KeepDays,
} from '@/core/inbox/retention';
import {
  askOffice,
  keepMany,
  selectKeepDays,
  type AppStore,
  type InboxSlice,
  type RootState,
} from '@/state/app';

import { storageKeys, type Vault } from '../storage';
import { inboxKeys } from '../kept';
import { pictureKeyOf } from '../pictures';

const expiredOf = (
  kept: InboxSlice['kept'],
  records: readonly CallRecord[],
  keepDays: KeepDays,
  now: number,
) => ({
  voicemails: expiredVoicemails(Object.values(kept.voicemails), now, keepDays.voicemails),
  texts: expiredTexts(Object.values(kept.messages), now, keepDays.texts),
  faxes: expiredFaxes(Object.values(kept.faxes), now, keepDays.faxes),
  recordings: expiredRecordings(records, kept.deletedRecordings, now, keepDays.recordings),
});

/** What is older than it is kept, by that instant. */
export const selectExpired = createSelector(
  (state: RootState) => state.inbox.kept,
  (state: RootState) => state.history.records,
  selectKeepDays,
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
  const { inbox, history } = store.getState();
  const { voicemails, texts, faxes, recordings } = expiredOf(inbox.kept, history.records, keepDays, now);
  const idsOf = (things: readonly { id: string }[]) => things.map(({ id }) => id);
  if (voicemails.length > 0)
    await store.dispatch(askOffice({ type: 'forgetVoicemails', ids: idsOf(voicemails) }));
  if (texts.length > 0) await store.dispatch(askOffice({ type: 'forget', ids: idsOf(texts) }));
  if (faxes.length > 0) await store.dispatch(askOffice({ type: 'forgetFaxes', ids: idsOf(faxes) }));
  if (recordings.length > 0) store.dispatch(keepMany('deletedRecordings', recordings));
  const keys = [
    ...[...idsOf(voicemails), ...idsOf(recordings)].map((id) => `${storageKeys.sound}${id}`),
    ...idsOf(faxes).map((id) => `${inboxKeys.faxPages}${id}`),
    ...texts.flatMap(({ picture }) => pictureKeyOf(picture?.url ?? '') ?? []),
  ];
  if (keys.length > 0) await vault.remove(keys);
}
