import { localClock, offsetAt, shiftLocalDays, timeName } from '@/core/shared/time';

/** A moment as it was typed, or what is wrong with it, said to who typed it. */
export type ReadWhen = { ok: true; at: number } | { ok: false; sentence: string };

const dayMs = 24 * 60 * 60_000;
const weekdays = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];
const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

const form = 'Write a time such as 14:30, in 2 h, Fri, tomorrow 8:00, 24 Dec 12:00 or 2026-12-24 12:00.';
const refuse = (sentence: string): ReadWhen => ({ ok: false, sentence });

/**
 * Reads a moment in the zone's wall-clock time, seen from `now` (epoch milliseconds): a time alone and a weekday are
 * the next ones to come, a date without a year is the next such day. An hour alone is one of the day, as it is said:
 * "3" is 15:00, "9" is 9:00; "3:00" and "03" are not. A day alone is its morning, 9:00; "in 2 h" and "in 3 days" count
 * from now, and "1/12" is 1 December. A time that a change of clocks leaves out is refused; of one that
 * comes twice it is the first, unless the name of the zone's time follows ("1:30 GMT").
 */
export function readWhen(text: string, now: number, zone: string): ReadWhen {
  const words = text
    .trim()
    .toLowerCase()
    .replaceAll(',', ' ')
    .split(/\s+/)
    .filter((word) => word !== '' && !fillers.includes(word));
  const counted = countedFrom(words, now, zone);
  if (counted !== null) return { ok: true, at: counted };
  const named = isZoneName(words.at(-1), now, zone) ? words.pop() : undefined;
  const time = takeTime(words) ?? (readDay(words, now, zone) === null ? null : morning);
  if (time === null) return refuse(form);
  if (time === 'none') return refuse(noSuchTime(text));
  if (words.length === 0) return nextTime(time, now, zone, named);
  const day = readDay(words, now, zone);
  if (day === null) return refuse(form);
  if (day === 'none') return refuse(`There is no such day as ${words.join(' ')}.`);
  return at(day, time, zone, named);
}

interface Time {
  hours: number;
  minutes: number;
}

/** What is said between the words that matter. "Next Monday" is the next one to come. */
const fillers = ['at', 'on', 'next', 'the', 'this'];
const morning: Time = { hours: 9, minutes: 0 };
const timesOfDay: Readonly<Record<string, Time>> = {
  morning,
  noon: { hours: 12, minutes: 0 },
  midday: { hours: 12, minutes: 0 },
  afternoon: { hours: 14, minutes: 0 },
  evening: { hours: 18, minutes: 0 },
  midnight: { hours: 0, minutes: 0 },
};

const unitMs: readonly [RegExp, number][] = [
  [/^(?:m|mins?|minutes?)$/, 60_000],
  [/^(?:h|hrs?|hours?)$/, 3_600_000],
];
const unitDays: readonly [RegExp, number][] = [
  [/^(?:d|days?)$/, 1],
  [/^(?:w|weeks?)$/, 7],
];
/** A year ahead is as far as anybody counts. */
const mostDays = 366;

/** "in 2 h", "in half an hour", "in 3 days" (at the same time of day); null where it is something else. */
function countedFrom(words: readonly string[], now: number, zone: string): number | null {
  if (words[0] !== 'in') return null;
  const said = words
    .slice(1)
    .join(' ')
    .replace(/^half an?/, '0.5')
    .replace(/^an? /, '1 ');
  const found = /^(\d{1,4}(?:\.\d+)?) ?([a-z]+)$/.exec(said);
  const count = Number(found?.[1]);
  const unit = found?.[2] ?? '';
  const ms = unitMs.find(([name]) => name.test(unit))?.[1];
  if (ms !== undefined) return count * ms > mostDays * dayMs ? null : now + count * ms;
  const days = count * (unitDays.find(([name]) => name.test(unit))?.[1] ?? NaN);
  if (!Number.isInteger(days) || days > mostDays) return null;
  const { minutes } = localClock(now, zone);
  const { day } = localClock(shiftLocalDays(now, days, zone), zone);
  return atLocal(day, Math.floor(minutes / 60), minutes % 60, zone);
}

/** Takes the time off the end of the words: "14:30", "3", "3pm", "3 pm", "noon"; null, and nothing is taken, where it is none. */
function takeTime(words: string[]): Time | 'none' | null {
  const half = /^[ap]m$/.test(words.at(-1) ?? '') ? words.at(-1) : undefined;
  const last = words.at(half === undefined ? -1 : -2);
  const time = timeOf(last, half);
  if (time !== null) words.splice(half === undefined ? -1 : -2);
  return time;
}

