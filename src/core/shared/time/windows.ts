import { localClock, localDayKey, offsetAt, shiftLocalDays, startOfLocalDay } from './localTime';

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
  const { weekday, minutes } = localClock(at, zone);
  for (const { days, from, to } of windows)
    if (days.includes(weekday) && minutes >= minutesOf(from) && minutes < minutesOf(to)) return true;
  return false;
}

export function isInDates(at: number, spans: readonly DateSpan[], zone: string): boolean {
  if (spans.length === 0) return false;
  const { day } = localClock(at, zone);
  for (const { from, to } of spans) if (from <= day && day <= to) return true;
  return false;
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
    const offsets = [offsetAt(day, zone), offsetAt(end - 1, zone)];
    const [year = 0, month = 1, date = 1] = localDayKey(day, zone).split('-').map(Number);
    const midnight = Date.UTC(year, month - 1, date);
    for (const minutes of times)
      for (const offset of offsets) edges.add(midnight + minutes * minuteMs - offset);
    if (offsets[0] !== offsets[1]) edges.add(changeBetween(day, end, zone));
  }
  return [...edges].filter((at) => at > from && at < to).sort((a, b) => a - b);
}

/** The instant at which the zone's offset changes, between two at which it differs. */
function changeBetween(before: number, after: number, zone: string): number {
  const offset = offsetAt(before, zone);
  let [low, high] = [before, after];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (offsetAt(middle, zone) === offset) low = middle;
    else high = middle;
  }
  return high;
}

/** Minutes since midnight of "09:30"; written out, since every trace asks it many times. */
function minutesOf(clock: string): number {
  const digit = (index: number) => clock.charCodeAt(index) - 48;
  return (digit(0) * 10 + digit(1)) * 60 + digit(3) * 10 + digit(4);
}
