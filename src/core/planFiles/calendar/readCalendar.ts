import ICAL from 'ical.js';

import type { DayOff, Meeting } from '../../office';
import { atLocal } from '../../moments';
import { localDayKey } from '../../time';

/** An entry that could not be taken, with the line it begins at (1-based). */
export interface CalendarNote {
  line: number;
  reason: string;
}

export type ReadCalendar =
  | { ok: true; daysOff: DayOff[]; meetings: Meeting[]; notes: CalendarNote[] }
  | { ok: false; line: number; reason: string };

const mostCharacters = 5_000_000;
const mostOccurrences = 1000;
const dayMs = 24 * 60 * 60_000;
const daysAhead = 400;

/**
 * Days off and meetings out of an iCalendar file (RFC 5545): events of whole days are days off, others are meetings.
 * What repeats is listed for the thirteen months to come. Each event is read by itself, so that a broken one costs
 * only itself. Times without a zone are the office's; `now` is epoch milliseconds.
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
      reason: 'This is no calendar: it does not begin with BEGIN:VCALENDAR.',
    };
  const zones = blocksOf(lines, 'VTIMEZONE').map(({ body }) => body.join('\r\n'));
  const result = { daysOff: [] as DayOff[], meetings: [] as Meeting[], notes: [] as CalendarNote[] };
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
  into: { daysOff: DayOff[]; meetings: Meeting[] },
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
  const horizon = localDayKey(now + daysAhead * dayMs, zone);
  for (const start of occurrencesOf(event, horizon)) {
    if (start.isDate) {
      const from = start.toString().slice(0, 10);
      const days = Math.max(1, Math.round(lengthMs / dayMs));
      const to = new Date(Date.parse(`${from}T00:00Z`) + (days - 1) * dayMs).toISOString().slice(0, 10);
      if (to >= localDayKey(now, zone)) into.daysOff.push({ from, to, name });
    } else if (!isFree) {
      const from = instantOf(start, zone);
      if (lengthMs === 0) throw new Error('it has no length');
      if (from + lengthMs > now) into.meetings.push({ from, until: from + lengthMs, name });
    }
  }
}

function* occurrencesOf(event: ICAL.Event, horizon: string): Generator<ICAL.Time, void> {
  if (!event.isRecurring()) return yield event.startDate;
  const all = event.iterator();
  for (let count = 0; count < mostOccurrences; count++) {
    const next = all.next();
    if (!next || next.toString().slice(0, 10) > horizon) return;
    yield next;
  }
}

/** A time of the file's own zone or of UTC as it says; without one, of the office's wall clock. */
function instantOf(time: ICAL.Time, zone: string): number {
  const named = time.zone?.tzid;
  if (named && named !== 'floating') return time.toJSDate().getTime();
  const text = time.toString();
  const at = atLocal(text.slice(0, 10), time.hour, time.minute, zone);
  if (at === null)
    throw new Error(`there is no ${text.slice(11, 16)} on ${text.slice(0, 10)}, when the clocks go forward`);
  return at;
}
