import type { CallRecord } from '@/core/calls/exchange';
import { pagesWord, type Fax } from '@/core/inbox/fax';
import { isElsewhere, whoOf, type LooseEnd, type Who } from '@/core/inbox/looseEnds';
import { isInside, mayRead, roomIdOf, speaksTo, type Message, type Room } from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';
import type { PeopleIndex } from '@/core/people/contacts';
import { textOf, type Voicemail } from '@/core/inbox/voicemail';

/** What can come in for the worker; `mention`: a line in a room that speaks to them. */
export const arrivalKinds = ['call', 'voicemail', 'text', 'fax', 'message', 'mention', 'parked'] as const;

/** Something that has come in and still waits for the worker. */
export interface Arrival {
  /** Of the call's record, the voicemail, the message, the fax, or the parked call. */
  id: string;
  kind: (typeof arrivalKinds)[number];
  /** When it was there, in epoch milliseconds: a voicemail once it was spoken, a call once nobody had taken it. */
  at: number;
  who: Who;
  lineId: string | null;
  /** What was said or written; null where there are no words, or none yet. */
  words: string | null;
  /** The room it stands in. */
  room: { id: string; name: string } | null;
  /** Where somebody parked waits. */
  slot: string | null;
  /** What it asks for. `callBack`: of somebody who can be called. */
  asks: 'callBack' | 'listen' | 'reply' | 'look' | 'takeBack';
}

/** A call the worker has parked. */
export interface ParkedCall {
  callId: string;
  slot: string;
  /** Epoch milliseconds. */
  since: number;
  who: Who;
}

/** Where things are kept before they are an arrival. */
export interface WhatCame {
  /** The worker's records, newest first. */
  records: readonly CallRecord[];
  /** Who waits. */
  open: readonly LooseEnd[];
  /** Of the mailboxes they hear. */
  voicemails: readonly Voicemail[];
  messages: Iterable<Message>;
  faxes: Iterable<Fax>;
  rooms: Readonly<Record<string, Room>>;
  parked: readonly ParkedCall[];
}

interface Seen {
  /** What was there before that instant (epoch milliseconds) has been seen. A parked call waits all the same. */
  before: number;
  myId: string;
  office: OfficeIndex;
  people: PeopleIndex;
}

/** No call rings, is talked on and told longer than that, so that older records need no look. */
const longestCallMs = 12 * 3_600_000;

/**
 * All that has come in since the worker last looked, and still waits, in the order it came. What was heard, read, called back,
 * done by hand or taken on by a colleague meanwhile is none of it.
 */
export function arrivalsOf(came: WhatCame, seen: Seen): Arrival[] {
  const isNew = ({ at }: Arrival) => at >= seen.before;
  return [
    ...callsOf(came, seen).filter(isNew),
    ...voicemailsOf(came, seen).filter(isNew),
    ...messagesOf(came, seen).filter(isNew),
    ...faxesOf(came, seen).filter(isNew),
    ...came.parked.map(ofParked),
  ].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
}

/** Calls that nobody took and that left no voicemail, as long as their caller waits for them. */
function callsOf({ records, open }: WhatCame, { before, myId }: Seen): Arrival[] {
  const waiting = new Map(
    open
      .filter((end) => !isElsewhere(end, myId) && end.snoozedUntil === null)
      .flatMap(({ who, reasons }) => reasons.map(({ id }) => [id, who] as const)),
  );
  const found: Arrival[] = [];
  for (const { id, startedAt, endedAt, lineId, messageMs, outcome } of records) {
    if (startedAt <= before - longestCallMs) break;
    const who = waiting.get(id);
    // Whom the worker has refused they know of.
    if (!who || messageMs > 0 || outcome !== 'missed') continue;
    const asks = who.number === null ? 'look' : 'callBack';
    found.push({ id, kind: 'call', at: endedAt, who, lineId, words: null, room: null, slot: null, asks });
  }
  return found;
}

function voicemailsOf({ voicemails }: WhatCame, { office, people }: Seen): Arrival[] {
  return voicemails
    .filter(({ heardAt, deletedAt }) => heardAt === null && deletedAt === null)
    .map(({ id, at, durationMs, from, callId, lineId, transcript }) => ({
      id,
      kind: 'voicemail',
      at: at + durationMs,
      who: whoOf(from, callId, office, people),
      lineId,
      words: transcript ? textOf(transcript) : null,
      room: null,
      slot: null,
      asks: 'listen',
    }));
}

function messagesOf({ messages, rooms }: WhatCame, seen: Seen): Arrival[] {
  const found: Arrival[] = [];
  for (const message of messages) {
    if (message.direction !== 'in' || message.readAt !== null) continue;
    const roomId = roomIdOf(message.number);
    const room = rooms[roomId ?? ''] ?? null;
    // What is written in a room is for those in it, unless it speaks to somebody who may read it.
    const speaks = room !== null && speaksToMe(message, room, seen);
    if (roomId !== null && !speaks && !room?.memberIds.includes(seen.myId)) continue;
    found.push(ofMessage(message, room, speaks, seen));
  }
  return found;
}

function speaksToMe({ text }: Message, room: Room, { myId, office }: Seen): boolean {
  const me = office.people.get(myId);
  return me !== undefined && mayRead(room, myId) && speaksTo(text, me.name);
}

function ofMessage(
  { id, at, number, fromId, lineId, text, picture, asks }: Message,
  room: Room | null,
  speaks: boolean,
  { office, people }: Seen,
): Arrival {
  const author = fromId === null ? undefined : office.people.get(fromId);
  const personId = author?.id ?? office.peopleByExtension.get(number)?.id ?? null;
  const reached = room ? (author?.extension ?? null) : number;
  return {
    id,
    kind: speaks ? 'mention' : isInside(number) ? 'message' : 'text',
    at,
    who: whoOf({ number: reached, name: null, personId }, id, office, people),
    lineId: isInside(number) ? null : lineId,
    words: text || (picture ? `Picture: ${picture.alt}` : null),
    room: room ? { id: room.id, name: room.name } : null,
    slot: null,
    asks: asks ?? 'reply',
  };
}

function faxesOf({ faxes }: WhatCame, { office, people }: Seen): Arrival[] {
  return [...faxes]
    .filter(({ direction, readAt }) => direction === 'in' && readAt === null)
    .map(({ id, at, number, lineId, title, pages }) => ({
      id,
      kind: 'fax',
      at,
      who: whoOf({ number, name: null, personId: null }, id, office, people),
      lineId,
      words: `${title}, ${pagesWord(pages)}`,
      room: null,
      slot: null,
      asks: 'look',
    }));
}

const ofParked = ({ callId, slot, since, who }: ParkedCall): Arrival => ({
  id: callId,
  kind: 'parked',
  at: since,
  who,
  lineId: null,
  words: null,
  room: null,
  slot,
  asks: 'takeBack',
});
