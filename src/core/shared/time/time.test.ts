import fc from 'fast-check';

import {
  atLocalTime,
  formatClock,
  setClockStyle,
  formatDay,
  formatDayAndClock,
  formatMoment,
  formatDuration,
  formatIso,
  formatSpan,
  localDayKey,
  shiftLocalDays,
  startOfLocalDay,
} from '.';

const zone = 'Europe/London';
const thursday = Date.UTC(2026, 10, 26, 10, 40);
const hour = 3_600_000;

describe('local days', () => {
  it('are 23 and 25 hours long when clocks change', () => {
    const spring = startOfLocalDay(Date.UTC(2026, 2, 29, 12), zone);
    const autumn = startOfLocalDay(Date.UTC(2026, 9, 25, 12), zone);
    expect(shiftLocalDays(spring, 1, zone) - spring).toBe(23 * hour);
    expect(shiftLocalDays(autumn, 1, zone) - autumn).toBe(25 * hour);
  });

  it('follow the zone, not UTC', () => {
    expect(localDayKey(Date.UTC(2026, 6, 1, 23, 30), zone)).toBe('2026-07-02');
    expect(formatClock(atLocalTime(Date.UTC(2026, 6, 1, 12), 8, 5, zone), zone)).toBe('08:05');
  });

  it('hold every instant in exactly one day', () => {
    fc.assert(
      fc.property(fc.integer({ min: Date.UTC(2020, 0), max: Date.UTC(2030, 0) }), (at) => {
        const start = startOfLocalDay(at, zone);
        expect(start).toBeLessThanOrEqual(at);
        expect(shiftLocalDays(at, 1, zone)).toBeGreaterThan(at);
        expect(localDayKey(start, zone)).toBe(localDayKey(at, zone));
      }),
    );
  });
});

describe('as written', () => {
  it('days near now have names', () => {
    expect(formatDay(thursday - hour, thursday, zone)).toBe('Today');
    expect(formatDay(thursday - 24 * hour, thursday, zone)).toBe('Yesterday');
    expect(formatDay(thursday - 48 * hour, thursday, zone)).toBe('Tuesday 24 November');
    expect(formatDay(Date.UTC(2025, 10, 26), thursday, zone)).toBe('Wednesday 26 November 2025');
  });

  it('times of day are as whoever reads them is used to', () => {
    const read = (hours: number) => formatClock(Date.UTC(2026, 10, 26, hours, 5), zone);
    try {
      setClockStyle('12');
      expect([0, 9, 12, 23].map(read)).toEqual(['12:05 am', '9:05 am', '12:05 pm', '11:05 pm']);
      expect(formatDayAndClock(thursday, thursday, zone)).toBe('Thu 10:40 am');
    } finally {
      setClockStyle('24');
    }
    expect([0, 9, 12, 23].map(read)).toEqual(['00:05', '09:05', '12:05', '23:05']);
  });

  it('a moment has its date where its weekday alone would be taken for a nearer one', () => {
    const words = (days: number, from = thursday) => formatDayAndClock(from + days * 24 * hour, from, zone);
    expect([0, 6, -6].map((days) => words(days))).toEqual(['Thu 10:40', 'Wed 10:40', 'Fri 10:40']);
    expect([7, -7, 19].map((days) => words(days))).toEqual([
      'Thu 3 Dec 10:40',
      'Thu 19 Nov 10:40',
      'Tue 15 Dec 10:40',
    ]);
    expect(words(40)).toBe('Tue 5 Jan 2027 10:40');
    expect(formatMoment(thursday + 5 * hour, thursday, zone)).toBe('15:40');
    expect(formatMoment(thursday + 24 * hour, thursday, zone)).toBe('Fri 10:40');
  });

  it('a moment as ISO 8601 has the offset of its zone', () => {
    expect(formatIso(thursday, zone)).toBe('2026-11-26T10:40:00+00:00');
    expect(formatIso(Date.UTC(2026, 6, 1, 9), zone)).toBe('2026-07-01T10:00:00+01:00');
    expect(formatIso(thursday, 'America/St_Johns')).toBe('2026-11-26T07:10:00-03:30');
  });

  it('of an hour that comes twice it is said which', () => {
    const night = Date.UTC(2026, 9, 25);
    const words = (minutes: number) => formatMoment(night + minutes * 60_000, night, zone);
    expect([-1, 0, 30, 59, 60, 90, 119, 120].map(words)).toEqual([
      '00:59',
      '01:00 BST',
      '01:30 BST',
      '01:59 BST',
      '01:00 GMT',
      '01:30 GMT',
      '01:59 GMT',
      '02:00',
    ]);
    const spring = Date.UTC(2027, 2, 28);
    expect([59, 60].map((minutes) => formatMoment(spring + minutes * 60_000, spring, zone))).toEqual([
      '00:59',
      '02:00',
    ]);
  });

  it('lengths', () => {
    expect([0, 7_400, 760_000, 3_729_000, -5].map(formatDuration)).toEqual([
      '0:00',
      '0:07',
      '12:40',
      '1:02:09',
      '0:00',
    ]);
    expect([7_400, 180_000, 4_920_000, 50 * hour].map(formatSpan)).toEqual(['7 s', '3 min', '1 h 22', '2 d']);
  });
});
