import { emptyOffice, OfficeIndex, withoutOver, type RingPlan } from '@/core/setup';
import { allFree, traceCall, weekOf } from '@/core/plans/routing';
import { checkPlan } from '@/core/plans/checks';
import { describeRule, numbersOf, ringForOnce } from '.';

/** A Thursday, 10:40 in London. */
const now = Date.UTC(2026, 10, 26, 10, 40);
const hour = 3_600_000;
const evening = { from: Date.UTC(2026, 10, 26, 17), until: Date.UTC(2026, 10, 27) };
const home = '+441134960133';
const mailbox = { kind: 'mailbox', personId: 'ada' } as const;
const plan: RingPlan = {
  personId: 'ada',
  findMe: [{ number: home }, { deviceId: 'desk' }],
  rules: [
    { id: 'flood', name: 'Flood desk', lineIds: ['flood'], stages: [], finish: mailbox },
    { id: 'off', name: 'Evenings', lineIds: [], stages: [], finish: mailbox, when: { workingHours: false } },
    { id: 'any', name: 'Any', lineIds: [], stages: [], finish: mailbox },
  ],
  workingHours: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
};
const line = (id: string, urgent: boolean) => ({
  id,
  name: id,
  number: `+4413149601${urgent ? '99' : '14'}`,
  cord: { hue: 0, stroke: 'solid' as const },
  urgent,
  ownerId: 'ada',
});
const office = (of: RingPlan) =>
  new OfficeIndex({
    ...emptyOffice,
    people: [{ id: 'ada', name: 'Ada', role: '', extension: '214', presentedLineId: '' }],
    lines: [line('flood', true), line('direct', false)],
    devices: [{ id: 'van', personId: 'ada', kind: 'mobile', name: 'van phone', callLimit: 2 }],
    ringPlans: [of],
  });
const targets = [
  { deviceId: 'van', startSeconds: 0, acceptKey: true },
  { number: home, startSeconds: 0, acceptKey: true },
];

describe('a rule for once', () => {
  const begun = ringForOnce(plan, office(plan), targets, evening);
  const rings = (lineId: string, at: number) =>
    traceCall(office(begun.plan), { ownerId: 'ada', lineId, caller: null }, allFree(at)).legs.length;

  it('rings in its stretch before what would keep it from it, and never else', () => {
    expect([-1, 0, 6 * hour, 7 * hour].map((after) => rings('direct', evening.from + after))).toEqual([
      0, 2, 2, 0,
    ]);
    // An urgent line keeps its own rule.
    expect(rings('flood', evening.from)).toBe(0);
    const week = weekOf(
      office(begun.plan),
      { ownerId: 'ada', lineId: 'direct', caller: null },
      { from: now, to: now + 48 * hour },
    );
    expect(week.filter(({ trace }) => trace.legs.length > 0)).toMatchObject([
      { from: evening.from, to: evening.until },
    ]);
  });

  it('is said with its date, and is no dead rule for the checks, though it stands for hours only', () => {
    const rule = begun.plan.rules.find(({ id }) => id === begun.ruleId)!;
    expect(describeRule(rule, office(plan), 'ada')).toBe(
      'When anybody calls on Thu 26 Nov 17:00–24:00: van phone and 0113 496 0133 together for 25 s, then your mailbox.',
    );
    const found = checkPlan(office(begun.plan), 'ada', { now, isSignedIn: () => true, pastCalls: () => [] });
    expect(found.filter(({ code }) => code === 'deadRule' || code === 'impossibleRule')).toEqual([]);
  });

  it('goes by itself when it is over', () => {
    expect(withoutOver(begun.plan, evening.until - 1)).toBe(begun.plan);
    expect(withoutOver(begun.plan, evening.until)).toEqual(plan);
  });

  it('is offered the numbers that the plan names already', () => {
    expect(numbersOf(begun.plan)).toEqual([home]);
  });
});

describe('a line with hours of its own', () => {
  const floodAlways = {
    lineId: 'flood',
    hours: [{ days: [0, 1, 2, 3, 4, 5, 6], from: '00:00', to: '24:00' }],
  };
  const stages = [{ targets: [{ deviceId: 'van', startSeconds: 0 }], length: { seconds: 20 } }];
  const withHours: RingPlan = {
    ...plan,
    lineHours: [floodAlways],
    rules: [
      { id: 'in', name: 'In', lineIds: [], stages, finish: mailbox, when: { workingHours: true } },
      { id: 'out', name: 'Out', lineIds: [], stages: [], finish: mailbox, when: { workingHours: false } },
    ],
  };
  const legs = (lineId: string | null, at: number) =>
    traceCall(office(withHours), { ownerId: 'ada', lineId, caller: null }, allFree(at)).legs.length;

  it('is open by them, and every other by the working week', () => {
    const [day, night] = [now, now + 12 * hour];
    expect([legs('flood', day), legs('flood', night)]).toEqual([1, 1]);
    expect([legs('direct', day), legs('direct', night), legs(null, night)]).toEqual([1, 0, 0]);
  });

  it('is looked at as such by the checks', () => {
    const checked = (of: RingPlan) =>
      checkPlan(office(of), 'ada', { now, isSignedIn: () => true, pastCalls: () => [] }).map(
        ({ code, sentence }) => `${code} ${sentence}`,
      );
    expect(checked(withHours).some((each) => each.includes('flood is an urgent line'))).toBe(false);
    // A rule for the one line outside its hours, of which there are none, fits nothing.
    const [first, second] = withHours.rules;
    const never = { ...withHours, rules: [{ ...second!, lineIds: ['flood'] }, first!, second!] };
    expect(checked(never).some((each) => each.startsWith('impossibleRule'))).toBe(true);
  });
});
