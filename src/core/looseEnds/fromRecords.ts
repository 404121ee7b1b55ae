import type { CallRecord } from '../exchange';
import { talkMs } from '../history';
import type { OfficeIndex } from '../office';
import type { PeopleIndex } from '../people';
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
  return { key: `number:${number}`, name: name ?? number, number };
}

/** What a call to or from the worker means for the loose ends; nothing where it opens and closes none. */
export function looseEventOf(
  record: CallRecord,
  office: OfficeIndex,
  people: PeopleIndex,
): LooseEvent | null {
  const { id, callId, lineId, other, outcome } = record;
  const who = whoOf(other, callId, office, people);
  const reached = (byId: string | null, ms: number): LooseEvent => ({
    kind: 'reached',
    id,
    at: record.endedAt,
    key: who.key,
    how: 'call',
    talkMs: ms,
    byId,
  });
  switch (outcome) {
    case 'answered':
      return reached(null, talkMs(record));
    case 'answeredByOther':
      return reached(record.answeredById, talkedByOther(record));
    case 'missed':
    case 'refused': {
      const groups = office.groupsByNumber.get(other.number ?? '') ?? [];
      return {
        kind: 'tried',
        id,
        at: record.startedAt,
        who,
        channel: channelOf(record, office),
        lineId,
        teamId: office.teams.has(record.trace?.ownerId ?? '') ? (record.trace?.ownerId ?? null) : null,
        isUrgent: office.lines.get(lineId ?? '')?.urgent ?? false,
        isStarred: groups.some(({ starred }) => starred),
        words: null,
        lengthMs: record.messageMs > 0 ? record.messageMs : null,
      };
    }
    default:
      return null;
  }
}

function channelOf(record: CallRecord, office: OfficeIndex): (typeof channels)[number] {
  if (record.messageMs > 0) return 'voicemail';
  if (record.acts.some(({ act }) => act === 'returned')) return 'returnedTransfer';
  return office.menus.has(record.trace?.ownerId ?? '') ? 'leftMenu' : 'call';
}

/** How long the colleague who took it talked. */
function talkedByOther({ parties, answeredById }: CallRecord): number {
  const own = parties.filter(({ personId }) => personId === answeredById);
  return own.reduce((sum, { from, to }) => sum + to - from, 0);
}
