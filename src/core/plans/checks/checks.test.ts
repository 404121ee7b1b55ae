import fc from 'fast-check';

import { emptyOffice, OfficeIndex, type OfficeSetup, type RingPlan, type RingRule } from '@/core/setup';
import { atomsOf, reachOf } from './atoms';
import { chooseRule } from '@/core/plans/routing';
import { checkOffice, checkPlan, type CheckContext, type Finding } from '.';

/** Thursday, 26 November 2026, 10:40 in London. */
const now = Date.UTC(2026, 10, 26, 10, 40);
const hour = 3_600_000;
const context: CheckContext = { now, isSignedIn: () => true, pastCalls: () => [] };
const mailbox = { kind: 'mailbox', personId: 'ada' } as const;

const rule = (more: Partial<RingRule> = {}): RingRule => ({
  id: 'any',
  name: 'Any call',
  lineIds: [],
  stages: [{ targets: [{ deviceId: 'ada-desk', startSeconds: 0 }], length: { seconds: 25 } }],
  finish: mailbox,
  ...more,
});

function officeOf(plan: Partial<RingPlan>, setup: Partial<OfficeSetup> = {}): OfficeIndex {
  const person = (id: string, extension: string) => ({
    id,
    name: id,
    role: '',
    extension,
    presentedLineId: 'direct',
  });
  return new OfficeIndex({
    ...emptyOffice,
    people: [person('ada', '214'), person('ben', '201'), person('cleo', '211')],
    lines: [
      {
        id: 'direct',
        name: 'Direct',
        number: '+441314960214',
        cord: { hue: 0, stroke: 'solid' },
        urgent: false,
        ownerId: 'ada',
      },
      {
        id: 'flood',
        name: 'Flood desk',
        number: '+441314960199',
        cord: { hue: 1, stroke: 'dotted' },
        urgent: true,
        ownerId: 'ada',
      },
    ],
    devices: [
      { id: 'ada-desk', personId: 'ada', kind: 'desk', name: 'desk phone', callLimit: 2 },
      {
        id: 'ada-mobile',
        personId: 'ada',
        kind: 'mobile',
        name: 'van phone',
        callLimit: 2,
        ownMailboxSeconds: 20,
      },
      { id: 'ben-desk', personId: 'ben', kind: 'desk', name: 'desk phone', callLimit: 2 },
    ],
    rates: {
      currency: 'GBP',
      rates: [
        { prefix: '+44', name: 'UK', perMinuteMicros: 9_000, connectionFeeMicros: 0, incrementSeconds: 1 },
        {
          prefix: '+1',
          name: 'North America',
          perMinuteMicros: 60_000,
          connectionFeeMicros: 0,
          incrementSeconds: 60,
        },
      ],
    },
    ringPlans: [{ personId: 'ada', rules: [rule()], ...plan }],
    ...setup,
  });
}

const codes = (findings: readonly Finding[]) => findings.map(({ code }) => code);
const check = (plan: Partial<RingPlan>, setup: Partial<OfficeSetup> = {}, more: Partial<CheckContext> = {}) =>
  checkPlan(officeOf(plan, setup), 'ada', { ...context, ...more });

/** Applies the one repair of that kind, and gives what is still found. */
function repaired(
  code: Finding['code'],
  plan: Partial<RingPlan>,
  setup: Partial<OfficeSetup> = {},
  more: Partial<CheckContext> = {},
) {
  const found = check(plan, setup, more).find((finding) => finding.code === code);
  if (!found?.repair) throw new Error(`No ${code} to repair`);
  return {
    sentence: found.sentence,
    word: found.repair.word,
    left: codes(check(found.repair.plan, setup, more)),
  };
}

const stage = (seconds: number, ...targets: RingRule['stages'][number]['targets']) => ({
  targets,
  length: { seconds },
});
const desk = { deviceId: 'ada-desk', startSeconds: 0 };
const van = { deviceId: 'ada-mobile', startSeconds: 0 };

