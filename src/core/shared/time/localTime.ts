import { TZDate } from '@date-fns/tz';
import { startOfDay } from 'date-fns/startOfDay';

/** First instant of the local day that `at` lies in. Epoch milliseconds in and out; `zone` is an IANA name. */
export function startOfLocalDay(at: number, zone: string): number {
  return startOfDayNumber(dayNumberAt(at, zone), zone);
}

/** First instant of the local day `days` later (or earlier), also across the nights when clocks change. */
export function shiftLocalDays(at: number, days: number, zone: string): number {
  return startOfDayNumber(dayNumberAt(at, zone) + days, zone);
}

/** The local calendar day as "2026-11-26". */
export function localDayKey(at: number, zone: string): string {
  const date = new TZDate(at, zone);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}

/** Instant of a wall-clock time on the local day of `at`. */
export function atLocalTime(at: number, hours: number, minutes: number, zone: string): number {
  const day = new TZDate(at, zone);
  return new TZDate(day.getFullYear(), day.getMonth(), day.getDate(), hours, minutes, zone).getTime();
}

/** 0 for Sunday to 6 for Saturday. */
export function localWeekday(at: number, zone: string): number {
  return new TZDate(at, zone).getDay();
}

const dayStarts = new Map<string, Map<number, number>>();

/** Days are numbered from 1 January 1970, as the wall clock shows them. */
const dayNumberAt = (at: number, zone: string) => Math.floor((at + offsetAt(at, zone)) / dayMs);

/** When a numbered day begins, asked of the zone's rules once; not always at midnight, where clocks change then. */
function startOfDayNumber(dayNumber: number, zone: string): number {
  let ofZone = dayStarts.get(zone);
  if (!ofZone || ofZone.size > keptOffsets) dayStarts.set(zone, (ofZone = new Map()));
  const known = ofZone.get(dayNumber);
  if (known !== undefined) return known;
  const noon = dayNumber * dayMs + dayMs / 2;
  const start = startOfDay(new TZDate(noon - offsetAt(noon, zone), zone)).getTime();
  ofZone.set(dayNumber, start);
  return start;
}

export interface LocalClock {
  /** Minutes since local midnight as a clock on the wall shows them. */
  minutes: number;
  weekday: number;
  /** "2026-11-26" */
  day: string;
}

const quarterMs = 15 * 60_000;
const dayMs = 24 * 60 * 60_000;
const keptOffsets = 50_000;
const offsets = new Map<string, Map<number, number>>();
const dayNames = new Map<number, string>();

/**
 * What a clock on the wall of the zone shows. Offsets are kept by the quarter of an hour, at whose beginnings alone
 * they have changed since 1972, so that a hundred thousand calls are asked in no time.
 */
export function localClock(at: number, zone: string): LocalClock {
  if (last.at === at && last.zone === zone) return last.clock;
  const clock = readClock(at, zone);
  last = { at, zone, clock };
  return clock;
}

/** Every condition of a plan asks the clock of the same call. */
let last: { at: number; zone: string; clock: LocalClock } = {
  at: NaN,
  zone: '',
  clock: { minutes: 0, weekday: 0, day: '' },
};

function readClock(at: number, zone: string): LocalClock {
  const local = at + offsetAt(at, zone);
  const dayNumber = Math.floor(local / dayMs);
  return {
    minutes: Math.floor((local - dayNumber * dayMs) / 60_000),
    // 1 January 1970 was a Thursday.
    weekday: (((dayNumber + 4) % 7) + 7) % 7,
    day: dayName(dayNumber),
  };
}

/** How far the zone's wall clock is ahead of UTC, in milliseconds. */
export function offsetAt(at: number, zone: string): number {
  const quarter = Math.floor(at / quarterMs);
  let ofZone = offsets.get(zone);
  if (!ofZone || ofZone.size > keptOffsets) offsets.set(zone, (ofZone = new Map()));
  const known = ofZone.get(quarter);
  if (known !== undefined) return known;
  const offset = -new TZDate(at, zone).getTimezoneOffset() * 60_000;
  ofZone.set(quarter, offset);
  return offset;
}

function dayName(dayNumber: number): string {
  let name = dayNames.get(dayNumber);
  if (name === undefined) {
    if (dayNames.size > keptOffsets) dayNames.clear();
    dayNames.set(dayNumber, (name = new Date(dayNumber * dayMs).toISOString().slice(0, 10)));
  }
  return name;
}
