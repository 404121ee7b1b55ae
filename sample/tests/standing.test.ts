import { sampleOffice } from '..';

import { OfficeIndex, type Person, type RingPlan } from '@/core/setup';
import { nextFirstHour, standingOf } from '@/core/plans/routing';

/** Thursday, 26 November 2026, 10:40 in London. */
const now = Date.UTC(2026, 10, 26, 10, 40);
const hour = 3_600_000;
const office = (person: Partial<Person>, plan: Partial<RingPlan> = {}) =>
  new OfficeIndex({
    ...sampleOffice,
    people: sampleOffice.people.map((each) => (each.id === 'maren' ? { ...each, ...person } : each)),
    ringPlans: sampleOffice.ringPlans.map((each) =>
      each.personId === 'maren' ? { ...each, ...plan } : each,
    ),
  });

describe('where somebody stands', () => {
  it('is their situation until it ends', () => {
    const there = office({ situation: { id: 'bench', word: 'soldering', until: now + hour } });
    expect(standingOf(there, 'maren', now)).toMatchObject({
      situation: { name: 'At the bench' },
      word: 'soldering',
    });
    expect(standingOf(there, 'maren', now + hour)).toMatchObject({ situation: null, word: '', until: null });
  });

  it('has a forward only while it is on, and do not disturb until its end', () => {
    const forward = { to: { kind: 'busy' as const }, from: now + hour, until: now + 2 * hour };
    const doNotDisturb = { mode: 'quiet' as const, until: now + hour, passes: [], passLineIds: [] };
    const there = office({}, { forwards: [forward], doNotDisturb });
    expect(standingOf(there, 'maren', now)).toMatchObject({ forward: null, doNotDisturb });
    expect(standingOf(there, 'maren', now + hour)).toMatchObject({ forward, doNotDisturb: null });
    expect(standingOf(there, 'maren', now + 2 * hour).forward).toBeNull();
  });

  it('knows the first hour of the next working day, past weekends and days off', () => {
    const at = (plan: Partial<RingPlan>) =>
      new Date(nextFirstHour(office({}, plan), 'maren', now) ?? 0).toISOString();
    expect(at({})).toBe('2026-11-27T08:00:00.000Z');
    expect(at({ daysOff: [{ from: '2026-11-27', to: '2026-11-30', name: '' }] })).toBe(
      '2026-12-01T08:00:00.000Z',
    );
    expect(nextFirstHour(office({}, { workingHours: [] }), 'maren', now)).toBeNull();
  });
});
