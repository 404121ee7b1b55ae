import { formatDayAndClock } from '../../time';
import { readCalendar, writeCalendar } from '.';

const zone = 'Europe/London';
const now = Date.UTC(2026, 10, 26, 10, 40);
const calendar = (...events: string[]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    ...events.map((event) => `BEGIN:VEVENT\n${event}\nEND:VEVENT`),
    'END:VCALENDAR',
  ].join('\n');

function read(text: string) {
  const found = readCalendar(text, zone, now);
  if (!found.ok) throw new Error(found.reason);
  return {
    daysOff: found.daysOff,
    meetings: found.meetings.map(
      ({ from, until, name }) =>
        `${formatDayAndClock(from, from, zone)}–${formatDayAndClock(until, until, zone)} ${name}`,
    ),
    notes: found.notes,
  };
}

describe('a calendar', () => {
  it('gives days off by whole-day events, and meetings by others', () => {
    const found = read(
      calendar(
        'DTSTART;VALUE=DATE:20261225\nDTEND;VALUE=DATE:20261229\nSUMMARY:Yard closed',
        'DTSTART:20261127T100000Z\nDTEND:20261127T113000Z\nSUMMARY:Survey',
        'DTSTART:20261128T090000\nDURATION:PT1H\nSUMMARY:Floating',
        'DTSTART:20261127T120000Z\nDTEND:20261127T130000Z\nTRANSP:TRANSPARENT\nSUMMARY:Lunch',
      ),
    );
    expect(found.daysOff).toEqual([{ from: '2026-12-25', to: '2026-12-28', name: 'Yard closed' }]);
    expect(found.meetings).toEqual(['Fri 10:00–Fri 11:30 Survey', 'Sat 09:00–Sat 10:00 Floating']);
    expect(found.notes).toEqual([]);
  });

  it('repeats, also in a zone of its own, with days left out', () => {
    const found = read(
      calendar(
        'DTSTART;TZID=Europe/London:20261123T090000\nDTEND;TZID=Europe/London:20261123T093000\nRRULE:FREQ=WEEKLY;COUNT=4\nEXDATE;TZID=Europe/London:20261207T090000\nSUMMARY:Briefing',
      ),
    );
    expect(found.meetings).toEqual(['Mon 09:00–Mon 09:30 Briefing', 'Mon 09:00–Mon 09:30 Briefing']);
  });

  it('keeps what is good, and tells line and reason of the rest', () => {
    const text = `${calendar('SUMMARY:Nothing', 'DTSTART:20261127T100000Z\nDTEND:20261127T090000Z', 'DTSTART;VALUE=DATE:20261224\nSUMMARY:Off').replace('END:VCALENDAR', '')}BEGIN:VEVENT\nDTSTART:2026`;
    const found = read(text);
    expect(found.daysOff).toEqual([{ from: '2026-12-24', to: '2026-12-24', name: 'Off' }]);
    expect(found.notes.map(({ line }) => line)).toEqual([3, 6, 14]);
    expect(found.notes[1]?.reason).toContain('ends before it begins');
  });

  it('refuses what is none, and a time that the night of a change leaves out', () => {
    expect(readCalendar('hello', zone, now)).toEqual({
      ok: false,
      line: 1,
      reason: 'This is no calendar: it does not begin with BEGIN:VCALENDAR.',
    });
    expect(read(calendar('DTSTART:20270328T013000\nDURATION:PT1H')).notes[0]?.reason).toContain(
      'when the clocks go forward',
    );
  });

  it('of a plan’s hours and days off comes back with the same days off', () => {
    const plan = {
      personId: 'ada',
      rules: [],
      workingHours: [{ days: [1, 2, 3], from: '08:00', to: '24:00' }],
      daysOff: [{ from: '2026-12-25', to: '2026-12-28', name: 'Yard closed' }],
    };
    const text = writeCalendar(plan, zone, now);
    expect(text).toContain('RRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE');
    expect(text).toContain('DTSTART;TZID=Europe/London:20240108T080000');
    expect(read(text)).toEqual({ daysOff: plan.daysOff, meetings: [], notes: [] });
  });
});
