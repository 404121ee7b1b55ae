import fc from 'fast-check';

import { edgesBetween, isInDates, isInWindows, type WeekWindow } from '.';

const zone = 'Europe/London';
const minute = 60_000;
const everyDay = [0, 1, 2, 3, 4, 5, 6];

const clock = fc.integer({ min: 0, max: 24 * 60 }).map((minutes) => {
  const two = (value: number) => String(value).padStart(2, '0');
  return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
});
const window = fc
  .record({ days: fc.subarray(everyDay, { minLength: 1 }), a: clock, b: clock })
  .filter(({ a, b }) => a !== b)
  .map(({ days, a, b }): WeekWindow => ({ days, from: a < b ? a : b, to: a < b ? b : a }));

describe('weekly windows', () => {
  it('go by the wall clock, the first minute in and the last out', () => {
    const hours = [{ days: [4], from: '08:00', to: '17:00' }];
    const thursday = (hour: number, min = 0) => Date.UTC(2026, 10, 26, hour, min);
    expect(
      [thursday(7, 59), thursday(8), thursday(16, 59), thursday(17)].map((at) =>
        isInWindows(at, hours, zone),
      ),
    ).toEqual([false, true, true, false]);
    const summer = Date.UTC(2026, 6, 2, 7);
    expect(isInWindows(summer, hours, zone)).toBe(true);
    expect(isInWindows(thursday(8) + 24 * 60 * minute, hours, zone)).toBe(false);
    expect(isInWindows(thursday(23, 59), [{ days: [4], from: '22:00', to: '24:00' }], zone)).toBe(true);
  });

  it('dates hold their first and last day whole', () => {
    const span = [{ from: '2026-12-24', to: '2026-12-26' }];
    const at = (day: number, hour: number, min = 0) =>
      isInDates(Date.UTC(2026, 11, day, hour, min), span, zone);
    expect([at(23, 23, 59), at(24, 0), at(26, 23, 59), at(27, 0)]).toEqual([false, true, true, false]);
  });

  it.each([
    ['spring, when an hour is missing', Date.UTC(2026, 2, 28)],
    ['autumn, when an hour comes twice', Date.UTC(2026, 9, 24)],
    ['an ordinary week', Date.UTC(2026, 5, 1)],
  ])('change at their edges and nowhere else: %s', (_, from) => {
    const to = from + 3 * 24 * 60 * minute;
    fc.assert(
      fc.property(fc.array(window, { minLength: 1, maxLength: 4 }), (windows) => {
        const edges = new Set(edgesBetween(from, to, windows, zone));
        let last = isInWindows(from, windows, zone);
        for (let at = from + minute; at < to; at += minute) {
          const now = isInWindows(at, windows, zone);
          if (now !== last) expect(edges).toContain(at);
          last = now;
        }
      }),
      { numRuns: 8 },
    );
  });
});
