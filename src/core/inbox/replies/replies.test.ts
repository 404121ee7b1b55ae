import fc from 'fast-check';

import { startOfLocalDay } from '@/core/shared/time';
import { callBackTimes } from '.';

const zone = 'Europe/London';

describe('times to promise a call back', () => {
  it('in the morning: soon, in an hour, this evening, tomorrow', () => {
    const times = callBackTimes(Date.UTC(2026, 10, 26, 10, 42), zone);
    expect(times.map(({ word, text }) => [word, text])).toEqual([
      ['in 15 min', 'I’ll call you at 11:00.'],
      ['in 1 h', 'I’ll call you at 11:45.'],
      ['this evening', 'I’ll call you at 17:00.'],
      ['tomorrow morning', 'I’ll call you tomorrow at 08:00.'],
    ]);
  });

  it('are always to come, soonest first, and name the day they are on', () => {
    fc.assert(
      fc.property(fc.integer({ min: Date.UTC(2024, 0), max: Date.UTC(2030, 0) }), (now) => {
        const times = callBackTimes(now, zone);
        let last = now;
        for (const { at, text } of times) {
          expect(at).toBeGreaterThan(last);
          expect(text.includes('tomorrow')).toBe(startOfLocalDay(at, zone) !== startOfLocalDay(now, zone));
          last = at;
        }
      }),
    );
  });
});
