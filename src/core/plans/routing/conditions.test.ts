import fc from 'fast-check';

import { emptyOffice, OfficeIndex, type CallerMatch, type OfficeSetup, type When } from '@/core/setup';
import { chooseRule, obstacleOf, traceCall, type Caller, type RouteTrace, type World } from '.';

/** A Thursday, 10:40 in London. */
const now = Date.UTC(2026, 10, 26, 10, 40);
const hour = 3_600_000;
const customer: Caller = { number: '+441914980162', personId: null };
const mailbox = { kind: 'mailbox', personId: 'p' } as const;
const elsewhere = { kind: 'forward', to: '201' } as const;
const free: World = {
  at: now,
  isSignedIn: () => true,
  isBusy: () => false,
  isOnCall: () => false,
  triesWithin: () => 0,
};

type Plan = OfficeSetup['ringPlans'][number];
const rule = (name: string, rest: Partial<Plan['rules'][number]> = {}): Plan['rules'][number] => ({
  id: name,
  name,
  lineIds: [],
  stages: [{ length: { seconds: 20 }, targets: [{ deviceId: 'desk', startSeconds: 0 }] }],
  finish: mailbox,
  ...rest,
});

function office(plan: Partial<Plan>, person: object = {}): OfficeIndex {
  return new OfficeIndex({
    ...emptyOffice,
    people: [{ id: 'p', name: 'P', role: '', extension: '201', presentedLineId: '', ...person }],
    devices: [
      { id: 'desk', personId: 'p', kind: 'desk', name: 'desk', callLimit: 1 },
      { id: 'ilse-desk', personId: 'ilse', kind: 'desk', name: 'desk', callLimit: 1 },
    ],
    callerGroups: [
      { id: 'flood', name: 'Flood watch', starred: true, numbers: ['+441914980162'] },
      { id: 'farms', name: 'Farms', starred: false, numbers: ['+441174960155'] },
    ],
    ringPlans: [{ personId: 'p', rules: [rule('any')], ...plan }],
  });
}

const trace = (
  plan: Partial<Plan>,
  {
    caller = customer,
    lineId = null,
    world = {},
    person = {},
  }: {
    caller?: Caller | null;
    lineId?: string | null;
    world?: Partial<World>;
    person?: object;
  } = {},
): RouteTrace => traceCall(office(plan, person), { ownerId: 'p', lineId, caller }, { ...free, ...world });

const ruleTaken = ({ steps }: RouteTrace) =>
  steps.flatMap((step) => (step.kind === 'ruleTaken' ? [step.rule] : []))[0];
const taken = (when: When, asked: Parameters<typeof trace>[1] = {}) =>
  ruleTaken(trace({ rules: [rule('wanted', { when }), rule('any')] }, asked)) === 'wanted';

describe('a rule’s callers', () => {
  const is = (match: CallerMatch, caller: Caller | null, world: Partial<World> = {}) =>
    taken({ callers: [match] }, { caller, world });
  const farm: Caller = { number: '+441174960155', personId: null };
  const stranger: Caller = { number: '+447700900123', personId: null };
  const withheld: Caller = { number: null, personId: null };
  const colleague: Caller = { number: null, personId: 'ilse' };
  const all = [customer, farm, stranger, withheld, colleague];

  it.each([
    [{ kind: 'number', number: '+441174960155' }, [farm]],
    [{ kind: 'prefix', prefix: '+4419' }, [customer]],
    [{ kind: 'group', groupId: 'farms' }, [farm]],
    [{ kind: 'starred' }, [customer]],
    [{ kind: 'colleague' }, [colleague]],
    [{ kind: 'withheld' }, [withheld]],
    [{ kind: 'unknown' }, [stranger]],
  ] as const)('%j', (match, those) => {
    expect(all.filter((caller) => is(match, caller))).toEqual(those);
  });

  it('repeated counts earlier calls of the same number in that time', () => {
    const match = { kind: 'repeated', times: 2, withinMinutes: 10 } as const;
    const tries = {
      triesWithin: (number: string, minutes: number) =>
        number === customer.number && minutes === 10 ? 2 : 0,
    };
    expect(is(match, customer, tries)).toBe(true);
    expect(is(match, stranger, tries)).toBe(false);
  });

  it('one of several is enough, and a caller who is not known yet is none of them', () => {
    const callers: CallerMatch[] = [{ kind: 'withheld' }, { kind: 'starred' }];
    expect([customer, withheld, farm].map((caller) => taken({ callers }, { caller }))).toEqual([
      true,
      true,
      false,
    ]);
    expect(taken({ callers }, { caller: null })).toBe(false);
  });
});

