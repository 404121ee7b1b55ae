import type { CallOutcome, CallRecord } from '@/core/calls/exchange';
import { isUntaken, talkMs } from '@/core/calls/history';
import { isRecorded, type DeletedRecordings } from '@/core/calls/recordings';
import { localClock } from '@/core/shared/time';

/**
 * What of the history is wanted; each part left out, or empty, lets everything through. Of the values of one part any is
 * enough; a call has to fit every part. Times are epoch milliseconds.
 */
export interface HistoryFilter {
  directions?: readonly HistoryDirection[];
  /** All of these have to be true of the call, since each asks for something else. */
  marks?: readonly HistoryMark[];
  lineIds?: readonly string[];
  /** The other side: one of these numbers or colleagues. */
  numbers?: readonly string[];
  personIds?: readonly string[];
  outcomes?: readonly OutcomeGroup[];
  /** Calls that reached one of these teams. */
  teamIds?: readonly string[];
  from?: number;
  /** Not included. */
  to?: number;
  leastTalkMs?: number;
  mostTalkMs?: number;
}

/** What became of calls, in the groups one asks for. */
const outcomeGroups = {
  answered: ['answered'],
  missed: ['missed'],
  refused: ['refused'],
  byColleague: ['answeredByOther', 'deflected'],
  keptAway: ['screened'],
  mailbox: ['mailbox'],
  notReached: [
    'cancelled',
    'ownPhoneUnanswered',
    'busy',
    'noAnswer',
    'refusedByOther',
    'unknownNumber',
    'failed',
  ],
} as const satisfies Record<string, readonly CallOutcome[]>;
export type OutcomeGroup = keyof typeof outcomeGroups;

export const historyDirections = ['in', 'out'] as const;
export type HistoryDirection = (typeof historyDirections)[number];

export const historyMarks = ['untaken', 'forwarded', 'voicemail', 'recorded', 'costs'] as const;
export type HistoryMark = (typeof historyMarks)[number];

/** Nobody took what came in, or whoever was called was not reached. */
const isTakenByNobody = (record: CallRecord) =>
  record.direction === 'out' ? isIn(outcomeGroups.notReached, record.outcome) : isUntaken(record);

/** By a plan, by hand while it rang, or by hand out of a talk. */
const sentOn: readonly CallRecord['acts'][number]['act'][] = ['forwarded', 'deflected', 'transferred'];

const isMarked: Record<HistoryMark, (record: CallRecord, deleted: DeletedRecordings) => boolean> = {
  untaken: isTakenByNobody,
  forwarded: ({ acts }) => acts.some(({ act }) => sentOn.includes(act)),
  voicemail: ({ messageMs }) => messageMs > 0,
  recorded: isRecorded,
  costs: ({ costMicros }) => costMicros > 0,
};

const isAsked = <T>(list: readonly T[] | undefined): list is readonly T[] =>
  list !== undefined && list.length > 0;

const isIn = (group: readonly CallOutcome[], outcome: CallOutcome) => group.includes(outcome);

/** Whether a filter holds anything back. */
export const isFiltering = (filter: HistoryFilter): boolean =>
  Object.values(filter).some((part) => (Array.isArray(part) ? part.length > 0 : part !== undefined));

/** Whether a call is wanted. One whose recordings were all deleted counts as not recorded. */
export function fitsFilter(
  record: CallRecord,
  filter: HistoryFilter,
  deleted: DeletedRecordings = {},
): boolean {
  const { directions, marks, outcomes, lineIds, teamIds, numbers, personIds } = filter;
  const { from, to, leastTalkMs, mostTalkMs } = filter;
  if (isAsked(directions) && !directions.includes(record.direction)) return false;
  if (marks?.some((mark) => !isMarked[mark](record, deleted))) return false;
  if (isAsked(lineIds) && !lineIds.includes(record.lineId ?? '')) return false;
  if (isAsked(outcomes) && !outcomes.some((group) => isIn(outcomeGroups[group], record.outcome)))
    return false;
  if (isAsked(teamIds) && !teamIds.includes(record.trace?.ownerId ?? '')) return false;
  const { number, personId } = record.other;
  const isWhoAsked = isAsked(numbers) || isAsked(personIds);
  if (isWhoAsked && !numbers?.includes(number ?? '') && !personIds?.includes(personId ?? '')) return false;
  if (from !== undefined && record.startedAt < from) return false;
  if (to !== undefined && record.startedAt >= to) return false;
  const talked = talkMs(record);
  return (
    (leastTalkMs === undefined || talked >= leastTalkMs) && (mostTalkMs === undefined || talked <= mostTalkMs)
  );
}

export interface HistorySums {
  count: number;
  incoming: number;
  outgoing: number;
  /** Of those that came in. */
  untaken: number;
  /** Of those that went out. */
  notReached: number;
  voicemails: number;
  talkMs: number;
  costMicros: number;
}

/** What the records come to. */
export function sumsOf(records: Iterable<CallRecord>): HistorySums {
  const sums: HistorySums = {
    count: 0,
    incoming: 0,
    outgoing: 0,
    untaken: 0,
    notReached: 0,
    voicemails: 0,
    talkMs: 0,
    costMicros: 0,
  };
  for (const record of records) {
    sums.count++;
    sums[record.direction === 'in' ? 'incoming' : 'outgoing']++;
    if (isTakenByNobody(record)) sums[record.direction === 'in' ? 'untaken' : 'notReached']++;
    if (record.messageMs > 0) sums.voicemails++;
    sums.talkMs += talkMs(record);
    sums.costMicros += record.costMicros;
  }
  return sums;
}

/** In which hours of the local day (0 to 23) calls began: how many came in, and how many of those nobody took. */
export function byHour(records: Iterable<CallRecord>, zone: string): { incoming: number; untaken: number }[] {
  const hours = Array.from({ length: 24 }, () => ({ incoming: 0, untaken: 0 }));
  for (const record of records) {
    if (record.direction === 'out') continue;
    const hour = hours[Math.floor(localClock(record.startedAt, zone).minutes / 60)];
    if (!hour) continue;
    hour.incoming++;
    if (isUntaken(record)) hour.untaken++;
  }
  return hours;
}
