import { localClock } from '@/core/shared/time';
import type { FigureCall } from './calls';

/** By what calls are told apart. */
export const groupings = [
  'line',
  'team',
  'person',
  'key',
  'hour',
  'weekday',
  'day',
  'week',
  'month',
] as const;
export type Grouping = (typeof groupings)[number];

/** Figures of some calls. Lengths in milliseconds; null where there is nothing to reckon from. */
export interface Figures {
  calls: number;
  taken: number;
  /** The caller gave up. */
  abandoned: number;
  /** It ended where a plan, a queue or a menu let it. */
  overflowed: number;
  /** How long those waited who were taken. */
  meanWaitMs: number | null;
  medianWaitMs: number | null;
  /** Nine of ten waited no longer (nearest rank). */
  ninetiethWaitMs: number | null;
  /** The longest anybody waited, whether or not they were taken. */
  longestWaitMs: number | null;
  talkMs: number;
  meanTalkMs: number | null;
  /** The share taken within the asked seconds, of all but those who gave up sooner; null where there is none. */
  serviceLevel: number | null;
}

export interface FigureRow extends Figures {
  /** An id of the line, team or person; a key; an hour (0 to 23), a weekday (0: Sunday), or the first day "2026-11-23". "" for none. */
  key: string;
}

export interface FiguresAsked {
  /** From that instant, before the other. */
  from: number;
  until: number;
  by: Grouping;
  /** What counts as in time. */
  withinSeconds: number;
  zone: string;
}

export interface FiguresFound {
  all: Figures;
  /** The same over as long a span before. */
  before: Figures;
  rows: FigureRow[];
}

/** Figures of the calls that came in the span, of all and by what was asked for; and of the span of the same length before it. */
export function figuresOf(calls: Iterable<FigureCall>, asked: FiguresAsked): FiguresFound {
  const { from, until, by, withinSeconds } = asked;
  const withinMs = withinSeconds * 1000;
  const keysOf = keyReader(by, asked.zone);
  const all = new Tally(withinMs);
  const before = new Tally(withinMs);
  const groups = new Map<string, Tally>();
  for (const call of calls) {
    if (call.at >= until || call.at < from - (until - from)) continue;
    if (call.at < from) {
      before.add(call);
      continue;
    }
    all.add(call);
    for (const key of keysOf(call)) {
      let group = groups.get(key);
      if (!group) groups.set(key, (group = new Tally(withinMs)));
      group.add(call);
    }
  }
  const rows = Array.from(groups, ([key, tally]) => ({ key, ...tally.figures() }));
  return { all: all.figures(), before: before.figures(), rows: rows.sort((a, b) => inOrder(by, a, b)) };
}

/** The calls of one row. */
export const callsBehind = (
  calls: Iterable<FigureCall>,
  { from, until, by, zone }: FiguresAsked,
  key: string,
): FigureCall[] => {
  const keysOf = keyReader(by, zone);
  return [...calls].filter((call) => call.at >= from && call.at < until && keysOf(call).includes(key));
};

const isByTime = (by: Grouping) => by !== 'line' && by !== 'team' && by !== 'person' && by !== 'key';

/** Times as they follow each other, a week from Monday; all else by how many there were. */
function inOrder(by: Grouping, a: FigureRow, b: FigureRow): number {
  if (by === 'weekday') return ((Number(a.key) + 6) % 7) - ((Number(b.key) + 6) % 7);
  if (by === 'hour') return Number(a.key) - Number(b.key);
  if (isByTime(by)) return a.key < b.key ? -1 : 1;
  return b.calls - a.calls || (a.key < b.key ? -1 : 1);
}

const dayMs = 24 * 3_600_000;
const noKey: readonly string[] = [''];

/** Says in which groups a call counts: in that of each team it went to, and of everybody whom it concerned. */
function keyReader(by: Grouping, zone: string): (call: FigureCall) => readonly string[] {
  switch (by) {
    case 'line':
      return ({ lineId }) => [lineId ?? ''];
    case 'team':
      return ({ teamIds }) => (teamIds.length === 0 ? noKey : teamIds);
    case 'person':
      return ({ takenById, missedByIds }) =>
        takenById !== null ? [takenById] : missedByIds.length > 0 ? missedByIds : noKey;
    case 'key':
      return ({ keys }) => (keys.length === 0 ? noKey : [keys.join(' ')]);
    default:
      return timeReader(by, zone);
  }
}

function timeReader(by: Grouping, zone: string): (call: FigureCall) => readonly string[] {
  const keys = new Map<string | number, readonly string[]>();
  const once = (at: string | number, make: () => string) => {
    let key = keys.get(at);
    if (!key) keys.set(at, (key = [make()]));
    return key;
  };
  return ({ at }) => {
    const { minutes, weekday, day } = localClock(at, zone);
    if (by === 'hour') return once(Math.floor(minutes / 60), () => String(Math.floor(minutes / 60)));
    if (by === 'weekday') return once(weekday, () => String(weekday));
    return once(day, () =>
      by === 'week' ? mondayOf(day, weekday) : by === 'month' ? `${day.slice(0, 7)}-01` : day,
    );
  };
}

/** The Monday of a day's week. */
const mondayOf = (day: string, weekday: number) =>
  new Date(Date.parse(`${day}T00:00Z`) - ((weekday + 6) % 7) * dayMs).toISOString().slice(0, 10);

/** Adds calls up. */
class Tally {
  private calls = 0;
  private abandoned = 0;
  private overflowed = 0;
  private inTime = 0;
  private gaveUpSooner = 0;
  private talkMs = 0;
  private longestMs = -1;
  /** Of those who were taken. */
  private readonly waits: number[] = [];

  constructor(private readonly withinMs: number) {}

  add({ at, takenAt, endedAt, ended }: FigureCall): void {
    this.calls++;
    const waitMs = Math.max(0, (takenAt ?? endedAt) - at);
    if (waitMs > this.longestMs) this.longestMs = waitMs;
    if (takenAt !== null) {
      this.waits.push(waitMs);
      this.talkMs += Math.max(0, endedAt - takenAt);
      if (waitMs <= this.withinMs) this.inTime++;
    } else if (ended === 'overflowed') this.overflowed++;
    else {
      this.abandoned++;
      if (waitMs <= this.withinMs) this.gaveUpSooner++;
    }
  }

  figures(): Figures {
    const waits = Float64Array.from(this.waits).sort();
    const taken = waits.length;
    const rank = (share: number) => waits[Math.max(0, Math.ceil(taken * share) - 1)] ?? null;
    const counted = this.calls - this.gaveUpSooner;
    return {
      calls: this.calls,
      taken,
      abandoned: this.abandoned,
      overflowed: this.overflowed,
      meanWaitMs: taken === 0 ? null : waits.reduce((sum, each) => sum + each, 0) / taken,
      medianWaitMs: rank(0.5),
      ninetiethWaitMs: rank(0.9),
      longestWaitMs: this.longestMs < 0 ? null : this.longestMs,
      talkMs: this.talkMs,
      meanTalkMs: taken === 0 ? null : this.talkMs / taken,
      serviceLevel: counted === 0 ? null : this.inTime / counted,
    };
  }
}
