import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { startOfDay } from 'date-fns/startOfDay';
import fc from 'fast-check';

import { isInDates, isInWindows, localClock, shiftLocalDays, startOfLocalDay } from '.';

/** Zones whose clocks change at night, at midnight, by half an hour, on the other side of the year, and not at all. */
const zone = fc.constantFrom(
  'Europe/London',
  'America/Sao_Paulo',
  'Australia/Lord_Howe',
  'Asia/Kolkata',
  'America/St_Johns',
  'Africa/Cairo',
);
const instant = fc.integer({ min: Date.UTC(1995, 0, 1), max: Date.UTC(2035, 0, 1) });
/** Instants near the changes of clocks, where a shortcut would be wrong. */
const nearChange = fc
  .record({
    year: fc.integer({ min: 1996, max: 2034 }),
    month: fc.constantFrom(2, 3, 9, 10),
    minutes: fc.integer({ min: 0, max: 31 * 24 * 60 }),
  })
  .map(({ year, month, minutes }) => Date.UTC(year, month, 1) + minutes * 60_000);
const at = fc.oneof(instant, nearChange);

describe('the clock on the wall', () => {
  it('shows what the zone’s rules say, at every instant and in any order', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(at, zone), { minLength: 1, maxLength: 20 }), (asked) => {
        for (const [when, where] of asked) {
          const date = new TZDate(when, where);
          expect(localClock(when, where)).toEqual({
            minutes: date.getHours() * 60 + date.getMinutes(),
            weekday: date.getDay(),
            day: [date.getFullYear(), date.getMonth() + 1, date.getDate()]
              .map((part) => String(part).padStart(2, '0'))
              .join('-'),
          });
        }
      }),
      { numRuns: 500 },
    );
  });

  it('begins its days where the zone’s rules begin them', () => {
    fc.assert(
      fc.property(at, zone, fc.integer({ min: -400, max: 400 }), (when, where, days) => {
        expect(startOfLocalDay(when, where)).toBe(startOfDay(new TZDate(when, where)).getTime());
        expect(shiftLocalDays(when, days, where)).toBe(
          startOfDay(addDays(new TZDate(when, where), days)).getTime(),
        );
      }),
      { numRuns: 500 },
    );
  });

  it('is in a window from its first minute to the one before its last, on its days only', () => {
    const windows = [{ days: [1, 5], from: '08:30', to: '17:00' }];
    const london = (day: number, hours: number, minutes: number) => Date.UTC(2026, 10, day, hours, minutes);
    expect(isInWindows(london(27, 8, 29), windows, 'Europe/London')).toBe(false);
    expect(isInWindows(london(27, 8, 30), windows, 'Europe/London')).toBe(true);
    expect(isInWindows(london(27, 16, 59), windows, 'Europe/London')).toBe(true);
    expect(isInWindows(london(27, 17, 0), windows, 'Europe/London')).toBe(false);
    expect(isInWindows(london(26, 12, 0), windows, 'Europe/London')).toBe(false);
    expect(isInDates(london(26, 23, 59), [{ from: '2026-11-26', to: '2026-11-26' }], 'Europe/London')).toBe(
      true,
    );
    expect(isInDates(london(27, 0, 0), [{ from: '2026-11-26', to: '2026-11-26' }], 'Europe/London')).toBe(
      false,
    );
  });
});
