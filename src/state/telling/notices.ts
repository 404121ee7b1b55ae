import type { CallRecord } from '@/core/calls/exchange';
import { isInside, type Message } from '@/core/inbox/messages';
import { toldOf, type Notice, type NoticeKind, type Told } from '@/core/inbox/notifications';
import { textOf, type Voicemail } from '@/core/inbox/voicemail';
import {
  formatAny,
  identifyNumber,
  keepOne,
  selectMyId,
  selectOffice,
  selectPeople,
  type AppStore,
  type RootState,
} from '@/state/app';

type Happened = Pick<Notice, 'id' | 'kind' | 'at'> & {
  lineId: string | null;
  number: string | null;
  name: string | null;
} & Partial<Pick<Notice, 'words' | 'durationMs'>>;

/** What happened in the words in which it is told elsewhere. */
function noticeOf(
  state: RootState,
  { id, kind, at, lineId, number, name, words = null, durationMs = null }: Happened,
): Notice {
  const office = selectOffice(state);
  const line = office.ever.lines.get(lineId ?? '');
  return {
    id,
    kind,
    at,
    zone: office.setup.zone,
    forName: office.ever.people.get(selectMyId(state))?.name ?? '',
    line: line
      ? { name: line.name, number: formatAny(line.number, office.plan), e164: e164Of(line.number) }
      : null,
    from: {
      name: identifyNumber(number, name, selectPeople(state)).name,
      number: number === null ? null : formatAny(number, office.plan),
      e164: e164Of(number),
    },
    words,
    durationMs,
    soundWav: null,
  };
}

/** Extensions, and who withheld their number, have none. */
const e164Of = (number: string | null) => (number?.startsWith('+') ? number : null);

/** Puts it on the way to every place that is told of its kind. */
function tell(store: AppStore, happened: Happened, toldAt: number, soundId: string | null = null): void {
  const state = store.getState();
  const { destinations, told } = state.inbox.kept;
  for (const { id, place } of toldOf(Object.values(destinations), happened.kind)) {
    const one = {
      id: `${happened.id}>${id}`,
      notice: noticeOf(state, happened),
      place,
      soundId,
      toldAt,
      progress: null,
    };
    if (!told[one.id]) store.dispatch(keepOne('told', one));
  }
}

export function tellPlacesOfTexts(store: AppStore, messages: readonly Message[], now: number): void {
  for (const { id, at, direction, lineId, number, text, picture } of messages) {
    // What colleagues write among themselves stays inside.
    if (direction !== 'in' || isInside(number)) continue;
    const words = [text, picture ? `(A picture: ${picture.alt})` : '']
      .filter((part) => part !== '')
      .join('\n');
    tell(store, { id, kind: 'text', at, lineId, number, name: null, words }, now);
  }
}

/** A call that nobody here took, and that left no voicemail. */
export function tellPlacesOfMissed(
  store: AppStore,
  { id, startedAt: at, lineId, other, outcome }: CallRecord,
  now: number,
) {
  if (outcome !== 'missed') return;
  tell(store, { id, kind: 'missedCall', at, lineId, number: other.number, name: other.name }, now);
}

export function tellPlacesOfVoicemail(store: AppStore, voicemail: Voicemail, now: number): void {
  const { id, at, lineId, from, durationMs, transcript } = voicemail;
  const { number, name } = from;
  const words = transcript ? textOf(transcript) : null;
  tell(store, { id, kind: 'voicemail', at, lineId, number, name, words, durationMs }, now, id);
}

/** Something to see whether it arrives, told of nothing that happened. */
export function trialFor(state: RootState, destinationId: string, kind: NoticeKind, at: number): Told | null {
  const place = state.inbox.kept.destinations[destinationId]?.place;
  if (!place) return null;
  const id = `trial-${at}`;
  const words = 'This is a test. Nothing has happened.';
  const notice = noticeOf(state, { id, kind, at, lineId: null, number: null, name: null, words });
  const from = { name: 'nobody (a test)', number: null };
  return {
    id: `${id}>${destinationId}`,
    notice: { ...notice, from },
    place,
    soundId: null,
    toldAt: at,
    progress: null,
  };
}
