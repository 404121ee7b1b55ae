import { atLocalTime, formatClock, formatDay, shiftLocalDays, startOfLocalDay } from '@/core/shared/time';

/** Whole texts for somebody who calls while the worker's hands are full. */
export const readyReplies = [
  'I can’t talk just now. Please text me what it is about.',
  'I’m up a mast. I’ll ring you when I’m down.',
  'I’m driving. I’ll ring you when I stop.',
] as const;

/** A time at which the worker may promise to call back. */
export interface CallBackTime {
  /** As the choice is named: "in 15 min". */
  word: string;
  /** Epoch milliseconds. */
  at: number;
  /** What is texted: "I’ll call you at 11:00." */
  text: string;
}

const minute = 60_000;
const quarter = 15 * minute;
const morningHour = 8;
const eveningHour = 17;

/**
 * Times worth promising, soonest first: a quarter and an hour from now (on the next five minutes), this evening while
 * it is to come, and tomorrow morning. `zone` is an IANA name.
 */
export function callBackTimes(now: number, zone: string): CallBackTime[] {
  const onFive = (at: number) => Math.ceil(at / (5 * minute)) * 5 * minute;
  const evening = atLocalTime(now, eveningHour, 0, zone);
  const tomorrow = atLocalTime(shiftLocalDays(now, 1, zone), morningHour, 0, zone);
  const times = [
    { word: 'in 15 min', at: onFive(now + quarter) },
    { word: 'in 1 h', at: onFive(now + 4 * quarter) },
    ...(evening - now > 2 * 4 * quarter ? [{ word: 'this evening', at: evening }] : []),
    { word: 'tomorrow morning', at: tomorrow },
  ];
  return times.map(({ word, at }) => ({ word, at, text: `I’ll call you ${whenWords(at, now, zone)}.` }));
}

function whenWords(at: number, now: number, zone: string): string {
  const clock = formatClock(at, zone);
  const day = startOfLocalDay(at, zone);
  if (day === startOfLocalDay(now, zone)) return `at ${clock}`;
  if (day === shiftLocalDays(now, 1, zone)) return `tomorrow at ${clock}`;
  return `on ${formatDay(at, now, zone)} at ${clock}`;
}
