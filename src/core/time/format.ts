import { shiftLocalDays, startOfLocalDay } from './localTime';

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

/** "10:40", in the given zone. */
export function formatClock(at: number, zone: string): string {
  return formatter(zone, { hour: '2-digit', minute: '2-digit' }).format(at);
}

/** "10:40:07", in the given zone. */
export function formatClockWithSeconds(at: number, zone: string): string {
  return formatter(zone, { hour: '2-digit', minute: '2-digit', second: '2-digit' }).format(at);
}

/** "Thu 10:40", in the given zone. */
export function formatDayAndClock(at: number, zone: string): string {
  return `${formatter(zone, { weekday: 'short' }).format(at)} ${formatClock(at, zone)}`;
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
