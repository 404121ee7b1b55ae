import ICAL from 'ical.js';

import type { DateSpan, WeekWindow } from '@/core/shared/time';

/** CPL's times are iCalendar's (RFC 3880 §4.4): local date-times with a recurrence. */

const dayCodes = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'];
/** A Sunday long ago, from which weekly windows count; the zone's rules hold from there on. */
const firstSunday = '2024-01-07';
const dayMs = 24 * 60 * 60_000;

const compact = (day: string, clock: string) => `${day.replaceAll('-', '')}T${clock.replace(':', '')}00`;
const dayAfter = (day: string, days = 1) =>
  new Date(Date.parse(`${day}T00:00Z`) + days * dayMs).toISOString().slice(0, 10);

export const timesOf = {
  windows: (windows: readonly WeekWindow[]): Record<string, string>[] =>
    windows.map(({ days, from, to }) => {
      const first = dayAfter(firstSunday, Math.min(...days));
      return {
        dtstart: compact(first, from),
        dtend: to === '24:00' ? compact(dayAfter(first), '00:00') : compact(first, to),
        freq: 'weekly',
        byday: [...days]
          .sort((a, b) => a - b)
          .map((day) => dayCodes[day] ?? '')
          .join(','),
      };
    }),
  days: (spans: readonly DateSpan[]): Record<string, string>[] =>
    spans.map(({ from, to }) => ({ dtstart: compact(from, '00:00'), dtend: compact(dayAfter(to), '00:00') })),
};

/** Hours and days at which a time of a script holds: each entry both, where it has both. */
export interface ReadTime {
  hours?: { days: number[]; from: string; to: string }[];
  dates?: DateSpan[];
}

export type ReadTimes = { ok: true; times: ReadTime[]; note?: string } | { ok: false; reason: string };

const mostOccurrences = 400;
const yearsExpanded = 2;

/**
 * One <time> as hours and days of a plan. What repeats by the week stays so; any other recurrence becomes its days of
 * the next two years, which is told. `today` is the local day from which those count.
 */
export function readTime(attributes: Readonly<Record<string, string>>, today: string): ReadTimes {
  const start = readLocal(attributes['dtstart']);
  if (!start) return { ok: false, reason: 'A time needs a dtstart such as 20260105T080000.' };
  const end =
    attributes['dtend'] !== undefined ? readLocal(attributes['dtend']) : plus(start, attributes['duration']);
  if (!end) return { ok: false, reason: 'A time needs a dtend or a duration that can be read.' };
  if (end.ms <= start.ms) return { ok: false, reason: 'It ends before it begins.' };
  const freq = attributes['freq']?.toLowerCase();
  if (!freq) return { ok: true, times: pieces(start, end) };
  const isPlain = [
    'bymonthday',
    'byyearday',
    'byweekno',
    'bymonth',
    'bysetpos',
    'count',
    'byhour',
    'byminute',
    'bysecond',
  ].every((name) => attributes[name] === undefined);
  const isEvery = Number(attributes['interval'] ?? 1) === 1;
  if ((freq === 'weekly' || freq === 'daily') && isPlain && isEvery) {
    const days =
      attributes['byday'] !== undefined
        ? readDays(attributes['byday'])
        : freq === 'daily'
          ? [0, 1, 2, 3, 4, 5, 6]
          : [start.weekday];
    if (!days) return { ok: false, reason: `“${attributes['byday'] ?? ''}” is not a list of weekdays.` };
    if (end.ms - start.ms > dayMs)
      return { ok: false, reason: 'A weekly time longer than a day can’t be held.' };
    const hours = weekly(days, start, end);
    const until = attributes['until'] !== undefined ? readLocal(attributes['until']) : null;
    const bounds =
      start.day > today || until ? [{ from: start.day, to: until?.day ?? '9999-12-31' }] : undefined;
    return { ok: true, times: [{ hours, ...(bounds && { dates: bounds }) }] };
  }
  return expanded(attributes, start, end, today);
}

interface Local {
  day: string;
  clock: string;
  weekday: number;
  /** As if the wall clock were UTC. */
  ms: number;
}