describe('the checks', () => {
  it('find nothing in a plain plan', () => {
    expect(check({})).toEqual([]);
  });

  it('tell that the mailbox comes before a device has rung its time, with the seconds', () => {
    const rules = [
      rule({
        stages: [stage(20, desk, { ...van, startSeconds: 10, length: { seconds: 30 }, acceptKey: true })],
      }),
    ];
    expect(repaired('cutShort', { rules })).toEqual({
      sentence: 'Your van phone is to ring 30 s, but the mailbox answers after 10 s of it.',
      word: 'Let this stage last 40 s',
      left: [],
    });
  });

  it('tell that a private mobile’s own mailbox would answer first', () => {
    const plan = { rules: [rule({ stages: [stage(25, van)] })] };
    expect(repaired('ownMailbox', plan)).toMatchObject({
      sentence:
        'Your van phone rings 25 s, but its own mailbox answers after 20 s, so your callers would land there.',
      left: [],
    });
    expect(check({ rules: [rule({ stages: [stage(19, van)] })] })).toEqual([]);
  });

  it('tell of rings and seconds that disagree', () => {
    const rules = [
      rule({
        stages: [{ targets: [{ ...desk, length: { rings: 4, cadence: 'uk' } }], length: { seconds: 13 } }],
      }),
    ];
    expect(repaired('cadence', { rules })).toMatchObject({
      sentence:
        'Your desk phone rings for 4 rings (12 s), and the stage lasts 13 s: they end at 12 s and at 13 s.',
      left: [],
    });
    const unlike = [
      rule({
        stages: [
          {
            targets: [{ ...desk, length: { rings: 5, cadence: 'us' } }],
            length: { rings: 5, cadence: 'uk' },
          },
        ],
      }),
    ];
    expect(codes(check({ rules: unlike }))).toEqual(['cutShort', 'cadence']);
  });

  it('tell of seconds in which nothing rings', () => {
    const rules = [
      rule({
        stages: [
          stage(
            40,
            { ...desk, length: { seconds: 10 } },
            { ...van, startSeconds: 18, length: { seconds: 15 } },
          ),
        ],
      }),
    ];
    expect(repaired('silence', { rules })).toMatchObject({
      sentence: 'From second 10 to 18 nothing rings, and the caller waits for nothing.',
      left: [],
    });
  });

  it('tell of a device that is not signed in', () => {
    const more = { isSignedIn: (deviceId: string) => deviceId !== 'ada-mobile' };
    const rules = [rule({ stages: [stage(15, desk, van)] })];
    expect(repaired('notSignedIn', { rules }, {}, more)).toMatchObject({ left: [] });
  });

  it('tell once of an app that is signed in nowhere, at however many places it was; of one that is somewhere nothing', () => {
    const app = { deviceId: 'ada-app', startSeconds: 0 };
    const places = {
      devices: [
        ...officeOf({}).setup.devices,
        { id: 'ada-app', personId: 'ada', kind: 'app' as const, name: 'Cendro', callLimit: 6 },
        ...['one', 'two'].map((id) => ({
          ...{ id, personId: 'ada', kind: 'app' as const, name: id, callLimit: 6, contactOf: 'ada-app' },
        })),
      ],
    };
    const rules = [rule({ stages: [stage(15, app)] })];
    const signedInAt = (...at: string[]) => ({ isSignedIn: (deviceId: string) => at.includes(deviceId) });
    expect(codes(check({ rules }, places, signedInAt()))).toEqual(['notSignedIn']);
    expect(codes(check({ rules }, places, signedInAt('two')))).toEqual([]);
  });

  it('tell of a rule that an earlier one takes all calls from, and of one that fits nothing', () => {
    const late = rule({ id: 'late', name: 'Flood desk', lineIds: ['flood'] });
    expect(repaired('deadRule', { rules: [rule(), late] })).toEqual({
      sentence: '“Flood desk” is never reached: “Any call” takes all its calls before.',
      word: 'Put it before them',
      left: [],
    });
    const never = rule({
      id: 'never',
      name: 'Never',
      when: { workingHours: true, hours: [{ days: [0], from: '09:00', to: '12:00' }] },
    });
    const workingHours = [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }];
    expect(repaired('impossibleRule', { workingHours, rules: [never, rule()] })).toMatchObject({ left: [] });
  });

  it('know that two rules together leave nothing for a third', () => {
    const hours = [{ days: [0, 1, 2, 3, 4, 5, 6], from: '08:00', to: '17:00' }];
    const rest = [
      { days: [0, 1, 2, 3, 4, 5, 6], from: '00:00', to: '08:00' },
      { days: [0, 1, 2, 3, 4, 5, 6], from: '17:00', to: '24:00' },
    ];
    const rules = [
      rule({ id: 'day', name: 'Day', when: { hours } }),
      rule({ id: 'night', name: 'Night', when: { hours: rest } }),
      rule(),
    ];
    expect(check({ rules }).map(({ sentence }) => sentence)).toEqual([
      '“Any call” is never reached: “Day” and “Night” take all its calls before.',
    ]);
    const [onlyDay] = rules;
    expect(codes(check({ rules: [onlyDay!, rule()] }))).toEqual([]);
  });

  it('tell of hours when nothing rings, and of an urgent line that reaches nobody', () => {
    const hours = [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '18:00' }];
    const plan = { rules: [rule({ when: { hours } })] };
    const found = check(plan);
    expect(found.map(({ code, severity }) => [code, severity])).toEqual([
      ['urgentAlone', 'alarm'],
      ['nothingRings', 'alarm'],
    ]);
    expect(found[1]?.sentence).toContain('first from Thu 18:00');
    expect(repaired('nothingRings', plan).left).toEqual([]);
    expect(repaired('urgentAlone', plan).left).toEqual(['nothingRings']);
  });

  it('call it a loss where nothing rings at any hour, unless the mailbox looks for its owner', () => {
    const silent = { rules: [rule({ stages: [] })] };
    const of = (plan: Partial<RingPlan>) =>
      check(plan)
        .filter(({ code }) => code === 'nothingRings')
        .map(({ severity, sentence }) => [severity, sentence]);
    expect(of(silent)).toEqual([['alarm', 'Nothing rings at any hour for Direct and your extension.']]);
    expect(of({ ...silent, findMe: [{ deviceId: 'ada-desk' }] })[0]?.[0]).toBe('notice');
    const evenings = { hours: [{ days: [4], from: '18:00', to: '20:00' }] };
    expect(of({ rules: [rule({ stages: [], when: evenings }), rule({ id: 'b' })] })[0]?.[0]).toBe('notice');
  });

  it('tell no circle of a line that leads by a menu to the extension, where another rule decides', () => {
    const forLine = rule({ id: 'line', lineIds: ['direct'], finish: { kind: 'forward', to: '260' } });
    const menuTo = (to: string) => ({
      menus: [
        {
          ...{
            id: 'night',
            name: 'Night menu',
            extension: '260',
            text: 'Press 1.',
            waitSeconds: 5,
            turns: 1,
          },
          ...{ keys: [{ key: '1', to }], finish: { kind: 'busy' } as const, keeperId: 'ada' },
        },
      ],
    });
    const plan = { rules: [forLine, rule()] };
    expect(codes(check(plan, menuTo('214')))).toEqual([]);
    // By the line it comes back to the rule that sends it there.
    const [found] = check(plan, menuTo('0131 496 0214'));
    expect(found?.sentence).toContain('you → Night menu → you');
  });

  it('tell of forwards that go round in a circle, also across people and only at some hours', () => {
    const toBen = rule({ finish: { kind: 'forward', to: '201' } });
    const bens = (more: Partial<RingRule>) => ({
      ringPlans: [
        { personId: 'ada', rules: [toBen] },
        { personId: 'ben', rules: [rule({ id: 'b', stages: [], ...more })] },
      ],
    });
    const back = bens({ finish: { kind: 'forward', to: '0131 496 0214' } });
    const found = check({}, back);
    expect(codes(found)).toEqual(['loop']);
    expect(found[0]?.sentence).toContain('you → ben → you');
    const later = bens({
      finish: { kind: 'forward', to: '214' },
      when: { hours: [{ days: [6], from: '09:00', to: '10:00' }] },
    });
    expect(check({}, later)[0]?.sentence).toContain('from Sat 09:00');
    expect(codes(check({}, bens({ finish: { kind: 'forward', to: '211' } })))).toEqual([]);
    const mended = found[0]?.repair?.plan;
    expect(codes(check({}, { ringPlans: [mended!, back.ringPlans[1]!] }))).toEqual([]);
  });

  it('tell of a forward left on, and that do not disturb means nothing beside it', () => {
    const forwards = [{ to: { kind: 'forward' as const, to: '201' }, from: now - 30 * hour, until: null }];
    const doNotDisturb = { mode: 'quiet' as const, until: null, passes: [], passLineIds: ['flood'] };
    const plan = { forwards, doNotDisturb };
    expect(repaired('forwardLeftOn', plan).sentence).toBe(
      'Everything is still forwarded to ben since Wed 04:40, without an end.',
    );
    expect(codes(check(plan))).toContain('excluded');
    expect(
      codes(check({ forwards: [{ ...forwards[0]!, from: now - hour, until: now + hour }] })),
    ).not.toContain('forwardLeftOn');
  });

  it('tell of everything forwarded to one’s own number, and of one’s own line rung as a number outside', () => {
    const toMyself = { to: { kind: 'forward' as const, to: '0131 496 0214' }, from: now, until: now + hour };
    expect(repaired('loop', { forwards: [toMyself] })).toMatchObject({
      sentence: expect.stringContaining('you → you') as string,
      left: [],
    });
    const mine = { number: '+441314960214', startSeconds: 0 };
    expect(repaired('loop', { rules: [rule({ stages: [stage(20, desk, mine)] })] })).toMatchObject({
      sentence: expect.stringContaining('Direct is your own line') as string,
      left: [],
    });
  });

  it('tell of a mobile that takes forwarded calls without a key, the urgent line’s too', () => {
    const to = { kind: 'forward' as const, to: '+447700900321' };
    const forwards = [{ to, from: now + hour, until: now + 2 * hour }];
    expect(repaired('ownMailbox', { forwards })).toEqual({
      sentence:
        '07700 900321 is a mobile that takes calls without a key: its own mailbox may answer your callers, those of the urgent line Flood desk too, and nobody here would know.',
      word: 'Ask for a key to take the call there',
      left: [],
    });
    expect(repaired('ownMailbox', { rules: [rule({ busyFinish: to })] }).left).toEqual([]);
    expect(codes(check({ forwards: [{ ...forwards[0]!, to: { ...to, to: '0131 496 0150' } }] }))).toEqual([]);
  });

  it('price what everything is forwarded to as if past calls had met the forward', () => {
    const pastCalls = Array.from({ length: 61 }, (_, day) => ({
      id: String(day),
      at: now - (60 - day) * 24 * hour,
      lineId: 'direct',
      caller: { number: '+441914980162', personId: null },
      situationId: null,
      waitedSeconds: 5,
      reachedFinish: false,
      answered: null,
      presentAt: [],
      isOnCall: false,
    }));
    const to = { kind: 'forward' as const, to: '+12025550147' };
    const priced = (from: number, until: number | null) =>
      check({ forwards: [{ to, from, until }] }, {}, { pastCalls: () => pastCalls }).find(
        ({ code }) => code === 'costly',
      )?.sentence;
    expect(priced(now, null)).toMatch(
      /with the usual 31 calls a month that get there, about £4\.\d\d a month/,
    );
    expect(priced(now + 48 * hour, now + 96 * hour)).toMatch(
      /with the usual 2 calls until Mon 10:40 that get there, about £?[\d.]+ ?p? in all/,
    );
  });

  it('tell what a number abroad costs a month at the usual traffic', () => {
    const abroad = { number: '+12025550147', startSeconds: 10, acceptKey: true };
    const pastCalls = Array.from({ length: 60 }, (_, day) => ({
      id: String(day),
      at: now - (60 - day) * 24 * hour,
      lineId: 'direct',
      caller: { number: '+441914980162', personId: null },
      situationId: null,
      waitedSeconds: day % 2 === 0 ? 5 : 25,
      reachedFinish: false,
      answered: null,
      presentAt: [],
      isOnCall: false,
    }));
    const found = repaired(
      'costly',
      { rules: [rule({ stages: [stage(25, desk, abroad)] })] },
      {},
      { pastCalls: () => pastCalls },
    );
    expect(found.sentence).toMatch(
      /abroad \(North America\) at 6 p a minute: with the usual 15 calls a month that get there, about £2\.2\d a month/,
    );
    expect(found.left).toEqual([]);
  });

  it('tell of a rule for callers who are kept away anyway', () => {
    const withheld = rule({ id: 'w', name: 'Withheld', when: { callers: [{ kind: 'withheld' }] } });
    const people = officeOf({}).setup.people.map((person) => ({
      ...person,
      screening: { numbers: [], withheld: true },
    }));
    expect(repaired('excluded', { rules: [withheld, rule()] }, { people }).left).toEqual([]);
  });

  it('tell of somebody a plan names who has gone since, and guess nobody in their place', () => {
    const gone = { personId: 'zoe', startSeconds: 0 };
    const found = check({ rules: [rule({ stages: [stage(20, desk, gone)] })] });
    expect(found).toContainEqual(
      expect.objectContaining({
        code: 'cannotTakeForce',
        severity: 'alarm',
        place: { ruleId: rule().id },
        repair: null,
      }),
    );
    expect(
      check({ forwards: [{ to: { kind: 'forward', to: '299' }, from: null, until: now + hour }] })[0]
        ?.sentence,
    ).toBe('Nobody has the extension 299.');
  });

  it('look at a whole office', () => {
    const office = officeOf({ rules: [rule({ stages: [stage(25, van)] })] });
    expect(checkOffice(office, context).map(({ personId, code }) => [personId, code])).toEqual([
      ['ada', 'ownMailbox'],
    ]);
  });
});

