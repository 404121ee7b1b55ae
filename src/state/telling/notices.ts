import type { CallRecord } from '@/core/calls/exchange';
import type { Message } from '@/core/inbox/messages';
import {
  missedHappened,
  noticeOf,
  tellingOf,
  textHappened,
  voicemailHappened,
  type Happened,
  type NoticeKind,
  type Told,
} from '@/core/inbox/notifications';
import type { Voicemail } from '@/core/inbox/voicemail';
import { keepOne, selectMyId, selectOffice, selectPeople, type AppStore, type RootState } from '@/state/app';

const around = (state: RootState) => ({
  ...{ office: selectOffice(state), personId: selectMyId(state), people: selectPeople(state) },
});

/** Puts it on the way to every place that is told of its kind. */
function tell(store: AppStore, happened: Happened | null, now: number): void {
  const state = store.getState();
  const { destinations, told } = state.inbox.kept;
  if (happened === null) return;
  for (const one of tellingOf(happened, Object.values(destinations), around(state), now))
    if (!told[one.id]) store.dispatch(keepOne('told', one));
}

export function tellPlacesOfTexts(store: AppStore, messages: readonly Message[], now: number): void {
  for (const message of messages) tell(store, textHappened(message), now);
}

/** A call that nobody here took, and that left no voicemail. */
export const tellPlacesOfMissed = (store: AppStore, record: CallRecord, now: number): void =>
  tell(store, missedHappened(record), now);

export const tellPlacesOfVoicemail = (store: AppStore, voicemail: Voicemail, now: number): void =>
  tell(store, voicemailHappened(voicemail), now);

/** Something to see whether it arrives, told of nothing that happened. */
export function trialFor(state: RootState, destinationId: string, kind: NoticeKind, at: number): Told | null {
  const place = state.inbox.kept.destinations[destinationId]?.place;
  if (!place) return null;
  const id = `trial-${at}`;
  const words = 'This is a test. Nothing has happened.';
  const happened = { id, kind, at, lineId: null, number: null, name: null, words, soundId: null };
  const from = { name: 'nobody (a test)', number: null };
  return {
    ...{ id: `${id}>${destinationId}`, notice: { ...noticeOf(happened, around(state)), from } },
    ...{ place, soundId: null, toldAt: at, progress: null },
  };
}
