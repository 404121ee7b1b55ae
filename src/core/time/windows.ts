import { TZDate } from '@date-fns/tz';

import { localDayKey, localWeekday, shiftLocalDays, startOfLocalDay } from './localTime';

/** A stretch of wall-clock time on each of these weekdays: 0 Sunday to 6 Saturday, "00:00" to "24:00". */
export interface WeekWindow {
  days: readonly number[];
  from: string;
  to: string;
}

/** Local days, both included, as "2026-11-26". */
export interface DateSpan {
  from: string;
  to: string;
}

const minuteMs = 60_000;

/** Whether the wall clock of the zone stands in one of the windows at that instant (epoch milliseconds). */
export function isInWindows(at: number, windows: readonly WeekWindow[], zone: string): boolean {
  const weekday = localWeekday(at, zone);
  const date = new TZDate(at, zone);
  const minutes = date.getHours() * 60 + date.getMinutes();
  return windows.some(
    ({ days, from, to }) => days.includes(weekday) && minutes >= minutesOf(from) && minutes < minutesOf(to),
  );
}

export function isInDates(at: number, spans: readonly DateSpan[], zone: string): boolean {
  const day = localDayKey(at, zone);
  return spans.some(({ from, to }) => from <= day && day <= to);
}

/**
 * Every instant after `from` and before `to` at which the answer of `isInWindows` or `isInDates` may change, in order.
 * On a night when clocks change a wall-clock time may come twice or never, so both offsets of the day are looked at,
 * and the change itself.
 */
export function edgesBetween(
  from: number,
  to: number,
  windows: readonly WeekWindow[],
  zone: string,
): number[] {
  const times = new Set(['00:00', ...windows.flatMap((window) => [window.from, window.to])].map(minutesOf));
  const edges = new Set<number>();
  for (let day = startOfLocalDay(from, zone); day < to; day = shiftLocalDays(day, 1, zone)) {
    const end = shiftLocalDays(day, 1, zone);
    const offsets = [offsetMs(day, zone), offsetMs(end - 1, zone)];
    const [year = 0, month = 1, date = 1] = localDayKey(day, zone).split('-').map(Number);
    const midnight = Date.UTC(year, month - 1, date);
    for (const minutes of times)
      for (const offset of offsets) edges.add(midnight + minutes * minuteMs - offset);
    if (offsets[0] !== offsets[1]) edges.add(changeBetween(day, end, zone));
  }
  return [...edges].filter((at) => at > from && at < to).sort((a, b) => a - b);
}

/** How far the zone's wall clock is ahead of UTC. */
const offsetMs = (at: number, zone: string) => -new TZDate(at, zone).getTimezoneOffset() * minuteMs;

/** The instant at which the zone's offset changes, between two at which it differs. */
function changeBetween(before: number, after: number, zone: string): number {
  const offset = offsetMs(before, zone);
  let [low, high] = [before, after];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (offsetMs(middle, zone) === offset) low = middle;
    else high = middle;
  }
  return high;
}

function minutesOf(clock: string): number {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return hours * 60 + minutes;
}