const when = fc.record(
  {
    callers: fc.array(
      fc.constantFrom(
        { kind: 'withheld' as const },
        { kind: 'colleague' as const },
        { kind: 'unknown' as const },
        { kind: 'starred' as const },
        { kind: 'prefix' as const, prefix: '+44191' },
        { kind: 'number' as const, number: '+441914980162' },
        { kind: 'repeated' as const, times: 2, withinMinutes: 10 },
      ),
      { maxLength: 3 },
    ),
    situationIds: fc.subarray(['site', 'van']),
    hours: fc.array(
      fc.record({
        days: fc.subarray([0, 1, 2, 3, 4, 5, 6], { minLength: 1 }),
        from: fc.constantFrom('00:00', '01:30', '09:00'),
        to: fc.constantFrom('12:00', '17:15', '24:00'),
      }),
      { maxLength: 2 },
    ),
    dates: fc.array(
      fc.constantFrom({ from: '2026-12-24', to: '2026-12-28' }, { from: '2026-11-26', to: '2026-11-26' }),
      { maxLength: 1 },
    ),
    workingHours: fc.boolean(),
    whileOnCall: fc.boolean(),
  },
  { requiredKeys: [] },
);
const rules = fc.array(fc.record({ lineIds: fc.subarray(['direct', 'flood']), when }), {
  minLength: 1,
  maxLength: 5,
});

