import fc from 'fast-check';

import { emptyOffice, OfficeIndex, type OfficeSetup } from '@/core/setup';
import { traceCall, weekOf } from '.';

const zone = 'Europe/London';
const minute = 60_000;
const day = 24 * 60 * minute;
type Plan = OfficeSetup['ringPlans'][number];

const rings = (deviceId: string) => [{ length: { seconds: 20 }, targets: [{ deviceId, startSeconds: 0 }] }];
const rule = (name: string, rest: Partial<Plan['rules'][number]>): Plan['rules'][number] => ({
  id: name,
  name,
  lineIds: [],
  stages: rings('desk'),
  finish: { kind: 'mailbox', personId: 'p' },
  ...rest,
});

function office(
  plan: Partial<Plan>,
  situation?: { id: string; word: string; until: number | null },
): OfficeIndex {
  return new OfficeIndex({
    ...emptyOffice,
    zone,
    people: [{ id: 'p', name: 'P', role: '', extension: '201', presentedLineId: '', situation }],
    devices: ['desk', 'mobile'].map((id) => ({
      id,
      personId: 'p',
      kind: 'desk' as const,
      name: id,
      callLimit: 1,
    })),
    ringPlans: [{ personId: 'p', rules: [rule('any', {})], ...plan }],
  });
}
const called = { ownerId: 'p', lineId: null, caller: null };
const working = [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }];

describe('the week of a plan', () => {
  const monday = Date.UTC(2026, 10, 23);

  it('of hours: in them one way, outside another, the nights and the weekend each in one piece', () => {
    const rules = [rule('working', { when: { hours: working } }), rule('else', { stages: [] })];
    const stretches = weekOf(office({ rules }), called, { from: monday, to: monday + 7 * day });
    expect(
      stretches.map(({ from, to, trace }) => [
        (from - monday) / 3_600_000,
        (to - from) / 3_600_000,
        trace.legs.length,
      ]),
    ).toEqual([
      [0, 8, 0],
      [8, 9, 1],
      [17, 15, 0],
      [32, 9, 1],
      [41, 15, 0],
      [56, 9, 1],
      [65, 15, 0],
      [80, 9, 1],
      [89, 15, 0],
      [104, 9, 1],
      [113, 55, 0],
    ]);
  });

  it('of a forward from Tuesday noon to Friday morning: to the minute, over whatever rules there are', () => {
    const from = monday + day + 12 * 60 * minute;
    const until = monday + 4 * day + 8 * 60 * minute;
    const plan = { forwards: [{ to: { kind: 'busy' } as const, from, until }] };
    const stretches = weekOf(office(plan), called, { from: monday, to: monday + 7 * day });
    expect(stretches.map(({ from: begin, trace }) => [begin, trace.finish.kind])).toEqual([
      [monday, 'mailbox'],
      [from, 'busy'],
      [until, 'mailbox'],
    ]);
  });

  it('of a plan without conditions is one stretch', () => {
    expect(weekOf(office({}), called, { from: monday, to: monday + 7 * day })).toHaveLength(1);
  });
});

const clock = fc
  .integer({ min: 0, max: 24 * 4 })
  .map(
    (quarters) =>
      `${String(Math.floor(quarters / 4)).padStart(2, '0')}:${['00', '15', '30', '45'][quarters % 4]}`,
  );
const window = fc
  .record({ days: fc.subarray([0, 1, 5, 6], { minLength: 1 }), a: clock, b: clock })
  .filter(({ a, b }) => a !== b)
  .map(({ days, a, b }) => ({ days, from: a < b ? a : b, to: a < b ? b : a }));

describe.each([
  ['the night an hour is missing', Date.UTC(2026, 2, 28)],
  ['the night an hour comes twice', Date.UTC(2026, 9, 24)],
])('over %s', (_, from) => {
  it('every minute goes the way its stretch says, without a gap, and neighbours differ', () => {
    const to = from + 2 * day;
    const rules = fc.array(
      fc.record({
        hours: fc.array(window, { minLength: 1, maxLength: 2 }),
        deviceId: fc.constantFrom('desk', 'mobile'),
        inSituation: fc.boolean(),
      }),
      { maxLength: 4 },
    );
    fc.assert(
      fc.property(rules, fc.integer({ min: 0, max: 48 * 4 }), (made, situationEnds) => {
        const situation = { id: 'onSite', word: '', until: from + situationEnds * 15 * minute };
        const index = office(
          {
            rules: made.map(({ hours, deviceId, inSituation }, at) =>
              rule(String(at), {
                stages: rings(deviceId),
                when: { hours, ...(inSituation && { situationIds: ['onSite'] }) },
              }),
            ),
          },
          situation,
        );
        const stretches = weekOf(index, called, { from, to });
        expect(stretches[0]?.from).toBe(from);
        expect(stretches.at(-1)?.to).toBe(to);
        stretches.forEach((stretch, at) => {
          const next = stretches[at + 1];
          if (!next) return;
          expect(next.from).toBe(stretch.to);
          expect([next.trace.legs, next.trace.finish]).not.toEqual([
            stretch.trace.legs,
            stretch.trace.finish,
          ]);
        });
        for (let at = from; at < to; at += 15 * minute) {
          const stretch = stretches.find((each) => each.from <= at && at < each.to);
          const world = {
            at,
            isSignedIn: () => true,
            isBusy: () => false,
            isOnCall: () => false,
            triesWithin: () => 0,
          };
          const { legs, finish } = traceCall(index, called, world);
          expect([stretch?.trace.legs, stretch?.trace.finish]).toEqual([legs, finish]);
        }
      }),
      { numRuns: 40 },
    );
  });
});
