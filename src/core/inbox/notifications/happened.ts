import type { CallRecord } from '@/core/calls/exchange';
import { formatAny, identifyNumber, type PeopleIndex } from '@/core/people/contacts';
import type { OfficeIndex } from '@/core/setup';

import { isInside, type Message } from '../messages';
import { textOf, type Voicemail } from '../voicemail';
import { toldOf, type Destination } from './destinations';
import type { Told } from './delivery';
import type { Notice } from './notice';

/** Something that came in, which may be told elsewhere. */
export type Happened = Pick<Notice, 'id' | 'kind' | 'at'> & {
  lineId: string | null;
  number: string | null;
  name: string | null;
  /** Under which its sound is kept; null: it has none. */
  soundId: string | null;
} & Partial<Pick<Notice, 'words' | 'durationMs'>>;

/** A text from outside; null: what colleagues write among themselves stays inside. */
export function textHappened({ id, at, direction, lineId, number, text, picture }: Message): Happened | null {
  if (direction !== 'in' || isInside(number)) return null;
  const words = [text, picture ? `(A picture: ${picture.alt})` : ''].filter((part) => part !== '').join('\n');
  return { id, kind: 'text', at, lineId, number, name: null, words, soundId: null };
}

/** A call that nobody took; null: it was taken, or goes out. Where it left a voicemail, that is what is told. */
export function missedHappened({ id, startedAt: at, lineId, other, outcome }: CallRecord): Happened | null {
  if (outcome !== 'missed') return null;
  return { id, kind: 'missedCall', at, lineId, number: other.number, name: other.name, soundId: null };
}

export function voicemailHappened({ id, at, lineId, from, durationMs, transcript }: Voicemail): Happened {
  const { number, name } = from;
  const words = transcript ? textOf(transcript) : null;
  return { id, kind: 'voicemail', at, lineId, number, name, words, durationMs, soundId: id };
}

interface Around {
  office: OfficeIndex;
  /** Of whom it is told. */
  personId: string;
  people: PeopleIndex;
}

/** What happened in the words in which it is told elsewhere. */
export function noticeOf(
  { id, kind, at, lineId, number, name, words = null, durationMs = null }: Happened,
  { office, personId, people }: Around,
): Notice {
  const line = office.ever.lines.get(lineId ?? '');
  return {
    id,
    kind,
    at,
    zone: office.setup.zone,
    forName: office.ever.people.get(personId)?.name ?? '',
    line: line
      ? { name: line.name, number: formatAny(line.number, office.plan), e164: e164Of(line.number) }
      : null,
    from: {
      name: identifyNumber(number, name, people).name,
      number: number === null ? null : formatAny(number, office.plan),
      e164: e164Of(number),
    },
    words,
    durationMs,
    soundWav: null,
  };
}

/** On its way to every place that is told of its kind. */
export const tellingOf = (
  happened: Happened,
  destinations: readonly Destination[],
  around: Around,
  toldAt: number,
): Told[] =>
  toldOf(destinations, happened.kind).map(({ id, place }) => ({
    ...{ id: `${happened.id}>${id}`, notice: noticeOf(happened, around), place },
    ...{ soundId: happened.soundId, toldAt, progress: null },
  }));

/** Extensions, and who withheld their number, have none. */
const e164Of = (number: string | null) => (number?.startsWith('+') ? number : null);