describe('the search behind the checks', () => {
  const callers = [null, '+441914980162', '+441914980100', '+447700900111', '+441174960171'];

  it('never calls a rule dead that some call reaches, and its witness reaches the rule', () => {
    fc.assert(
      fc.property(
        rules,
        fc.array(
          fc.record({
            minutes: fc.integer({ min: 0, max: 40 * 24 * 60 }),
            lineId: fc.constantFrom('direct', 'flood', null),
            number: fc.constantFrom(...callers),
            personId: fc.constantFrom(null, null, 'ben'),
            situationId: fc.constantFrom(null, 'site', 'van'),
            isOnCall: fc.boolean(),
            tries: fc.integer({ min: 0, max: 3 }),
          }),
          { minLength: 40, maxLength: 40 },
        ),
        (conditions, calls) => {
          const plan: RingPlan = {
            personId: 'ada',
            workingHours: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
            rules: conditions.map((each, index) => rule({ id: String(index), ...each })),
          };
          const office = officeOf(plan, {
            ringPlans: [plan],
            callerGroups: [
              { id: 'watch', name: 'Watch', starred: true, numbers: ['+441914980162', '+441174960171'] },
            ],
          });
          const reach = reachOf(plan, office, atomsOf(plan, office, now));
          reach.forEach((found, index) => {
            if ('facts' in found) expect(chooseRule(plan, found.facts, office, [])?.id).toBe(String(index));
          });
          for (const { minutes, number, personId, tries, ...rest } of calls) {
            const caller = { number: personId === null ? number : null, personId };
            const facts = { ...rest, caller, at: now + minutes * 60_000, triesWithin: () => tries };
            const taken = chooseRule(plan, facts, office, []);
            if (taken) expect(reach[Number(taken.id)]).toHaveProperty('facts');
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});
