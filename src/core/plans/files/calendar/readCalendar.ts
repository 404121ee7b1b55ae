import ICAL from 'ical.js';

import type { DayOff, Meeting, RingPlan } from '@/core/setup';
import { atLocal } from '@/core/shared/parseTime';
import { daysAfter } from '@/core/plans/hours';
import { localDayKey } from '@/core/shared/time';
import { isEndlessZone, occurrencesOf } from './occurrences';

/** An entry that could not be taken, with the line it begins at (1-based). */
export interface CalendarNote {
  line: number;
  reason: string;
}

type Window = NonNullable<RingPlan['workingHours']>[number];

export type ReadCalendar =
  | { ok: true; daysOff: DayOff[]; meetings: Meeting[]; workingHours: Window[]; notes: CalendarNote[] }
  | { ok: false; line: number; reason: string };

const mostCharacters = 5_000_000;
const dayMs = 24 * 60 * 60_000;
const daysAhead = 400;

/**
 * Days off, meetings and a working week out of an iCalendar file (RFC 5545): events of whole days are days off, weekly
 * ones called "Working hours" (or office, business or opening hours) are those, others are meetings. What repeats is
 * listed for the thirteen months to come. Each event is read by itself, so that a broken one costs only itself, and one
 * that would never end (see `occurrencesOf`) is left out. Times of a zone that the file does not describe are of the IANA
 * zone of that name; without one, the office's; `now` is epoch milliseconds.
 */
export function readCalendar(text: string, zone: string, now: number): ReadCalendar {
  if (text.length > mostCharacters)
    return { ok: false, line: 1, reason: 'The file is too large for a calendar.' };
  const lines = text.split(/\r?\n/);
  const first = lines.findIndex((line) => line.trim() !== '');
  if (first < 0 || !/^BEGIN:VCALENDAR$/i.test(lines[first]?.trim() ?? ''))
    return {
      ok: false,
      line: Math.max(1, first + 1),
      reason: 'This is not a calendar: it does not begin with BEGIN:VCALENDAR.',
    };
  const zones = blocksOf(lines, 'VTIMEZONE')
    .filter(({ body, isClosed }) => isClosed && !isEndlessZone(body))
    .map(({ body }) => body.join('\r\n'));
  const result = {
    daysOff: [] as DayOff[],
    meetings: [] as Meeting[],
    workingHours: [] as Window[],
    notes: [] as CalendarNote[],
  };
  for (const { line, body, isClosed } of blocksOf(lines, 'VEVENT')) {
    if (!isClosed) {
      result.notes.push({ line, reason: 'The event is cut off, and left out.' });
      continue;
    }
    try {
      readEvent(['BEGIN:VCALENDAR', ...zones, ...body, 'END:VCALENDAR'].join('\r\n'), zone, now, result);
    } catch (error) {
      const reason = error instanceof Error ? error.message : 'it can’t be read';
      result.notes.push({ line, reason: `The event is left out: ${reason}.` });
    }
  }
  return { ok: true, ...result };
}

interface Block {
  line: number;
  body: string[];
  isClosed: boolean;
}

function blocksOf(lines: readonly string[], name: string): Block[] {
  const blocks: Block[] = [];
  let open: Block | null = null;
  lines.forEach((line, index) => {
    if (line.trim().toUpperCase() === `BEGIN:${name}`) {
      open = { line: index + 1, body: [], isClosed: false };
      blocks.push(open);
    }
    open?.body.push(line);
    if (open && line.trim().toUpperCase() === `END:${name}`) {
      open.isClosed = true;
      open = null;
    }
  });
  return blocks;
}

