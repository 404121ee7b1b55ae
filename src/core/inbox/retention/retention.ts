import type { CallRecord } from '@/core/calls/exchange';
import { isOver, type Fax } from '@/core/inbox/fax';
import type { Message } from '@/core/inbox/messages';
import type { DeletedRecording, DeletedRecordings } from '@/core/calls/recordings';
import type { Voicemail } from '@/core/inbox/voicemail';
import { keptKinds, type KeptKind } from '@/core/setup';

/** How many days each is kept once nobody needs it any more; null: for good. */
export type KeepDays = Record<KeptKind, number | null>;

/** The days that somebody chose, and no more than the office lets anything be kept. */
export function keptDays(chosen: KeepDays, atMost: Partial<Record<KeptKind, number>> = {}): KeepDays {
  const days = { ...chosen };
  for (const kind of keptKinds) {
    const most = atMost[kind];
    if (most !== undefined) days[kind] = Math.min(days[kind] ?? most, most);
  }
  return days;
}

const dayMs = 24 * 3_600_000;
/** What was put away can be had back so long. */
export const undoDeleteMs = dayMs;

const isOlder = (at: number, now: number, days: number | null) => days !== null && now - at > days * dayMs;

/** Voicemails to be dropped for good: put away for longer than undo lasts, or heard and older than they are kept. */
export function expiredVoicemails(
  voicemails: Iterable<Voicemail>,
  now: number,
  days: number | null,
): Voicemail[] {
  return [...voicemails].filter(
    ({ deletedAt, heardAt, at }) =>
      (deletedAt !== null && now - deletedAt > undoDeleteMs) || (heardAt !== null && isOlder(at, now, days)),
  );
}

/** Texts to be dropped for good: older than they are kept, read, and not on their way. */
export function expiredTexts(messages: Iterable<Message>, now: number, days: number | null): Message[] {
  return [...messages].filter(
    ({ at, state, readAt, direction }) =>
      isOlder(at, now, days) && state !== 'queued' && (direction === 'out' || readAt !== null),
  );
}

/** Faxes to be dropped for good: older than they are kept, read, and not on their way. */
export function expiredFaxes(faxes: Iterable<Fax>, now: number, days: number | null): Fax[] {
  return [...faxes].filter(
    (fax) => isOlder(fax.at, now, days) && (fax.direction === 'out' ? isOver(fax) : fax.readAt !== null),
  );
}

/**
 * Recordings whose sound is to be dropped for good, as they are kept as deleted from then on: deleted by hand for longer than undo
 * lasts, or of calls older than they are kept.
 */
export function expiredRecordings(
  records: Iterable<Pick<CallRecord, 'callId' | 'endedAt' | 'recordings'>>,
  deleted: DeletedRecordings,
  now: number,
  days: number | null,
): DeletedRecording[] {
  const byHand = Object.values(deleted).filter(
    ({ isGone, deletedAt }) => !isGone && now - deletedAt > undoDeleteMs,
  );
  const byAge: DeletedRecording[] = [];
  for (const { callId, endedAt, recordings } of records) {
    if (recordings.length === 0 || !isOlder(endedAt, now, days)) continue;
    for (const { id } of recordings)
      if (!deleted[id]) byAge.push({ id, callId, deletedAt: now, why: 'byAge', isGone: true });
  }
  return [...byHand.map((one) => ({ ...one, isGone: true })), ...byAge];
}
