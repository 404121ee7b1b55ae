import fc from 'fast-check';

import { emptyOffice, OfficeIndex, type RingPlan, type RingTarget, type When } from '@/core/setup';
import { traceCall, type RouteTrace } from '@/core/plans/routing';
import { readCpl, writeCpl } from '..';

/** What goes out as CPL and comes in again is equal in meaning: the same calls ring the same phones in the same seconds. */

const now = Date.UTC(2026, 10, 26, 10, 40);
const deviceIds = ['ada-app', 'ada-desk', 'ada-mobile', 'ben-desk'];
const groups = [
  { id: 'keepers', name: 'Keepers', starred: false, numbers: ['+441314960142', '+441914980117'] },
  { id: 'watch', name: 'Watch', starred: true, numbers: ['+441914980162'] },
];
const length = fc.oneof(
  fc.record({ seconds: fc.integer({ min: 1, max: 40 }) }),
  fc.record({
    rings: fc.integer({ min: 1, max: 6 }),
    cadence: fc.constantFrom('uk' as const, 'us' as const),
  }),
);
const timing = {
  startSeconds: fc.integer({ min: 0, max: 30 }),
  length: fc.option(length, { nil: undefined }),
  acceptKey: fc.constantFrom(undefined, true),
};
const target: fc.Arbitrary<RingTarget> = fc.oneof(
  { weight: 4, arbitrary: fc.record({ deviceId: fc.constantFrom(...deviceIds), ...timing }) },
  fc.record({ personId: fc.constant('ben'), ...timing }),
  fc.record({ teamId: fc.constant('yard'), ...timing }),
  fc.record({ number: fc.constantFrom('+447700900321', '+12025550147'), ...timing }),
);
const finish = fc.constantFrom(
  { kind: 'busy' as const },
  { kind: 'mailbox' as const, personId: 'ada' },
  { kind: 'mailbox' as const, personId: 'ben' },
  { kind: 'forward' as const, to: '201' },
  { kind: 'forward' as const, to: '+447700900321' },
  { kind: 'forward' as const, to: '+447700900321', acceptKey: true },
  { kind: 'textBack' as const, lineId: 'direct', text: 'Am Mast; "später" & at 50 % <soon>?' },
);
const when: fc.Arbitrary<When> = fc.record(
  {
    callers: fc.uniqueArray(
      fc.constantFrom(
        { kind: 'withheld' as const },
        { kind: 'colleague' as const },
        { kind: 'unknown' as const },
        { kind: 'starred' as const },
        { kind: 'group' as const, groupId: 'keepers' },
        { kind: 'prefix' as const, prefix: '+44191' },
        { kind: 'number' as const, number: '+441314960142' },
        { kind: 'repeated' as const, times: 2, withinMinutes: 15 },
      ),
      { maxLength: 3, selector: (match) => JSON.stringify(match) },
    ),
    hours: fc.array(
      fc.record({
        days: fc.subarray([0, 1, 2, 3, 4, 5, 6], { minLength: 1 }),
        from: fc.constantFrom('00:00', '08:30', '12:00'),
        to: fc.constantFrom('13:00', '17:15', '24:00'),
      }),
      { maxLength: 2 },
    ),
    dates: fc.constantFrom(
      [],
      [{ from: '2026-11-26', to: '2026-11-27' }],
      [{ from: '2026-12-24', to: '2027-01-02' }],
    ),
    workingHours: fc.boolean(),
  },
  { requiredKeys: [] },
);
const plan: fc.Arbitrary<RingPlan> = fc.record({
  personId: fc.constant('ada'),
  workingHours: fc.constantFrom([], [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }]),
  daysOff: fc.constantFrom([], [{ from: '2026-11-27', to: '2026-11-27', name: 'Yard closed' }]),
  rules: fc.array(
    fc.record({
      id: fc.uuid(),
      name: fc.string({ maxLength: 12 }),
      lineIds: fc.subarray(['direct', 'field']),
      stages: fc.array(fc.record({ targets: fc.array(target, { maxLength: 3 }), length }), { maxLength: 3 }),
      finish,
      busyFinish: fc.option(finish, { nil: undefined }),
      unreachableFinish: fc.option(finish, { nil: undefined }),
      when: fc.option(when, { nil: undefined }),
    }),
    { maxLength: 5 },
  ),
});

function officeWith(ringPlan: RingPlan): OfficeIndex {
  const person = (id: string, extension: string) => ({
    id,
    name: id,
    role: '',
    extension,
    presentedLineId: 'direct',
  });
  const line = (id: string, number: string) => ({
    id,
    name: id,
    number,
    cord: { hue: 0, stroke: 'solid' as const },
    urgent: false,
    ownerId: 'ada',
  });
  return new OfficeIndex({
    ...emptyOffice,
    people: [person('ada', '214'), person('ben', '201')],
    teams: [{ id: 'yard', name: 'Yard', extension: '250', memberIds: ['ada', 'ben'] }],
    lines: [line('direct', '+441314960214'), line('field', '+441314960120')],
    devices: deviceIds.map((id) => ({
      id,
      personId: id.split('-')[0] ?? null,
      kind: (id.split('-')[1] ?? 'desk') as 'desk',
      name: id,
      callLimit: 2,
    })),
    callerGroups: groups,
    ringPlans: [ringPlan],
  });
}

const meaningOf = ({ legs, finish: end, finishSeconds }: RouteTrace) => ({
  legs: legs
    .map(
      (leg) =>
        `${leg.deviceId ?? leg.number} ${leg.fromSeconds}-${leg.toSeconds} ${leg.acceptKey ? 'key' : ''}`,
    )
    .sort(),
  end,
  finishSeconds,
});

const call = fc.record({
  lineId: fc.constantFrom('direct', 'field', null),
  caller: fc.constantFrom(
    { number: null, personId: null },
    { number: null, personId: 'ben' },
    { number: '+441314960142', personId: null },
    { number: '+441914980162', personId: null },
    { number: '+441914980999', personId: null },
    { number: '+447700900999', personId: null },
  ),
  minutes: fc.integer({ min: 0, max: 35 * 24 * 60 }),
  tries: fc.constantFrom(0, 2),
  away: fc.subarray(deviceIds),
  busy: fc.subarray(deviceIds),
});

describe('a plan written as CPL and read again', () => {
  it('is equal in meaning', () => {
    fc.assert(
      fc.property(plan, fc.array(call, { minLength: 25, maxLength: 25 }), (before, calls) => {
        const office = officeWith(before);
        const read = readCpl(writeCpl(before, office).text, before, office, now);
        if (!read.ok) throw new Error(`${read.line}: ${read.reason}`);
        const after = officeWith({ ...before, rules: read.rules });
        for (const { lineId, caller, minutes, tries, away, busy } of calls) {
          const world = {
            at: now + minutes * 60_000,
            isSignedIn: (id: string) => !away.includes(id),
            isBusy: (id: string) => busy.includes(id),
            isOnCall: () => false,
            triesWithin: () => tries,
          };
          const traces = [office, after].map((each) =>
            meaningOf(traceCall(each, { ownerId: 'ada', lineId, caller }, world)),
          );
          expect(traces[1]).toEqual(traces[0]);
        }
      }),
      { numRuns: 400 },
    );
  });
});