describe('a rule’s other conditions', () => {
  it('hours and dates go by the office’s clock', () => {
    const hours = [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }];
    expect([now, now + 7 * hour, now + 48 * hour].map((at) => taken({ hours }, { world: { at } }))).toEqual([
      true,
      false,
      false,
    ]);
    const dates = [{ from: '2026-12-24', to: '2027-01-02' }];
    expect(taken({ dates })).toBe(false);
    expect(taken({ dates }, { world: { at: Date.UTC(2026, 11, 31) } })).toBe(true);
  });

  it('the situation counts as long as it lasts', () => {
    const person = { situation: { id: 'onSite', word: 'up a mast', until: now + hour } };
    expect(taken({ situationIds: ['onSite'] }, { person })).toBe(true);
    expect(taken({ situationIds: ['onSite'] }, { person, world: { at: now + hour } })).toBe(false);
    expect(taken({ situationIds: ['offDuty'] }, { person })).toBe(false);
  });

  it('on a call already, or only when not', () => {
    const isOnCall = () => true;
    expect(taken({ whileOnCall: true }, { world: { isOnCall } })).toBe(true);
    expect(taken({ whileOnCall: false }, { world: { isOnCall } })).toBe(false);
    expect(taken({ whileOnCall: false })).toBe(true);
  });

  it('all have to hold, and the trace says which did not', () => {
    const when: When = { callers: [{ kind: 'starred' }], hours: [{ days: [0], from: '00:00', to: '24:00' }] };
    expect(trace({ rules: [rule('Sundays', { when }), rule('any')] }).steps).toEqual([
      { kind: 'ruleSkipped', rule: 'Sundays', ruleId: 'Sundays', reason: 'otherHours' },
      { kind: 'ruleTaken', rule: 'any', ruleId: 'any', reason: 'anyLine' },
    ]);
  });
});

describe('a forward of everything', () => {
  it('is on from its beginning to its end, and comes before every rule', () => {
    const forwards = [{ to: elsewhere, from: now, until: now + hour }];
    const at = (instant: number) => trace({ forwards }, { world: { at: instant } });
    expect([now - 1, now, now + hour - 1, now + hour].map((instant) => at(instant).finish.kind)).toEqual([
      'mailbox',
      'forward',
      'forward',
      'mailbox',
    ]);
    expect(at(now)).toMatchObject({
      legs: [],
      finishSeconds: 0,
      steps: [{ kind: 'forwardedAll', until: now + hour }],
    });
  });
});

describe('do not disturb', () => {
  const quiet = {
    mode: 'quiet',
    until: now + hour,
    passes: [{ kind: 'starred' }],
    passLineIds: ['flood'],
  } as const;
  const doNotDisturb = { ...quiet, passes: [...quiet.passes], passLineIds: [...quiet.passLineIds] };
  const stranger: Caller = { number: '+447700900123', personId: null };

  it('quiet: nothing rings, the call goes on at once to where the rule ends', () => {
    const plan = { doNotDisturb, rules: [rule('any', { finish: elsewhere })] };
    expect(trace(plan, { caller: stranger })).toMatchObject({
      legs: [],
      finish: elsewhere,
      finishSeconds: 0,
    });
  });

  it('silent: nothing of the owner’s rings, others of the plan do, and all keep their seconds', () => {
    const ring = (target: Plan['rules'][number]['stages'][number]['targets'][number], seconds: number) => ({
      targets: [target],
      length: { seconds },
    });
    const stages = [
      ring({ deviceId: 'desk', startSeconds: 0 }, 20),
      ring({ deviceId: 'ilse-desk', startSeconds: 0 }, 15),
      ring({ number: '+441134960133', startSeconds: 0 }, 10),
    ];
    const plan = {
      doNotDisturb: { ...doNotDisturb, mode: 'silent' as const },
      rules: [rule('any', { stages })],
    };
    const silent = trace(plan, { caller: stranger });
    expect(silent.legs).toMatchObject([{ deviceId: 'ilse-desk', fromSeconds: 20, toSeconds: 35 }]);
    expect(silent).toMatchObject({ finishSeconds: 45, isSilent: true });
    expect(trace(plan).isSilent).toBeUndefined();
  });

  it('refusing: busy tone, whatever the rules say', () => {
    const plan = { doNotDisturb: { ...doNotDisturb, mode: 'refuse' as const } };
    expect(trace(plan, { caller: stranger })).toMatchObject({ legs: [], finish: { kind: 'busy' } });
  });

  it('lets starred callers and chosen lines through, and ends by itself', () => {
    expect(trace({ doNotDisturb }).legs).toHaveLength(1);
    expect(trace({ doNotDisturb }, { caller: stranger, lineId: 'flood' }).legs).toHaveLength(1);
    expect(trace({ doNotDisturb }, { caller: stranger, world: { at: now + hour } }).legs).toHaveLength(1);
    expect(trace({ doNotDisturb }, { caller: stranger }).legs).toHaveLength(0);
  });
});

