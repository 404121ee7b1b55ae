import type { CallRecord } from '@/core/calls/exchange';
import { talkWithOther } from '@/core/calls/history';
import type { OfficeIndex } from '@/core/setup';

import { nothingOf, withReach, withTry, type Channel, type Reach, type Try, type Waiting } from './waiting';
import { handleOf } from './who';

/** What a call means for whether its other party waits; where both are there, they were reached before they tried. */
interface MeaningOfRecord {
  /** Whom anybody of the office talked with was reached; … */
  reach: Reach | null;
  /** … who was not, and whoever left a message after it, waits. */
  tried: Try | null;
}

export function meaningOf(record: CallRecord, office: OfficeIndex): MeaningOfRecord {
  const { outcome, direction, finish, messageMs } = record;
  const talk = talkWithOther(record);
  if (talk.ms === 0) {
    // Whom they wanted is whose it is.
    const isOpen = (outcome === 'missed' || outcome === 'refused') && record.forId === undefined;
    return { reach: null, tried: isOpen ? tryOf(record, record.startedAt, office) : null };
  }
  const reach: Reach = {
    at: talk.until,
    began: record.startedAt,
    how: direction === 'out' ? 'call' : 'answer',
    talkMs: talk.ms,
    byId: talk.byId,
  };
  const isInMyMailbox = finish?.kind === 'mailbox' && finish.personId === record.personId;
  const leftMessage = direction === 'in' && messageMs > 0 && isInMyMailbox;
  return { reach, tried: leftMessage ? tryOf(record, record.endedAt, office) : null };
}

function tryOf(record: CallRecord, at: number, office: OfficeIndex): Try {
  const { id, lineId, trace, endedAt, messageMs } = record;
  const ownerId = trace?.ownerId ?? '';
  return {
    id,
    at,
    openedAt: endedAt,
    kind: channelOf(record, office),
    lineId,
    teamId: office.teams.has(ownerId) ? ownerId : null,
    roomId: null,
    isUrgent: office.lines.get(lineId ?? '')?.urgent ?? false,
    lengthMs: messageMs > 0 ? messageMs : null,
  };
}

function channelOf(record: CallRecord, office: OfficeIndex): Channel {
  if (record.messageMs > 0) return 'voicemail';
  if (record.acts.some(({ act }) => act === 'returned')) return 'returnedTransfer';
  return office.menus.has(record.trace?.ownerId ?? '') ? 'leftMenu' : 'call';
}

/** How somebody stands after one more call with them. */
export function afterRecord(row: Waiting, record: CallRecord, office: OfficeIndex): Waiting {
  const { reach, tried } = meaningOf(record, office);
  const reached = reach ? withReach(row, reach) : row;
  return tried ? withTry(reached, tried, record.other) : reached;
}

/** Who waits for somebody after these calls of theirs, in any order; only those of whom there is something to say. */
export function waitingAfter(
  records: Iterable<CallRecord>,
  personId: string,
  office: OfficeIndex,
): Waiting[] {
  const rows = new Map<string, Waiting>();
  const inOrder = [...records].filter((record) => record.personId === personId);
  inOrder.sort((a, b) => a.endedAt - b.endedAt);
  for (const record of inOrder) {
    const handle = handleOf(record.other, record.callId);
    const before = rows.get(handle) ?? nothingOf(personId, handle);
    const after = afterRecord(before, record, office);
    if (after !== before) rows.set(handle, after);
  }
  return [...rows.values()];
}
