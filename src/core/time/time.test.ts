import fc from 'fast-check';

import {
  atLocalTime,
  formatClock,
  formatDay,
  formatDayAndClock,
  formatDuration,
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
    expect(formatDayAndClock(thursday, zone)).toBe('Thu 10:40');
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
