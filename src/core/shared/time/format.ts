import { localClock, offsetAt, shiftLocalDays, startOfLocalDay } from './localTime';

const dayMs = 24 * 60 * 60_000;
const changeMs = 3 * 60 * 60_000;

const formatters = new Map<string, Intl.DateTimeFormat>();

function formatter(zone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${zone} ${JSON.stringify(options)}`;
  let found = formatters.get(key);
  if (!found) {
    found = new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...options });
    formatters.set(key, found);
  }
  return found;
}

export const clockStyles = ['24', '12'] as const;
/** How a time of day is written: "16:40", or "4:40 pm". */
export type ClockStyle = (typeof clockStyles)[number];

let style: ClockStyle = '24';

/** Has all times of day be written so from now on, as whoever uses this app reads them. */
export function setClockStyle(to: ClockStyle): void {
  style = to;
}

/** "10:40" in the given zone, or "10:40 am". */
export function formatClock(at: number, zone: string): string {
  const hours =
    style === '12' ? ({ hour: 'numeric', hourCycle: 'h12' } as const) : ({ hour: '2-digit' } as const);
  return formatter(zone, { ...hours, minute: '2-digit' }).format(at);
}

/** "10:40:07", in the given zone. */
export function formatClockWithSeconds(at: number, zone: string): string {
  return formatter(zone, { hour: '2-digit', minute: '2-digit', second: '2-digit' }).format(at);
}

/**
 * "Thu 10:40" within the six days around today; further away "Thu 24 Dec 10:40", since a weekday alone would be taken
 * for the nearest, with the year where it is another. Of an hour that comes twice it is said which: "Sun 01:30 GMT".
 */
export function formatDayAndClock(at: number, now: number, zone: string): string {
  const days = Math.round(Math.abs(startOfLocalDay(at, zone) - startOfLocalDay(now, zone)) / dayMs);
  const isOtherYear = localClock(at, zone).day.slice(0, 4) !== localClock(now, zone).day.slice(0, 4);
  const day = formatter(zone, {
    weekday: 'short',
    ...(days >= 7 && { day: 'numeric', month: 'short', ...(isOtherYear && { year: 'numeric' }) }),
  });
  return `${day.format(at).replace(',', '')} ${formatClockSurely(at, zone)}`;
}

/** "Thu 24 Dec", in the given zone. */
export function formatDate(at: number, zone: string): string {
  return formatter(zone, { weekday: 'short', day: 'numeric', month: 'short' }).format(at).replace(',', '');
}

/** "2026-07-01T10:40:00+01:00": the wall clock of the zone with its offset (ISO 8601). */
export function formatIso(at: number, zone: string): string {
  const offset = offsetAt(at, zone);
  const minutes = Math.abs(offset) / 60_000;
  const two = (value: number) => String(Math.floor(value)).padStart(2, '0');
  const wall = new Date(at + offset).toISOString().slice(0, 19);
  return `${wall}${offset < 0 ? '-' : '+'}${two(minutes / 60)}:${two(minutes % 60)}`;
}

/** "15:00" today, else as `formatDayAndClock`. */
export function formatMoment(at: number, now: number, zone: string): string {
  const isToday = startOfLocalDay(at, zone) === startOfLocalDay(now, zone);
  return isToday ? formatClockSurely(at, zone) : formatDayAndClock(at, now, zone);
}

/** "01:30", with the name of the zone's time where a change of clocks makes it come twice. */
function formatClockSurely(at: number, zone: string): string {
  const clock = formatClock(at, zone);
  return comesTwice(at, zone) ? `${clock} ${timeName(at, zone)}` : clock;
}

function comesTwice(at: number, zone: string): boolean {
  const offset = offsetAt(at, zone);
  // Clocks go back by three hours at the most, and forward as seldom.
  return [-changeMs, changeMs].some((ms) => {
    const other = offsetAt(at + ms, zone);
    return other !== offset && offsetAt(at + offset - other, zone) === other;
  });
}

/** "GMT", "BST" or "GMT+2": what the zone's time is called at that instant. */
export function timeName(at: number, zone: string): string {
  const parts = formatter(zone, { timeZoneName: 'short' }).formatToParts(at);
  return parts.find(({ type }) => type === 'timeZoneName')?.value ?? '';
}

/** "Today", "Yesterday", or "Tuesday 24 November", with the year when it is another. */
export function formatDay(at: number, now: number, zone: string): string {
  const day = startOfLocalDay(at, zone);
  if (day === startOfLocalDay(now, zone)) return 'Today';
  if (day === shiftLocalDays(now, -1, zone)) return 'Yesterday';
  const year = formatter(zone, { year: 'numeric' });
  const withYear = year.format(at) === year.format(now) ? {} : ({ year: 'numeric' } as const);
  return formatter(zone, { weekday: 'long', day: 'numeric', month: 'long', ...withYear })
    .format(at)
    .replace(',', '');
}

/** A running or finished length as "0:07", "12:40" or "1:02:09". */
export function formatDuration(ms: number): string {
  const seconds = Math.max(0, Math.floor(ms / 1000));
  const two = (value: number) => String(value).padStart(2, '0');
  const hours = Math.floor(seconds / 3600);
  const minutes = Math.floor(seconds / 60) % 60;
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`;
}

/** A length as it is said: "7 s", "3 min", "1 h 22". */
export function formatSpan(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  if (seconds < 60) return `${seconds} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  return hours < 24 ? `${hours} h ${String(minutes % 60).padStart(2, '0')}` : `${Math.floor(hours / 24)} d`;
}