function readEvent(
  text: string,
  zone: string,
  now: number,
  into: { daysOff: DayOff[]; meetings: Meeting[]; workingHours: Window[] },
): void {
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown as string);
  for (const component of calendar.getAllSubcomponents('vtimezone'))
    if (!ICAL.TimezoneService.has(String(component.getFirstPropertyValue('tzid'))))
      ICAL.TimezoneService.register(component);
  const component = calendar.getFirstSubcomponent('vevent');
  if (!component || component.getFirstPropertyValue('status') === 'CANCELLED') return;
  const event = new ICAL.Event(component);
  if (!event.startDate) throw new Error('it has no beginning');
  const name = event.summary ?? '';
  const isFree = component.getFirstPropertyValue('transp') === 'TRANSPARENT';
  const lengthMs = event.duration.toSeconds() * 1000;
  if (lengthMs < 0) throw new Error('it ends before it begins');
  const weekly = weeklyHours(event, name, lengthMs);
  if (weekly) {
    into.workingHours.push(...weekly);
    return;
  }
  const zoneName = zoneOf(component, zone);
  // A day earlier and later than asked for, whatever the zone.
  const from = localDayKey(now - lengthMs - dayMs, zone);
  const horizon = localDayKey(now + daysAhead * dayMs, zone);
  for (const start of occurrencesOf(event, from, horizon)) {
    if (start.isDate) {
      const from = start.toString().slice(0, 10);
      const days = Math.max(1, Math.round(lengthMs / dayMs));
      const to = new Date(Date.parse(`${from}T00:00Z`) + (days - 1) * dayMs).toISOString().slice(0, 10);
      if (to >= localDayKey(now, zone)) into.daysOff.push({ from, to, name });
    } else if (!isFree) {
      const from = instantOf(start, zoneName);
      if (lengthMs === 0) throw new Error('it has no length');
      if (from + lengthMs > now) into.meetings.push({ from, until: from + lengthMs, name });
    }
  }
}

const hoursName = /^(?:my |our )?(?:working|work|office|opening|business) hours$/i;
const dayCodes = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'];

/** The windows of an event that says a working week, by its own wall clock; null where it is another event. */
function weeklyHours(event: ICAL.Event, name: string, lengthMs: number): Window[] | null {
  const rule = event.component.getFirstPropertyValue('rrule');
  if (!hoursName.test(name.trim()) || !(rule instanceof ICAL.Recur) || event.startDate.isDate) return null;
  const isForever = rule.count === null && rule.until === null;
  const isByWeek = rule.freq === 'WEEKLY' && rule.interval === 1;
  const isDaily = rule.freq === 'DAILY' && rule.interval === 1;
  if (!isForever || !(isByWeek || isDaily) || lengthMs <= 0 || lengthMs > dayMs) return null;
  const { hour, minute } = event.startDate;
  const named = (rule.parts['BYDAY'] as string[] | undefined)?.map((code) => dayCodes.indexOf(code)) ?? [];
  const own = isDaily ? [0, 1, 2, 3, 4, 5, 6] : [event.startDate.dayOfWeek() - 1];
  const days = (named.length > 0 ? named : own).filter((day) => day >= 0).sort((a, b) => a - b);
  const from = hour * 60 + minute;
  const to = from + Math.round(lengthMs / 60_000);
  const evening = { days, from: clock(from), to: clock(Math.min(to, dayMinutes)) };
  if (to <= dayMinutes) return [evening];
  return [evening, { days: daysAfter(days), from: '00:00', to: clock(to - dayMinutes) }];
}

const dayMinutes = 24 * 60;
const clock = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

/** The zone that the event's times are of where the file has no rules for it: the office's where it names none. */
function zoneOf(component: ICAL.Component, zone: string): string {
  const named = component.getFirstProperty('dtstart')?.getParameter('tzid');
  if (typeof named !== 'string' || ICAL.TimezoneService.has(named)) return zone;
  try {
    return new Intl.DateTimeFormat('en-GB', { timeZone: named }).resolvedOptions().timeZone;
  } catch {
    throw new Error(`its time zone “${named}” is not in the file and not known`);
  }
}

/** A time of the file's own zone or of UTC as it says; without one, of the given zone's wall clock. */
function instantOf(time: ICAL.Time, zone: string): number {
  const named = time.zone?.tzid;
  if (named && named !== 'floating') return time.toJSDate().getTime();
  const text = time.toString();
  const at = atLocal(text.slice(0, 10), time.hour, time.minute, zone);
  if (at === null)
    throw new Error(`there is no ${text.slice(11, 16)} on ${text.slice(0, 10)}, when the clocks go forward`);
  return at;
}
