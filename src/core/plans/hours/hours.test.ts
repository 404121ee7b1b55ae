import fc from 'fast-check';

import { isInWindows } from '@/core/shared/time';
import { hoursWords, readHours } from '.';

const half = (index: number) =>
  index === 48 ? '24:00' : `${String(index >> 1).padStart(2, '0')}:${index % 2 === 0 ? '00' : '30'}`;
const anyWindow = fc
  .record({
    days: fc.uniqueArray(fc.nat(6), { minLength: 1 }),
    from: fc.nat(46),
    length: fc.integer({ min: 1, max: 48 }),
  })
  .map(({ days, from, length }) => ({ days, from: half(from), to: half(Math.min(48, from + length)) }));

it('hours are read as they are written, whatever their days', () => {
  const monday = Date.UTC(2026, 10, 23);
  fc.assert(
    fc.property(fc.array(anyWindow, { maxLength: 3 }), (windows) => {
      const read = readHours(hoursWords(windows));
      if (!read.ok) throw new Error(read.sentence);
      for (let at = monday; at < monday + 7 * 24 * 3_600_000; at += 30 * 60_000)
        expect([at, isInWindows(at, read.value, 'UTC')]).toEqual([at, isInWindows(at, windows, 'UTC')]);
    }),
  );
});

it('days apart are parted by a plus, since a comma parts stretches', () => {
  const weekend = [{ days: [0, 6], from: '08:00', to: '12:00' }];
  expect(hoursWords(weekend)).toBe('Sat+Sun 08:00–12:00');
  expect(readHours('Mon+Wed 9–10, Fri 9–12')).toEqual({
    ok: true,
    value: [
      { days: [1, 3], from: '09:00', to: '10:00' },
      { days: [5], from: '09:00', to: '12:00' },
    ],
  });
});