function timeOf(last: string | undefined, half: string | undefined): Time | 'none' | null {
  const ofDay = timesOfDay[last ?? ''];
  if (ofDay) return ofDay;
  const inWords = hoursInWords.indexOf(last ?? '') + 1;
  const clock = /^(\d{1,2})(?:[:.](\d{2}))?([ap]m)?$/.exec(inWords > 0 ? String(inWords) : (last ?? ''));
  if (!clock) return null;
  const [, written = '', writtenMinutes, ending = half] = clock;
  const hours = Number(written);
  const minutes = Number(writtenMinutes ?? 0);
  if (hours > 23 || minutes > 59) return 'none';
  if (ending === undefined) {
    const isSaid = writtenMinutes === undefined && written.length === 1;
    return { hours: isSaid && hours >= 1 && hours < firstHourOfDay ? hours + 12 : hours, minutes };
  }
  if (hours < 1 || hours > 12) return 'none';
  return { hours: (hours % 12) + (ending === 'pm' ? 12 : 0), minutes };
}

const hoursInWords = 'one two three four five six seven eight nine ten eleven twelve'.split(' ');

/** An hour said alone is one of 7:00 to 18:00. */
const firstHourOfDay = 7;

const noSuchTime = (text: string) =>
  `There is no ${text.trim().split(/\s+/).at(-1)} o’clock: hours go to 23, or to 12 with am and pm, minutes to 59.`;

/** In the four quarters of a year a zone's time has every name it has. */
const isZoneName = (word: string | undefined, now: number, zone: string) =>
  word !== undefined &&
  [0, 91, 182, 273].some((days) => timeName(now + days * dayMs, zone).toLowerCase() === word);

/** Wall-clock time as an instant; the night when clocks go forward has times that do not exist. */
export function atLocal(day: string, hours: number, minutes: number, zone: string): number | null {
  return instantsOf(day, hours, minutes, zone)[0] ?? null;
}

/** One, or none or two where clocks change, the earlier first. */
function instantsOf(day: string, hours: number, minutes: number, zone: string): number[] {
  const asUtc = Date.parse(`${day}T00:00Z`) + (hours * 60 + minutes) * 60_000;
  const offsets = new Set([offsetAt(asUtc - dayMs, zone), offsetAt(asUtc + dayMs, zone)]);
  return [...offsets]
    .map((offset) => asUtc - offset)
    .filter((instant) => {
      const shown = localClock(instant, zone);
      return shown.day === day && shown.minutes === hours * 60 + minutes;
    })
    .sort((a, b) => a - b);
}

function at(day: string, { hours, minutes }: Time, zone: string, named?: string): ReadWhen {
  const instants = instantsOf(day, hours, minutes, zone);
  const instant =
    named === undefined ? instants[0] : instants.find((each) => timeName(each, zone).toLowerCase() === named);
  if (instant !== undefined) return { ok: true, at: instant };
  if (instants.length > 0) return refuse(`It is not ${named?.toUpperCase()} on ${day}.`);
  const clock = `${hours}:${String(minutes).padStart(2, '0')}`;
  return refuse(`There is no ${clock} on ${day}: the clocks go forward that night. Choose an hour later.`);
}

/** The next time the clock shows it; where that is in the hour left out tonight, it is refused and not moved by a day. */
function nextTime(time: Time, now: number, zone: string, named?: string): ReadWhen {
  const isOver = localClock(now, zone).minutes >= time.hours * 60 + time.minutes;
  const today = at(localClock(now, zone).day, time, zone, named);
  if (today.ok ? today.at > now : !isOver) return today;
  return at(localClock(shiftLocalDays(now, 1, zone), zone).day, time, zone, named);
}

/** The local day as "2026-12-24"; "none" for one that the calendar does not have; null for what is not a day. */
function readDay(words: readonly string[], now: number, zone: string): string | null {
  const [first = '', second] = words;
  const inDays = (days: number) => localClock(shiftLocalDays(now, days, zone), zone).day;
  if (words.length === 1) {
    if (first === 'today') return inDays(0);
    if (first === 'tomorrow') return inDays(1);
    const weekday = weekdays.indexOf(first.slice(0, 3));
    if (weekday >= 0 && first.length >= 3)
      return inDays((weekday - localClock(now, zone).weekday + 7) % 7 || 7);
    if (/^\d{4}-\d{2}-\d{2}$/.test(first)) return existing(first);
    const [, date = '', monthNumber, yearNumber] = /^(\d{1,2})\/(\d{1,2})(?:\/(\d{4}))?$/.exec(first) ?? [];
    const named = months[Number(monthNumber) - 1];
    if (monthNumber !== undefined && named === undefined) return 'none';
    if (named === undefined) return null;
    return readDay([date, named, ...(yearNumber === undefined ? [] : [yearNumber])], now, zone);
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

/** "In a meeting until three" as the words and the moment; null where it says no moment that can be read. */
export function readUntil(text: string, now: number, zone: string): { words: string; until: number } | null {
  const found = /^(.*\S)?\s*\b(?:until|till)\s+(\S.*)$/i.exec(text.trim());
  const moment = readWhen(found?.[2] ?? '', now, zone);
  if (!found || !moment.ok) return null;
  return { words: (found[1] ?? '').replace(/[\s,]+$/, ''), until: moment.at };
}
