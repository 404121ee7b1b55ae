import { z } from 'zod';

import { edgesBetween, isInDates, isInWindows, type DateSpan, type WeekWindow } from '@/core/shared/time';
import type { LooseEnd } from './looseEnds';

/** Points for what makes somebody more pressing; all can be set. */
export const looseWeightsSchema = z.object({
  urgentLine: z.number().min(0),
  starredCaller: z.number().min(0),
  /** For each try after the first, up to five. */
  furtherTry: z.number().min(0),
  /** For each hour of waiting, counted in the worker's own hours, up to ten. */
  waitingHour: z.number().min(0),
  promiseOverdue: z.number().min(0),
  /** Due within a quarter of an hour. */
  promiseSoon: z.number().min(0),
});
export type LooseWeights = z.infer<typeof looseWeightsSchema>;

export const usualWeights: LooseWeights = {
  urgentLine: 60,
  starredCaller: 20,
  furtherTry: 10,
  waitingHour: 6,
  promiseOverdue: 50,
  promiseSoon: 25,
};

const mostTries = 5;
const mostHours = 10;
const soonMs = 15 * 60_000;
const hourMs = 3_600_000;
/** In a month there are more hours than count. */
const longestLookMs = 31 * 24 * hourMs;

/** The hours in which the worker's callers may expect an answer; none: all of them. */
export interface OwnHours {
  windows: readonly WeekWindow[];
  daysOff: readonly DateSpan[];
  zone: string;
}

/** One part of why somebody stands where they stand. */
export interface Weight {
  weight: keyof LooseWeights;
  /** How many of them: tries, hours; 1 where it is or is not. */
  times: number;
  points: number;
}

export interface RankedEnd {
  end: LooseEnd;
  points: number;
  weights: Weight[];
}

/**
 * Who is to be answered first. Points of all parts are added; more points come first. Equal ones go by who has waited
 * longer, then by key, so that the same people always stand in the same order. Who was taken on by a colleague comes
 * after all others, and who was put off does not stand in it until their time.
 */
export function orderOf(
  ends: readonly LooseEnd[],
  weights: LooseWeights,
  hours: OwnHours,
  myId: string,
  now: number,
): RankedEnd[] {
  const earliest = ends.reduce((first, end) => Math.min(first, sinceOf(end)), now);
  const stretches = workingStretches(Math.max(earliest, now - longestLookMs), now, hours);
  return ends
    .filter(({ snoozedUntil }) => snoozedUntil === null || snoozedUntil <= now)
    .map((end) => {
      const parts = weightsOf(end, weights, stretches, now);
      return { end, weights: parts, points: parts.reduce((sum, { points }) => sum + points, 0) };
    })
    .sort(
      (a, b) =>
        Number(isElsewhere(a.end, myId)) - Number(isElsewhere(b.end, myId)) ||
        b.points - a.points ||
        sinceOf(a.end) - sinceOf(b.end) ||
        (a.end.who.key < b.end.who.key ? -1 : 1),
    );
}

/** Whether a colleague has taken it on. */
export const isElsewhere = ({ takenById }: LooseEnd, myId: string) =>
  takenById !== null && takenById !== myId;

/** Since when they wait. */
export const sinceOf = ({ reasons }: LooseEnd): number => reasons[0]?.at ?? 0;

/** How often they have tried; a voicemail is left by the try that it belongs to. */
export const triesOf = ({ reasons, furtherTries }: LooseEnd): number =>
  reasons.filter(({ kind }) => kind !== 'promised').length + furtherTries;

function weightsOf(
  end: LooseEnd,
  weights: LooseWeights,
  stretches: readonly WorkingStretch[],
  now: number,
): Weight[] {
  const { reasons } = end;
  const tries = Math.min(Math.max(triesOf(end) - 1, 0), mostTries);
  const waited = waitedHours(sinceOf(end), stretches);
  const dues = reasons.flatMap(({ dueAt }) => (dueAt === null ? [] : [dueAt]));
  const isOverdue = dues.some((dueAt) => dueAt <= now);
  const times: Record<keyof LooseWeights, number> = {
    urgentLine: Number(reasons.some(({ isUrgent }) => isUrgent)),
    starredCaller: Number(reasons.some(({ isStarred }) => isStarred)),
    furtherTry: tries,
    waitingHour: waited,
    promiseOverdue: Number(isOverdue),
    promiseSoon: Number(!isOverdue && dues.some((dueAt) => dueAt - now <= soonMs)),
  };
  return (Object.keys(times) as (keyof LooseWeights)[])
    .map((weight) => ({ weight, times: times[weight], points: times[weight] * weights[weight] }))
    .filter(({ points }) => points > 0);
}

/** A stretch of working time, in epoch milliseconds. */
interface WorkingStretch {
  from: number;
  to: number;
}

/** The worker's own hours between two instants, in order. */
function workingStretches(from: number, to: number, { windows, daysOff, zone }: OwnHours): WorkingStretch[] {
  if (to <= from) return [];
  if (windows.length === 0) return [{ from, to }];
  const edges = [from, ...edgesBetween(from, to, windows, zone), to];
  return edges.slice(1).flatMap((edge, index) => {
    const at = edges[index] ?? edge;
    const isWorking = isInWindows(at, windows, zone) && !isInDates(at, daysOff, zone);
    return isWorking ? [{ from: at, to: edge }] : [];
  });
}

/** Whole hours of the stretches that lie after an instant, as far as they count. */
function waitedHours(since: number, stretches: readonly WorkingStretch[]): number {
  let sum = 0;
  for (let at = stretches.length - 1; at >= 0 && sum < mostHours * hourMs; at--) {
    const stretch = stretches[at];
    if (!stretch || stretch.to <= since) break;
    sum += stretch.to - Math.max(stretch.from, since);
  }
  return Math.min(Math.floor(sum / hourMs), mostHours);
}

/** How much of the time between two instants lies in the worker's own hours, in milliseconds. */
export function workingMs(from: number, to: number, hours: OwnHours): number {
  return workingStretches(from, to, hours).reduce((sum, stretch) => sum + stretch.to - stretch.from, 0);
}
