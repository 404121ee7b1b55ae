import { localClock, offsetAt, shiftLocalDays } from '../time';

/** A moment as it was typed, or what is wrong with it, said to who typed it. */
export type ReadWhen = { ok: true; at: number } | { ok: false; sentence: string };

const dayMs = 24 * 60 * 60_000;
const weekdays = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];
const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

const form = 'Write a time such as 14:30, tomorrow 8:00, Fri 8:00, 24 Dec 12:00 or 2026-12-24 12:00.';
const refuse = (sentence: string): ReadWhen => ({ ok: false, sentence });

/**
 * Reads a moment in the zone's wall-clock time, seen from `now` (epoch milliseconds): a time alone and a weekday are
 * the next ones to come, a date without a year is the next such day. A time that a change of clocks leaves out is
 * refused; of one that comes twice it is the first.
 */
export function readWhen(text: string, now: number, zone: string): ReadWhen {
  const words = text
    .trim()
    .toLowerCase()
    .replaceAll(',', ' ')
    .split(/\s+/)
    .filter((word) => word !== '');
  const time = words.pop();
  const clock = /^(\d{1,2})(?:[:.](\d{2}))?$/.exec(time ?? '');
  if (!clock) return refuse(form);
  const hours = Number(clock[1]);
  const minutes = Number(clock[2] ?? 0);
  if (hours > 23 || minutes > 59)
    return refuse(`There is no ${time} o’clock: hours go to 23, minutes to 59.`);
  if (words.length === 0) return nextTime(hours, minutes, now, zone);
  const day = readDay(words, now, zone);
  if (day === null) return refuse(form);
  if (day === 'none') return refuse(`There is no such day as ${words.join(' ')}.`);
  return at(day, hours, minutes, zone);
}

/** Wall-clock time as an instant; the night when clocks go forward has times that do not exist. */
export function atLocal(day: string, hours: number, minutes: number, zone: string): number | null {
  const asUtc = Date.parse(`${day}T00:00Z`) + (hours * 60 + minutes) * 60_000;
  const fitting = [offsetAt(asUtc - dayMs, zone), offsetAt(asUtc + dayMs, zone)]
    .map((offset) => asUtc - offset)
    .filter((instant) => {
      const shown = localClock(instant, zone);
      return shown.day === day && shown.minutes === hours * 60 + minutes;
    });
  return fitting.length > 0 ? Math.min(...fitting) : null;
}

function at(day: string, hours: number, minutes: number, zone: string): ReadWhen {
  const instant = atLocal(day, hours, minutes, zone);
  if (instant !== null) return { ok: true, at: instant };
  const clock = `${hours}:${String(minutes).padStart(2, '0')}`;
  return refuse(`There is no ${clock} on ${day}: the clocks go forward that night. Choose an hour later.`);
}

function nextTime(hours: number, minutes: number, now: number, zone: string): ReadWhen {
  for (const days of [0, 1, 2]) {
    const found = at(localClock(shiftLocalDays(now, days, zone), zone).day, hours, minutes, zone);
    if (found.ok && found.at > now) return found;
  }
  return refuse(form);
}

/** The local day as "2026-12-24"; "none" for one that the calendar does not have; null for what is no day. */
function readDay(words: readonly string[], now: number, zone: string): string | null {
  const [first = '', second] = words;
  const inDays = (days: number) => localClock(shiftLocalDays(now, days, zone), zone).day;
  if (words.length === 1) {
    if (first === 'today') return inDays(0);
    if (first === 'tomorrow') return inDays(1);
    const weekday = weekdays.indexOf(first.slice(0, 3));
    if (weekday >= 0 && first.length >= 3)
      return inDays((weekday - localClock(now, zone).weekday + 7) % 7 || 7);
    return /^\d{4}-\d{2}-\d{2}$/.test(first) ? existing(first) : null;
  }
  const month = months.indexOf((second ?? '').slice(0, 3));
  if (words.length > 3 || month < 0 || !/^\d{1,2}\.?$/.test(first)) return null;
  const today = localClock(now, zone).day;
  const two = (value: number) => String(value).padStart(2, '0');
  const dayIn = (year: number) => `${year}-${two(month + 1)}-${two(parseInt(first, 10))}`;
  const year = words[2] === undefined ? Number(today.slice(0, 4)) : Number(words[2]);
  if (!Number.isInteger(year) || year < 1972 || year > 2200) return null;
  return existing(words[2] === undefined && dayIn(year) < today ? dayIn(year + 1) : dayIn(year));
}

function existing(day: string): string {
  const parsed = new Date(`${day}T00:00Z`);
  return !Number.isNaN(parsed.getTime()) && parsed.toISOString().startsWith(day) ? day : 'none';
}