function readLocal(text: string | undefined): Local | null {
  const match = /^(\d{4})(\d{2})(\d{2})(?:T(\d{2})(\d{2})(\d{2})Z?)?$/.exec(text?.trim() ?? '');
  if (!match) return null;
  const day = `${match[1]}-${match[2]}-${match[3]}`;
  return local(Date.parse(`${day}T${match[4] ?? '00'}:${match[5] ?? '00'}Z`));
}

function local(ms: number): Local | null {
  if (Number.isNaN(ms)) return null;
  const iso = new Date(ms).toISOString();
  return { ms, day: iso.slice(0, 10), clock: iso.slice(11, 16), weekday: new Date(ms).getUTCDay() };
}

function plus(start: Local, duration: string | undefined): Local | null {
  if (duration === undefined) return null;
  try {
    return local(start.ms + ICAL.Duration.fromString(duration).toSeconds() * 1000);
  } catch {
    return null;
  }
}

/** A single stretch as whole days and parts of days. */
function pieces(start: Local, end: Local): ReadTime[] {
  const times: ReadTime[] = [];
  let from = start;
  if (from.clock !== '00:00') {
    const midnight = local(Date.parse(`${dayAfter(from.day)}T00:00Z`));
    const until = midnight && midnight.ms < end.ms ? midnight : end;
    times.push(partOfDay(from, until));
    from = until;
  }
  if (from.day < end.day) times.push({ dates: [{ from: from.day, to: dayAfter(end.day, -1) }] });
  const rest = local(Date.parse(`${end.day}T00:00Z`));
  if (rest && rest.ms >= from.ms && end.clock !== '00:00') times.push(partOfDay(rest, end));
  return times;
}

const partOfDay = (from: Local, to: Local): ReadTime => ({
  dates: [{ from: from.day, to: from.day }],
  hours: [{ days: [from.weekday], from: from.clock, to: to.clock === '00:00' ? '24:00' : to.clock }],
});

/** Weekly hours; what goes past midnight goes on on the day after. */
function weekly(days: number[], start: Local, end: Local): ReadTime['hours'] {
  if (start.day === end.day) return [{ days, from: start.clock, to: end.clock }];
  const evening = { days, from: start.clock, to: '24:00' };
  if (end.clock === '00:00') return [evening];
  return [evening, { days: days.map((day) => (day + 1) % 7), from: '00:00', to: end.clock }];
}

function readDays(text: string): number[] | null {
  const days = text.split(',').map((code) => dayCodes.indexOf(code.trim().toUpperCase()));
  return days.length > 0 && days.every((day) => day >= 0) ? days : null;
}

function expanded(
  attributes: Readonly<Record<string, string>>,
  start: Local,
  end: Local,
  today: string,
): ReadTimes {
  const rule = Object.entries(attributes)
    .filter(([name]) => !['dtstart', 'dtend', 'duration'].includes(name))
    .map(([name, value]) => `${name.toUpperCase()}=${value.toUpperCase()}`)
    .join(';');
  try {
    const first = ICAL.Time.fromString(`${start.day}T${start.clock}:00`, undefined as never);
    const occurrences = ICAL.Recur.fromString(rule).iterator(first);
    const last = dayAfter(today, 365 * yearsExpanded);
    const times: ReadTime[] = [];
    for (let next = occurrences.next(); next; next = occurrences.next()) {
      const day = next.toString().slice(0, 10);
      if (day > last) break;
      const begin = local(Date.parse(`${next.toString().slice(0, 16)}Z`));
      const stop = begin && local(begin.ms + end.ms - start.ms);
      if (!begin || !stop || stop.day < today) continue;
      times.push(...pieces(begin, stop));
      if (times.length > mostOccurrences)
        return { ok: false, reason: 'It comes more often than a plan can list.' };
    }
    return { ok: true, times, note: `“${rule}” is held as its days up to ${last}.` };
  } catch (error) {
    return {
      ok: false,
      reason: `The recurrence can’t be read: ${error instanceof Error ? error.message : 'unknown'}.`,
    };
  }
}
