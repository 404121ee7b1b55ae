import type { CallRecord } from '@/core/calls/exchange';

/** A plan, a team (or one that is closed) or a menu. */
export interface FigureStop {
  ownerId: string;
  isClosed: boolean;
  /** Whether it came there by a line, and not by the extension: plans have rules for lines. */
  isByLine: boolean;
}

/** `elsewhere`: at a number outside that did not take it, or sent on by hand. */
export const courseEnds = ['taken', 'gaveUp', 'mailbox', 'busy', 'text', 'elsewhere'] as const;
export type CourseEnd = (typeof courseEnds)[number];

/** A call from outside as figures count it, whoever of the office it concerned. Instants in epoch milliseconds. */
export interface FigureCall {
  id: string;
  at: number;
  lineId: string | null;
  /** Teams it went to. */
  teamIds: readonly string[];
  /** Keys pressed in menus, in their order. */
  keys: readonly string[];
  /** Who took it first; null: nobody, or somebody outside. */
  takenById: string | null;
  /** Whom it rang in vain. */
  missedByIds: readonly string[];
  /** When it was taken; null: never. */
  takenAt: number | null;
  endedAt: number;
  /** Not taken: the caller gave up; or it ended where a plan, a queue or a menu let it (a mailbox, busy tone, a text). */
  ended: 'taken' | 'abandoned' | 'overflowed';
  /** Recordings of it, with whose they are. */
  recordings: readonly { id: string; personId: string }[];
  /** Where it came on its way, in that order. */
  stops: readonly FigureStop[];
  /** Where that way ended: at whoever took it, where the caller gave up, or at a finish. */
  end: CourseEnd;
  /** Who called. */
  number: string | null;
  name: string | null;
}

/** The calls from outside that records tell of, each once, whosever records they are; in the order in which the first record came. */
export function callsOf(records: Iterable<CallRecord>): FigureCall[] {
  const byCall = new Map<string, Draft>();
  for (const record of records) {
    // Between colleagues, and out.
    if (record.direction !== 'in' || record.other.personId !== null) continue;
    let draft = byCall.get(record.callId);
    if (!draft) byCall.set(record.callId, (draft = beginWith(record)));
    addTo(draft, record);
  }
  return [...byCall.values()];
}

/** A call to which records are still added. */
type Draft = { -readonly [Field in keyof FigureCall]: FigureCall[Field] };

const none: readonly never[] = [];

function beginWith(record: CallRecord): Draft {
  const { acts, waits, trace, other } = record;
  const isOver = isOverflow(record);
  return {
    id: record.callId,
    at: record.startedAt,
    lineId: record.lineId,
    teamIds: teamsOf(waits, trace),
    keys:
      acts.length === 0 ? none : acts.flatMap(({ act, to }) => (act === 'chose' && to !== null ? [to] : [])),
    takenById: null,
    missedByIds: none,
    takenAt: null,
    endedAt: record.endedAt,
    ended: isOver ? 'overflowed' : 'abandoned',
    stops: stopsOf(record),
    end: isOver ? endOf(record) : 'gaveUp',
    recordings: none,
    number: other.number,
    name: other.name,
  };
}

function addTo(draft: Draft, record: CallRecord): void {
  const { outcome, personId, answeredById, recordings } = record;
  if (record.endedAt > draft.endedAt) draft.endedAt = record.endedAt;
  if (recordings.length > 0)
    draft.recordings = [
      ...draft.recordings,
      ...recordings.map(({ id, personId: whose }) => ({ id, personId: whose })),
    ];
  if (outcome === 'answered') take(draft, personId, record.answeredAt ?? record.endedAt);
  else if (outcome === 'answeredByOther') take(draft, answeredById, answeredByOtherAt(record));
  else draft.missedByIds = draft.missedByIds.length === 0 ? [personId] : [...draft.missedByIds, personId];
}

/** The first who took it counts. */
function take(draft: Draft, personId: string | null, at: number): void {
  if (draft.takenAt !== null && draft.takenAt <= at) return;
  draft.takenAt = at;
  draft.takenById = personId;
  draft.ended = 'taken';
  draft.end = 'taken';
}

/** When somebody else took it: the first of the office's stretches in it. */
function answeredByOtherAt({ parties, answeredAt, startedAt, endedAt }: CallRecord): number {
  if (answeredAt !== null) return answeredAt;
  let first = Infinity;
  for (const { from, deviceId } of parties) if (deviceId !== null && from < first) first = from;
  return first === Infinity ? endedAt : Math.max(first, startedAt);
}

/** Where a plan, a queue or a menu let it end; a forward within the office is no end. */
const isOverflow = (record: CallRecord) =>
  (record.finish !== null && !wentOn(record)) ||
  record.outcome === 'deflected' ||
  record.waits.some(({ ended }) => ended === 'overflowed');

/** Whether it came to something else of the office after its last forward, and met no finish there. */
function wentOn({ finish, acts, course }: CallRecord): boolean {
  const last = course.at(-1);
  if (finish?.kind !== 'forward' || !last || course.length < 2) return false;
  return last.at >= (acts.findLast(({ act }) => act === 'forwarded')?.at ?? Infinity);
}

function endOf({ finish }: CallRecord): CourseEnd {
  switch (finish?.kind) {
    case 'mailbox':
    case 'teamMailbox':
      return 'mailbox';
    case 'textBack':
      return 'text';
    case 'busy':
      return 'busy';
    default:
      return 'elsewhere';
  }
}

/** Records of earlier versions know no way but whose plan it was. */
function stopsOf({ course, trace }: CallRecord): readonly FigureStop[] {
  if (course.length > 0)
    return course.map(({ ownerId, lineId, isClosed = false }) => stopOf(ownerId, isClosed, lineId !== null));
  if (!trace) return none;
  const isClosed = trace.steps.some(({ kind }) => kind === 'teamClosed');
  return [stopOf(trace.ownerId, isClosed, trace.lineId !== null)];
}

const stops = new Map<string, FigureStop>();

/** The same for all calls that came there: a million of them share a few. */
function stopOf(ownerId: string, isClosed: boolean, isByLine: boolean): FigureStop {
  const key = `${ownerId} ${isClosed} ${isByLine}`;
  let stop = stops.get(key);
  if (!stop) stops.set(key, (stop = { ownerId, isClosed, isByLine }));
  return stop;
}

function teamsOf(waits: CallRecord['waits'], trace: CallRecord['trace']): readonly string[] {
  const called = trace?.steps.find(({ kind }) => kind === 'teamCalled');
  if (waits.length === 0 && !called) return none;
  const ids = new Set(waits.map(({ teamId }) => teamId));
  if (called?.kind === 'teamCalled') ids.add(called.teamId);
  return [...ids];
}
