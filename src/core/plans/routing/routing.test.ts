import fc from 'fast-check';

import { emptyOffice, OfficeIndex, type OfficeSetup } from '@/core/setup';
import { traceCall } from '.';

const devices = ['a', 'b', 'c', 'd'];

const stage = fc.record({
  length: fc.record({ seconds: fc.integer({ min: 1, max: 60 }) }),
  targets: fc.array(
    fc.record({
      deviceId: fc.constantFrom(...devices, 'gone'),
      startSeconds: fc.integer({ min: 0, max: 70 }),
    }),
    {
      maxLength: 4,
    },
  ),
});
const rule = fc.record({
  id: fc.string(),
  name: fc.string(),
  lineIds: fc.subarray(['one', 'two']),
  stages: fc.array(stage, { maxLength: 4 }),
  finish: fc.constantFrom({ kind: 'busy' as const }, { kind: 'mailbox' as const, personId: 'p' }),
});

function officeWith(rules: OfficeSetup['ringPlans'][number]['rules']) {
  return new OfficeIndex({
    ...emptyOffice,
    people: [{ id: 'p', name: 'P', role: '', extension: '201', presentedLineId: 'one' }],
    lines: [],
    devices: devices.map((id) => ({ id, personId: 'p', kind: 'desk' as const, name: id, callLimit: 1 })),
    ringPlans: [{ personId: 'p', rules }],
  });
}

const free = {
  at: Date.UTC(2026, 10, 26, 10, 40),
  isSignedIn: () => true,
  isBusy: () => false,
  isOnCall: () => false,
  triesWithin: () => 0,
};

describe('a trace', () => {
  it('takes the first rule that fits the line, and names those that do not', () => {
    const stages = [{ length: { seconds: 10 }, targets: [{ deviceId: 'a', startSeconds: 0 }] }];
    const finish = { kind: 'busy' } as const;
    const office = officeWith([
      { id: '1', name: 'Two only', lineIds: ['two'], stages, finish },
      { id: '2', name: 'Any', lineIds: [], stages: [], finish: { kind: 'mailbox', personId: 'p' } },
    ]);
    expect(traceCall(office, { ownerId: 'p', lineId: 'two', caller: null }, free)).toMatchObject({
      finishSeconds: 10,
      finish,
    });
    const other = traceCall(office, { ownerId: 'p', lineId: 'one', caller: null }, free);
    expect(other).toMatchObject({ legs: [], finishSeconds: 0 });
    expect(other.steps.map(({ kind }) => kind)).toEqual(['ruleSkipped', 'ruleTaken']);
  });

  it('of somebody without a plan goes to their mailbox', () => {
    expect(traceCall(officeWith([]), { ownerId: 'nobody', lineId: null, caller: null }, free)).toMatchObject({
      finish: { kind: 'mailbox', personId: 'nobody' },
      steps: [{ kind: 'noRule' }],
    });
  });

  it('never rings who is busy, gone or calling; each leg has length, lies in its stage, and ends by the finish', () => {
    const world = fc.record({
      busy: fc.subarray(devices),
      out: fc.subarray(devices),
      calling: fc.constantFrom(...devices, undefined),
    });
    fc.assert(
      fc.property(
        fc.array(rule, { maxLength: 4 }),
        fc.constantFrom('one', 'two', null),
        world,
        (rules, lineId, { busy, out, calling }) => {
          const called = { ownerId: 'p', lineId, callingDeviceId: calling, caller: null };
          const trace = traceCall(officeWith(rules), called, {
            ...free,
            isSignedIn: (id) => !out.includes(id),
            isBusy: (id) => busy.includes(id),
          });
          let stageSeen = 0;
          for (const leg of trace.legs) {
            expect([...busy, ...out, calling, 'gone']).not.toContain(leg.deviceId);
            expect(leg.toSeconds).toBeGreaterThan(leg.fromSeconds);
            expect(leg.toSeconds).toBeLessThanOrEqual(trace.finishSeconds);
            expect(leg.stage).toBeGreaterThanOrEqual(stageSeen);
            stageSeen = leg.stage;
          }
          expect(trace.finishSeconds).toBe(Math.max(0, ...trace.legs.map(({ toSeconds }) => toSeconds)));
        },
      ),
    );
  });

  it('rings an app wherever it is signed in, and not as something beside that; from there it does not ring itself', () => {
    const app = { personId: 'p', kind: 'app' as const, callLimit: 6 };
    const finish = { kind: 'busy' } as const;
    const target = { deviceId: 'app', startSeconds: 3 };
    const rules = [
      { id: '1', name: 'Any', lineIds: [], finish, stages: [{ length: { seconds: 9 }, targets: [target] }] },
    ];
    const { setup } = officeWith(rules);
    const office = new OfficeIndex({
      ...setup,
      devices: [
        { ...app, id: 'app', name: 'Cendro' },
        { ...app, id: 'phone', name: 'Phone', contactOf: 'app' },
        { ...app, id: 'laptop', name: 'Laptop', contactOf: 'app' },
      ],
    });
    const ringing = (world = free, callingDeviceId?: string) =>
      traceCall(
        office,
        {
          ...{ ownerId: 'p', lineId: 'one', caller: null },
          ...(callingDeviceId !== undefined && { callingDeviceId }),
        },
        world,
      ).legs.map(({ deviceId, fromSeconds }) => `${deviceId} ${fromSeconds}`);
    expect(ringing()).toEqual(['phone 3', 'laptop 3']);
    expect(ringing({ ...free, isSignedIn: (id?: string) => id !== 'phone' } as typeof free)).toEqual([
      'laptop 3',
    ]);
    expect(ringing(free, 'laptop')).toEqual(['phone 3']);
  });
});
