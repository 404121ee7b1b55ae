import fc from 'fast-check';

import { joinWindows, overlapOf, type WeekWindow } from './hours';

const window = (days: number[], from: string, to: string): WeekWindow => ({ days, from, to });

const clock = fc
  .integer({ min: 0, max: 47 })
  .map((half) => `${String(half >> 1).padStart(2, '0')}:${half % 2 ? '30' : '00'}`);
const anyWindows = fc.array(
  fc
    .tuple(fc.subarray([0, 1, 2, 3, 4, 5, 6], { minLength: 1 }), clock, clock)
    .filter(([, from, to]) => from < to)
    .map(([days, from, to]) => window(days, from, to)),
  { minLength: 1, maxLength: 6 },
);
const isOpen = (windows: readonly WeekWindow[], day: number, at: string) =>
  windows.some(({ days, from, to }) => days.includes(day) && from <= at && at < to);

it('finds the first day on which hours overlap; those that only touch do not', () => {
  expect(overlapOf([window([1, 2], '08:00', '12:00'), window([2], '11:00', '15:00')])).toBe(2);
  expect(overlapOf([window([1], '08:00', '12:00'), window([1], '12:00', '15:00')])).toBeNull();
  expect(overlapOf([window([1], '08:00', '12:00'), window([2], '08:00', '12:00')])).toBeNull();
});

it('makes them one, open in the same minutes, and none twice', () => {
  fc.assert(
    fc.property(anyWindows, fc.integer({ min: 0, max: 6 }), clock, (windows, day, at) => {
      const joined = joinWindows(windows);
      expect(overlapOf(joined)).toBeNull();
      expect(isOpen(joined, day, at)).toBe(isOpen(windows, day, at));
    }),
  );
});
