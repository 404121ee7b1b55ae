import ICAL from 'ical.js';

import { formatDayAndClock } from '@/core/shared/time';
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
    workingHours: found.workingHours,
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
      reason: 'This is not a calendar: it does not begin with BEGIN:VCALENDAR.',
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
    expect(read(text)).toEqual({
      daysOff: plan.daysOff,
      meetings: [],
      workingHours: plan.workingHours,
      notes: [],
    });
  });

  it('goes out with the rules of its zone, by which others find the same instants', () => {
    const text = writeCalendar({ personId: 'ada', rules: [] }, zone, now);
    const component = new ICAL.Component(ICAL.parse(text) as unknown as string);
    const own = new ICAL.Timezone(component.getFirstSubcomponent('vtimezone')!);
    for (const [wall, hours] of [
      ['2026-11-26T10:40:00', 0],
      ['2027-03-28T02:30:00', 1],
      ['2031-07-01T12:00:00', 1],
      ['2031-12-01T12:00:00', 0],
    ] as const) {
      const time = ICAL.Time.fromString(wall, undefined as never);
      time.zone = own;
      expect([wall, own.utcOffset(time) / 3600]).toEqual([wall, hours]);
    }
    expect(text).toContain('TZNAME:BST');
  });

  it('takes somebody’s working hours as such, past midnight too, and not as meetings', () => {
    const found = read(
      calendar(
        'DTSTART;TZID=Europe/London:20260105T083000\nDTEND;TZID=Europe/London:20260105T170000\nRRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE\nSUMMARY:Working hours',
        'DTSTART:20260102T220000\nDURATION:PT8H\nRRULE:FREQ=WEEKLY\nSUMMARY:Office Hours',
      ),
    );
    expect(found.meetings).toEqual([]);
    expect(found.workingHours).toEqual([
      { days: [1, 2, 3], from: '08:30', to: '17:00' },
      { days: [5], from: '22:00', to: '24:00' },
      { days: [6], from: '00:00', to: '06:00' },
    ]);
    // One that ends, or comes every other week, is a meeting like others.
    expect(
      read(
        calendar('DTSTART:20261130T090000Z\nDURATION:PT1H\nRRULE:FREQ=WEEKLY;COUNT=2\nSUMMARY:Working hours'),
      ).meetings,
    ).toHaveLength(2);
  });

  it('knows a zone that the file does not describe by its IANA name, and says of one that nobody knows', () => {
    const at = (tzid: string) =>
      read(calendar(`DTSTART;TZID=${tzid}:20261127T100000\nDURATION:PT1H\nSUMMARY:Call`));
    expect(at('America/New_York').meetings).toEqual(['Fri 15:00–Fri 16:00 Call']);
    expect(at('Mars/Olympus')).toMatchObject({
      meetings: [],
      notes: [{ reason: expect.stringContaining('“Mars/Olympus” is not in the file') as string }],
    });
  });

  it('that would never end costs only that event, with its reason', () => {
    const start = 'DTSTART:20260101T090000Z\nDTEND:20260101T100000Z';
    const rules = [
      'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=31',
      'FREQ=SECONDLY',
      'FREQ=DAILY;INTERVAL=999999999999',
      'FREQ=WEEKLY;BYMONTH=2;BYMONTHDAY=30',
      'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30',
      'FREQ=MONTHLY;BYMONTHDAY=31;BYMONTH=4',
      'FREQ=YEARLY;BYWEEKNO=54',
    ];
    const bad = rules.map((rule) => `${start}\nRRULE:${rule}\nSUMMARY:Never`);
    const found = read(calendar(...bad, 'DTSTART:20261127T100000Z\nDTEND:20261127T113000Z\nSUMMARY:Survey'));
    expect(found.meetings.filter((meeting) => !meeting.endsWith('Never'))).toEqual([
      'Fri 10:00–Fri 11:30 Survey',
    ]);
    expect(found.notes.map(({ reason }) => reason)).toEqual(
      expect.arrayContaining([
        'The event is left out: no date that fits its rule was found.',
        'The event is left out: it repeats within the day.',
        'The event is left out: it repeats too rarely.',
      ]),
    );
  });

  it('whose zone changes its clock each second is of the zone of that name', () => {
    const zoneLines = [
      'BEGIN:VTIMEZONE',
      'TZID:Europe/Paris',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0100',
      'TZOFFSETTO:+0100',
      'RRULE:FREQ=SECONDLY',
      'END:STANDARD',
      'END:VTIMEZONE',
    ].join('\n');
    const event = 'DTSTART;TZID=Europe/Paris:20261127T100000\nDURATION:PT1H\nSUMMARY:Survey';
    const found = read(calendar(event).replace('BEGIN:VEVENT', `${zoneLines}\nBEGIN:VEVENT`));
    expect(found.meetings).toEqual(['Fri 09:00–Fri 10:00 Survey']);
  });

  it('is counted from now: what has gone on for twenty years is still to come', () => {
    const found = read(
      calendar(
        'DTSTART:20050106T090000Z\nDTEND:20050106T093000Z\nRRULE:FREQ=WEEKLY\nSUMMARY:Weekly',
        'DTSTART:20220101T120000Z\nDTEND:20220101T121500Z\nRRULE:FREQ=DAILY;UNTIL=20261128T235959Z\nSUMMARY:Daily',
      ),
    );
    expect(found.meetings.filter((meeting) => meeting.endsWith('Weekly')).length).toBeGreaterThan(50);
    expect(found.meetings).toContain('Thu 12:00–Thu 12:15 Daily');
    expect(found.meetings.filter((meeting) => meeting.endsWith('Daily'))).toHaveLength(3);
  });
});
