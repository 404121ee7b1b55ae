import type { DayOff } from '@/core/setup';
import type { DateSpan, WeekWindow } from '@/core/shared/time';
import { daysAfter } from './hoursWords';

type Read<T> = { ok: true; value: T } | { ok: false; sentence: string };

const dayNames = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];
const hoursForm = 'Write hours such as Mon–Fri 8:00–17:00, Sat 9:00–12:00.';
const daysForm = 'Write days such as 2026-12-24, or 2026-12-24 to 2027-01-02.';

/** Hours as they are typed, a part for each stretch, parted by commas or lines: "Mon–Fri 8:00–17:00, Sat 22–6". */
export function readHours(text: string): Read<WeekWindow[]> {
  const windows: WeekWindow[] = [];
  for (const part of partsOf(text)) {
    const match = /^([a-z–\-+/ ]+?)\s+(\d{1,2}(?::\d{2})?)\s*[-–]\s*(\d{1,2}(?::\d{2})?)$/i.exec(part);
    if (!match) return { ok: false, sentence: `“${part}” can’t be read as hours. ${hoursForm}` };
    const days = readDays(match[1] ?? '');
    const from = readClock(match[2] ?? '');
    const to = readClock(match[3] ?? '');
    if (!days) return { ok: false, sentence: `“${match[1] ?? ''}” is not a weekday. ${hoursForm}` };
    if (!from || !to) return { ok: false, sentence: `“${part}”: hours go to 24, minutes to 59.` };
    if (from === to) return { ok: false, sentence: `“${part}” ends when it begins.` };
    windows.push(...acrossMidnight(days, from, to));
  }
  return { ok: true, value: windows };
}

/** "22:00–6:00" begins on its days and ends on the days after them. */
function acrossMidnight(days: readonly number[], from: string, to: string): WeekWindow[] {
  if (from < to) return [{ days, from, to }];
  const evening = { days, from, to: '24:00' };
  return to === '00:00' ? [evening] : [evening, { days: daysAfter(days), from: '00:00', to }];
}

/** Days as they are typed, a line for each: "2026-12-24 to 2027-01-02 Yard closed". */
export function readDaysOff(text: string): Read<DayOff[]> {
  const days: DayOff[] = [];
  for (const line of text.split('\n').map((each) => each.trim())) {
    if (line === '') continue;
    const match = /^(\d{4}-\d{2}-\d{2})(?:\s*(?:to|–|-)\s*(\d{4}-\d{2}-\d{2}))?(?:\s+(.*))?$/.exec(line);
    if (!match) return { ok: false, sentence: `“${line}” is not a day. ${daysForm}` };
    const from = match[1] ?? '';
    const to = match[2] ?? from;
    if (!exists(from) || !exists(to)) return { ok: false, sentence: `“${line}”: there is no such day.` };
    if (to < from) return { ok: false, sentence: `“${line}” ends before it begins.` };
    days.push({ from, to, name: match[3] ?? '' });
  }
  return { ok: true, value: days };
}

export const daysOffWords = (days: readonly (DateSpan & { name: string })[]): string =>
  days.map(({ from, to, name }) => `${from === to ? from : `${from} to ${to}`} ${name}`.trim()).join('\n');

const partsOf = (text: string) =>
  text
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter((part) => part !== '');

function readDays(text: string): number[] | null {
  if (/^(every day|daily)$/i.test(text.trim())) return [0, 1, 2, 3, 4, 5, 6];
  const days = new Set<number>();
  for (const part of text.split(/[+/ ]/).filter((each) => each !== '')) {
    const [first = '', last] = part.split(/[-–]/);
    const from = dayNames.indexOf(first.toLowerCase().slice(0, 3));
    const to = last === undefined ? from : dayNames.indexOf(last.toLowerCase().slice(0, 3));
    if (from < 0 || to < 0 || first.length < 3) return null;
    for (let day = from; ; day = (day + 1) % 7) {
      days.add(day);
      if (day === to) break;
    }
  }
  return days.size > 0 ? [...days].sort((a, b) => a - b) : null;
}

function readClock(text: string): string | null {
  const [hours = NaN, minutes = 0] = text.split(':').map(Number);
  const isThere = hours < 24 ? minutes < 60 : hours === 24 && minutes === 0;
  return isThere ? `${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}` : null;
}

function exists(day: string): boolean {
  const parsed = new Date(`${day}T00:00Z`);
  return !Number.isNaN(parsed.getTime()) && parsed.toISOString().startsWith(day);
}
