import fc from 'fast-check';

import { emptyOffice, OfficeIndex, type RingPlan } from '@/core/setup';
import { obstacleOf } from '@/core/plans/routing';
import { instantAtoms } from './atoms';

/** Thursday, 26 November 2026, 10:40 in London. */
const now = Date.UTC(2026, 10, 26, 10, 40);
const zone = 'Europe/London';
const window = fc.record({
  days: fc.subarray([0, 1, 2, 3, 4, 5, 6], { minLength: 1 }),
  from: fc.constantFrom('00:00', '06:45', '09:00'),
  to: fc.constantFrom('10:00', '17:30', '24:00'),
});
const dates = fc.array(
  fc.constantFrom(
    { from: '2026-12-24', to: '2027-01-02' },
    { from: '2026-11-20', to: '2026-11-28' },
    { from: '2027-03-28', to: '2027-03-28' },
  ),
  { maxLength: 2 },
);
const condition = fc.record(
  { hours: fc.array(window, { maxLength: 2 }), dates, workingHours: fc.boolean(), inMeeting: fc.boolean() },
  { requiredKeys: [] },
);

describe('the instants at which a plan is looked at', () => {
  it('leave no moment out that any of its conditions tells apart from them', () => {
    fc.assert(
      fc.property(
        fc.array(condition, { minLength: 1, maxLength: 3 }),
        fc.array(window, { maxLength: 1 }),
        fc.array(fc.integer({ min: 0, max: 40 * 24 * 60 }), { minLength: 30, maxLength: 30 }),
        (conditions, workingHours, minutes) => {
          const plan: RingPlan = {
            personId: 'ada',
            workingHours,
            daysOff: [{ from: '2026-12-25', to: '2026-12-28', name: '' }],
            meetings: [{ from: now + 3_600_000, until: now + 7_200_000, name: '' }],
            rules: conditions.map((when, index) => ({
              id: String(index),
              name: '',
              lineIds: [],
              stages: [],
              finish: { kind: 'busy' },
              when,
            })),
          };
          const office = new OfficeIndex({ ...emptyOffice, zone });
          const answers = (at: number) =>
            plan.rules
              .map(
                (rule) =>
                  obstacleOf(
                    rule,
                    {
                      lineId: null,
                      caller: null,
                      at,
                      situationId: null,
                      isOnCall: false,
                      triesWithin: () => 0,
                    },
                    office,
                    plan,
                  ) === null,
              )
              .join();
          const seen = new Set(instantAtoms(plan, zone, now).map(answers));
          for (const minute of minutes) expect(seen).toContain(answers(now + minute * 60_000));
        },
      ),
      { numRuns: 300 },
    );
  });
});
