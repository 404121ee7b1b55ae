import type { CallRecord } from '@/core/calls/exchange';
import type { FollowUp } from '@/core/inbox/followUps';
import { pagesWord, type Fax } from '@/core/inbox/fax';
import { looseEventsOf, taskKey, whoOf, type LooseEvent, type Tried, type Who } from '@/core/inbox/looseEnds';
import { isInside, roomIdOf, speaksTo, type Message } from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';
import { textOf, voicemailOfRecord, type Voicemail } from '@/core/inbox/voicemail';
import { selectMyId, selectOffice, selectPeople, type RootState } from '@/state/app';

/** What records, texts and follow-ups mean for who waits, in the order it happened. */
export function happenings(
  state: RootState,
  {
    records = [],
    messages = [],
    faxes = [],
    followUps = [],
  }: {
    records?: readonly CallRecord[];
    messages?: readonly Message[];
    faxes?: readonly Fax[];
    followUps?: readonly FollowUp[];
  },
): LooseEvent[] {
  const office = selectOffice(state);
  const people = selectPeople(state);
  const ofRecords = records.flatMap((record) =>
    looseEventsOf(record, office, people).map((event) =>
      withWords(event, voicemailOfRecord(record, state.catchUp.kept.voicemails)),
    ),
  );
  return [
    ...ofRecords,
    ...messages.flatMap((message) => ofMessage(state, message)),
    ...faxes.flatMap((fax) => ofFax(state, fax)),
    ...followUps.flatMap((followUp) => ofFollowUp(state, followUp)),
  ].sort((a, b) => a.at - b.at);
}

/** A voicemail's words are known once it was transcribed. */
function withWords(event: LooseEvent, voicemail: Voicemail | null): LooseEvent {
  const transcript = voicemail?.transcript;
  return transcript && event.kind === 'tried' ? { ...event, words: textOf(transcript) } : event;
}

function ofMessage(state: RootState, message: Message): LooseEvent[] {
  return roomIdOf(message.number) === null ? ofText(state, message) : ofRoomMessage(state, message);
}

function ofText(state: RootState, message: Message): LooseEvent[] {
  const office = selectOffice(state);
  const { id, number } = message;
  const personId = office.peopleByExtension.get(number)?.id ?? null;
  const who = whoOf({ number, name: null, personId }, id, office, selectPeople(state));
  if (message.direction === 'in') return [triedBy(message, who, office)];
  return message.deliveredAt === null ? [] : [textReached(message, who.key, message.deliveredAt)];
}

/** In a room only who speaks to the worker, or asks to be called, waits; any answer there answers them. */
function ofRoomMessage(state: RootState, message: Message): LooseEvent[] {
  const office = selectOffice(state);
  const { fromId, text, asks, deliveredAt, direction, number } = message;
  if (direction === 'out') {
    if (deliveredAt === null) return [];
    const { messages } = state.catchUp.kept;
    const isOfRoom = ({ id }: { id: string }) => messages[id]?.number === number;
    const open = state.catchUp.reckoning?.ends.open ?? [];
    return open
      .filter(({ reasons }) => reasons.every(isOfRoom))
      .map(({ who }) => textReached(message, who.key, deliveredAt));
  }
  const me = office.people.get(selectMyId(state));
  const colleague = office.people.get(fromId ?? '');
  if (!colleague || !me || (asks === null && !speaksTo(text, me.name))) return [];
  const who = { key: `person:${colleague.id}`, name: colleague.name, number: colleague.extension };
  return [triedBy(message, who, office)];
}

function triedBy(
  { id, at, number, lineId, text, picture, asks }: Message,
  who: Who,
  office: OfficeIndex,
): Tried {
  const groups = office.groupsByNumber.get(number) ?? [];
  return {
    kind: 'tried',
    id,
    at,
    who,
    channel: asks === 'callBack' ? 'callBackRequest' : isInside(number) ? 'message' : 'text',
    lineId: isInside(number) ? null : lineId,
    teamId: null,
    isUrgent: !isInside(number) && (office.lines.get(lineId)?.urgent ?? false),
    isStarred: groups.some(({ starred }) => starred),
    words: text || (picture ? `Picture: ${picture.alt}` : null),
    lengthMs: null,
  };
}

function ofFax(
  state: RootState,
  { id, at, direction, number, lineId, title, pages, endedAt, ...fax }: Fax,
): LooseEvent[] {
  const office = selectOffice(state);
  const who = whoOf({ number, name: null, personId: null }, id, office, selectPeople(state));
  if (direction === 'out')
    return fax.state === 'done' && endedAt !== null ? [textReached({ id }, who.key, endedAt)] : [];
  return [
    {
      kind: 'tried',
      id,
      at,
      who,
      channel: 'fax',
      lineId,
      teamId: null,
      isUrgent: office.lines.get(lineId)?.urgent ?? false,
      isStarred: (office.groupsByNumber.get(number ?? '') ?? []).some(({ starred }) => starred),
      words: `${title}, ${pagesWord(pages)}`,
      lengthMs: null,
    },
  ];
}

const textReached = ({ id }: { id: string }, key: string, at: number): LooseEvent => ({
  kind: 'reached',
  id,
  at,
  key,
  how: 'text',
  talkMs: 0,
  byId: null,
});

/**
 * A follow-up with a time makes its person wait. One that is about nobody waits by itself, under its own words, and only
 * from when it is due.
 */
function ofFollowUp(
  state: RootState,
  { id, at, callId, number, name, text, dueAt, doneAt }: FollowUp,
): LooseEvent[] {
  if (dueAt === null) return [];
  const office = selectOffice(state);
  const colleague = office.peopleByExtension.get(number ?? '');
  const isAboutNobody = name === '';
  const who = isAboutNobody
    ? { key: taskKey(id), name: text, number: null }
    : whoOf({ number, name, personId: colleague?.id ?? null }, callId ?? id, office, selectPeople(state));
  if (doneAt !== null) return [{ kind: 'settled', id: `${id}-done`, at: doneAt, key: who.key, reasonId: id }];
  const [words, notBefore] = isAboutNobody ? ['', dueAt] : [text, null];
  return [{ kind: 'promised', id, at, who, lineId: null, dueAt, notBefore, words }];
}
