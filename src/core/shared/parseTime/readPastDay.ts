import { localClock, shiftLocalDays, startOfLocalDay } from '@/core/shared/time';
import { atLocal, type ReadWhen } from './readWhen';

const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const form = 'Write a day such as 24 Nov, 24 Nov 2025, 2026-11-24, today or yesterday.';

/**
 * Reads a day that has been, as the instant at which it began in the zone (epoch milliseconds). A date without a year
 * is the last such day.
 */
export function readPastDay(text: string, now: number, zone: string): ReadWhen {
  const typed = text.trim().toLowerCase();
  if (typed === 'today') return { ok: true, at: startOfLocalDay(now, zone) };
  if (typed === 'yesterday') return { ok: true, at: shiftLocalDays(now, -1, zone) };
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(typed);
  if (iso) return dayAt(Number(iso[1]), Number(iso[2]), Number(iso[3]), zone, typed);
  const named = /^(\d{1,2}) ([a-z]{3})[a-z]*(?: (\d{4}))?$/.exec(typed);
  const month = months.indexOf(named?.[2] ?? '') + 1;
  if (!named || month === 0) return { ok: false, sentence: form };
  const day = Number(named[1]);
  if (named[3] !== undefined) return dayAt(Number(named[3]), month, day, zone, typed);
  const year = Number(localClock(now, zone).day.slice(0, 4));
  // Four years back there is any day, also 29 February.
  for (let back = 0; back <= 4; back++) {
    const found = dayAt(year - back, month, day, zone, typed);
    if (found.ok && found.at <= now) return found;
  }
  return { ok: false, sentence: `There is no such day as ${typed}.` };
}

function dayAt(year: number, month: number, day: number, zone: string, typed: string): ReadWhen {
  const two = (value: number) => String(value).padStart(2, '0');
  const date = `${year}-${two(month)}-${two(day)}`;
  const asUtc = new Date(`${date}T00:00Z`);
  const exists = !Number.isNaN(asUtc.getTime()) && asUtc.toISOString().startsWith(date);
  const at = exists ? (atLocal(date, 0, 0, zone) ?? atLocal(date, 1, 0, zone)) : null;
  return at === null ? { ok: false, sentence: `There is no such day as ${typed}.` } : { ok: true, at };
}
