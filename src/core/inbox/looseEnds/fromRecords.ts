import type { CallRecord } from '@/core/calls/exchange';
import { formatNumber, ukOfficePlan } from '@/core/numbers/numbering';
import { talkWithOther } from '@/core/calls/history';
import type { OfficeIndex } from '@/core/setup';
import type { PeopleIndex } from '@/core/people/contacts';
import type { channels } from './event';
import { type LooseEvent, type Who } from './event';

/** Who that is: a contact with all their numbers, a colleague, a bare number; each withheld call is somebody else. */
export function whoOf(
  { number, name, personId }: { number: string | null; name: string | null; personId: string | null },
  callId: string,
  office: OfficeIndex,
  people: PeopleIndex,
): Who {
  if (personId !== null) {
    const person = office.people.get(personId);
    return { key: `person:${personId}`, name: person?.name ?? name ?? personId, number };
  }
  if (number === null) return { key: `withheld:${callId}`, name: 'Withheld number', number: null };
  const known = people.whoHas(number);
  if (known)
    return {
      key: `${known.kind === 'contact' ? 'contact' : 'person'}:${known.id}`,
      name: known.name,
      number,
    };
  return { key: `number:${number}`, name: name ?? formatNumber(number, ukOfficePlan), number };
}

/**
 * What a call to or from the worker means for the loose ends, in order: whom anybody of the office talked with was
 * reached; who was not, and whoever left a message after it, waits.
 */
export function looseEventsOf(record: CallRecord, office: OfficeIndex, people: PeopleIndex): LooseEvent[] {
  const { id, callId, lineId, other, outcome, direction, finish } = record;
  const who = whoOf(other, callId, office, people);
  const talk = talkWithOther(record);
  const groups = office.groupsByNumber.get(other.number ?? '') ?? [];
  const tried = (at: number): LooseEvent => ({
    kind: 'tried',
    id,
    at,
    who,
    channel: channelOf(record, office),
    lineId,
    teamId: office.teams.has(record.trace?.ownerId ?? '') ? (record.trace?.ownerId ?? null) : null,
    isUrgent: office.lines.get(lineId ?? '')?.urgent ?? false,
    isStarred: groups.some(({ starred }) => starred),
    words: null,
    lengthMs: record.messageMs > 0 ? record.messageMs : null,
  });
  if (talk.ms === 0) return outcome === 'missed' || outcome === 'refused' ? [tried(record.startedAt)] : [];
  const reached: LooseEvent = {
    kind: 'reached',
    id,
    at: talk.until,
    key: who.key,
    how: direction === 'out' ? 'call' : 'answer',
    talkMs: talk.ms,
    byId: talk.byId,
  };
  const isInMyMailbox = finish?.kind === 'mailbox' && finish.personId === record.personId;
  const leftMessage = direction === 'in' && record.messageMs > 0 && isInMyMailbox;
  return leftMessage ? [reached, tried(record.endedAt)] : [reached];
}

function channelOf(record: CallRecord, office: OfficeIndex): (typeof channels)[number] {
  if (record.messageMs > 0) return 'voicemail';
  if (record.acts.some(({ act }) => act === 'returned')) return 'returnedTransfer';
  return office.menus.has(record.trace?.ownerId ?? '') ? 'leftMenu' : 'call';
}