describe('the finish', () => {
  const finishes = {
    busyFinish: { kind: 'busy' } as const,
    unreachableFinish: elsewhere,
    refusedFinish: { kind: 'forward', to: '0131 496 0150' } as const,
  };

  it('is another where all are busy, or nothing is signed in', () => {
    const plan = { rules: [rule('any', finishes)] };
    expect(trace(plan).finish).toEqual(mailbox);
    expect(trace(plan, { world: { isBusy: () => true } }).finish).toEqual({ kind: 'busy' });
    expect(trace(plan, { world: { isSignedIn: () => false } }).finish).toEqual(elsewhere);
    expect(trace(plan).refusedFinish).toEqual(finishes.refusedFinish);
  });
});

it('whatever the conditions: at most one rule is taken, after those that were skipped, and the same call gives the same trace', () => {
  const window = { days: [4], from: '08:00', to: '12:00' };
  const when = fc.record(
    {
      callers: fc.subarray<CallerMatch>([{ kind: 'starred' }, { kind: 'unknown' }, { kind: 'withheld' }]),
      hours: fc.boolean().map((isAsked) => (isAsked ? [window] : [])),
      whileOnCall: fc.boolean(),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(
      fc.array(when, { maxLength: 5 }),
      fc.integer({ min: 0, max: 200 }),
      fc.boolean(),
      (whens, hours, isOnCall) => {
        const plan = { rules: whens.map((each, index) => rule(String(index), { when: each })) };
        const world = { at: now + hours * hour, isOnCall: () => isOnCall };
        const result = trace(plan, { world });
        const kinds = result.steps.map(({ kind }) => kind);
        const at = kinds.findIndex((kind) => kind === 'ruleTaken' || kind === 'noRule');
        expect(kinds.slice(0, at).every((kind) => kind === 'ruleSkipped')).toBe(true);
        expect(kinds.slice(at + 1)).not.toContain('ruleTaken');
        expect(trace(plan, { world })).toEqual(result);
      },
    ),
  );
});

it('a plan’s book, which looks callers up by number, chooses as asking every rule does, for the same reasons', () => {
  const match = fc.oneof(
    fc.constantFrom('+441914980162', '+441174960155').map((number) => ({ kind: 'number' as const, number })),
    fc
      .record({ times: fc.integer({ min: 1, max: 3 }), withinMinutes: fc.integer({ min: 1, max: 30 }) })
      .map((rest) => ({ kind: 'repeated' as const, ...rest })),
    fc.constantFrom<CallerMatch>(
      { kind: 'starred' },
      { kind: 'withheld' },
      { kind: 'prefix', prefix: '+4419' },
    ),
  );
  const rules = fc.array(
    fc.record({ callers: fc.array(match, { maxLength: 3 }), lineIds: fc.subarray(['one', 'two']) }),
    { maxLength: 6 },
  );
  const callers = fc.constantFrom<Caller>(
    customer,
    { number: '+441174960155', personId: null },
    { number: '+447700900123', personId: null },
    { number: null, personId: null },
    { number: null, personId: 'ilse' },
  );
  fc.assert(
    fc.property(rules, callers, fc.array(fc.integer({ min: 0, max: 40 })), (made, caller, minutesAgo) => {
      const plan = {
        personId: 'p',
        rules: made.map(({ callers: asked, lineIds }, at) =>
          rule(String(at), { lineIds, when: { callers: asked } }),
        ),
      };
      const index = office(plan);
      const triesWithin = (_: string, minutes: number) => minutesAgo.filter((ago) => ago <= minutes).length;
      const facts = { lineId: 'one', caller, at: now, situationId: null, isOnCall: false, triesWithin };
      const reasons = plan.rules.map((each) => obstacleOf(each, facts, index, plan));
      const steps: RouteTrace['steps'] = [];
      const chosen = chooseRule(plan, facts, index, steps);
      const first = reasons.indexOf(null);
      expect(chosen).toBe(first < 0 ? null : plan.rules[first]);
      const skipped = steps.flatMap((step) => (step.kind === 'ruleSkipped' ? [step.reason] : []));
      expect(skipped).toEqual(first < 0 ? reasons : reasons.slice(0, first));
    }),
    { numRuns: 500 },
  );
});
