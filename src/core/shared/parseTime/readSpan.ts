import { localClock, shiftLocalDays, startOfLocalDay } from '@/core/shared/time';
import { atLocal, readWhen } from './readWhen';

/** One stretch of time, epoch milliseconds, `until` not included; or what is wrong with it. */
export type ReadSpan = { ok: true; from: number; until: number } | { ok: false; sentence: string };

const form =
  'Write when, such as this evening, today until 15:00, tomorrow until noon, Sat, or 26 Nov 17:00–23:00.';
const refuse = (sentence: string): ReadSpan => ({ ok: false, sentence });

/** Evening begins then, and the night after it ends. */
const eveningHour = 17;
const morningHour = 6;

/**
 * Reads a stretch that comes once, in the zone's wall-clock time, seen from `now`: "this evening", "tonight", "today",
 * "tomorrow", "Sat", "24 Dec" (whole days), any of them with "until 15:00", "until Fri 8:00", "26 Nov 17:00–23:00" (past
 * midnight where it ends before it begins), and two moments with "to" or "–" between. What has begun begins now.
 */
export function readSpan(text: string, now: number, zone: string): ReadSpan {
  const typed = text.trim().toLowerCase().replace(/\s+/g, ' ');
  if (typed === '') return refuse(form);
  const ofDay = namedSpan(typed, now, zone);
  if (ofDay) return checked(ofDay, now);

  const until = /^(?:(.+) )?(?:until|till) (.+)$/.exec(typed);
  if (until) {
    const day = until[1] === undefined ? { from: now, until: Infinity } : namedSpan(until[1], now, zone);
    if (!day) return refuse(form);
    const from = Math.max(day.from, now);
    // A time alone is one of the day that was named.
    const end = readWhen(until[2] ?? '', from - 1, zone);
    return end.ok ? checked({ from, until: end.at }, now) : refuse(end.sentence);
  }

  const [first, last, more] = typed.split(/ ?(?:–|—| to |(?<=[:.]\d\d|[ap]m)-(?=\d)| - ) ?/);
  if (first === undefined || last === undefined || more !== undefined) return refuse(form);
  const start = readWhen(first, now, zone);
  if (!start.ok) return refuse(start.sentence);
  const end = readWhen(last, start.at, zone);
  return end.ok ? checked({ from: start.at, until: end.at }, now) : refuse(end.sentence);
}

/** A whole local day, or the evening or night that comes next; null for what names none. */
function namedSpan(word: string, now: number, zone: string): { from: number; until: number } | null {
  const today = startOfLocalDay(now, zone);
  const next = (days: number) => shiftLocalDays(today, days, zone);
  const at = (day: number, hours: number) => atLocal(localClock(day, zone).day, hours, 0, zone) ?? day;
  if (word === 'today') return { from: now, until: next(1) };
  if (word === 'this evening') return { from: at(today, eveningHour), until: next(1) };
  if (word === 'tonight') return { from: at(today, eveningHour), until: at(next(1), morningHour) };
  if (word === 'tomorrow') return { from: next(1), until: next(2) };
  // The day is read with an hour that every day has.
  const noon = readWhen(`${word} 12:00`, now, zone);
  if (!noon.ok || /\d[:.]\d|\b(noon|midnight)\b|[ap]m$/.test(word)) return null;
  const from = startOfLocalDay(noon.at, zone);
  return { from, until: shiftLocalDays(from, 1, zone) };
}

function checked({ from, until }: { from: number; until: number }, now: number): ReadSpan {
  const begins = Math.max(from, now);
  if (until <= now) return refuse('That is in the past.');
  return until <= begins ? refuse('It ends before it begins.') : { ok: true, from: begins, until };
}
