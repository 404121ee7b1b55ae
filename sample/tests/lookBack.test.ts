import { sampleOffice } from '..';
import { generateHistory } from '../history';

import { OfficeIndex, type RingPlan } from '@/core/setup';
import { pastCallsOf } from '@/core/calls/pastCalls';
import { lookBack, type PastCall } from '@/core/plans/lookBack';

const now = Date.UTC(2026, 10, 26, 10, 40);
const office = new OfficeIndex(sampleOffice);
const plan = office.ringPlans.get('maren')!;
const withPlan = (changed: Partial<RingPlan>) =>
  new OfficeIndex({
    ...sampleOffice,
    ringPlans: [
      { ...plan, ...changed },
      ...sampleOffice.ringPlans.filter(({ personId }) => personId !== 'maren'),
    ],
  });
const rule = (deviceId: string, seconds: number) => ({
  id: 'only',
  name: 'Only',
  lineIds: [],
  stages: [{ targets: [{ deviceId, startSeconds: 0 }], length: { seconds } }],
  finish: { kind: 'mailbox' as const, personId: 'maren' },
});
const call = (more: Partial<PastCall> = {}): PastCall => ({
  id: 'c',
  at: now,
  lineId: 'field',
  caller: { number: '+441914980117', personId: null },
  situationId: 'site',
  waitedSeconds: 9,
  reachedFinish: false,
  answered: { deviceId: 'maren-app', number: null, afterSeconds: 9 },
  presentAt: [],
  isOnCall: false,
  ...more,
});
const outcome = (changed: OfficeIndex, calls: PastCall[]) => {
  const result = lookBack(office, changed, 'maren', calls);
  return result && { before: result.before, after: result.after, differing: result.differences.length };
};

describe('looking back', () => {
  it('finds nothing different in the plan that is in force', () => {
    expect(lookBack(office, office, 'maren', [call(), call({ answered: null })])?.differences).toEqual([]);
  });

  it('takes a call from who took it, where their phone no longer rings long enough', () => {
    expect(outcome(withPlan({ rules: [rule('maren-app', 8)] }), [call()])).toMatchObject({
      before: { taken: 1 },
      after: { taken: 0, finish: 1 },
      differing: 1,
    });
    expect(outcome(withPlan({ rules: [rule('maren-app', 10)] }), [call()])).toMatchObject({
      after: { taken: 1 },
      differing: 0,
    });
  });

  it('lets a phone take it where its owner is known to have been, and is not on a call', () => {
    const missed = call({
      answered: null,
      waitedSeconds: 20,
      presentAt: [{ deviceId: 'maren-mobile', reactionSeconds: 6 }],
    });
    const late = withPlan({
      rules: [
        {
          ...rule('maren-mobile', 30),
          stages: [{ targets: [{ deviceId: 'maren-mobile', startSeconds: 15 }], length: { seconds: 40 } }],
        },
      ],
    });
    expect(outcome(withPlan({ rules: [rule('maren-mobile', 30)] }), [missed])).toMatchObject({
      after: { taken: 1 },
    });
    expect(outcome(late, [missed])).toMatchObject({ after: { left: 1 } });
    expect(
      outcome(withPlan({ rules: [rule('maren-mobile', 30)] }), [{ ...missed, isOnCall: true }]),
    ).toMatchObject({ after: { taken: 0 } });
  });

  it('asks the situation of then, and counts earlier tries', () => {
    const offDuty = withPlan({ rules: [{ ...rule('maren-app', 20), when: { situationIds: ['off'] } }] });
    expect(outcome(offDuty, [call(), call({ situationId: 'off' })])).toMatchObject({
      after: { taken: 1, finish: 1 },
    });
    const repeated = withPlan({
      rules: [
        { ...rule('maren-app', 20), when: { callers: [{ kind: 'repeated', times: 1, withinMinutes: 10 }] } },
      ],
    });
    expect(
      outcome(repeated, [call(), call({ at: now + 300_000 }), call({ at: now + 2_000_000 })]),
    ).toMatchObject({ after: { taken: 1 } });
  });

  it('tells how far it is, and stops when told to', () => {
    const shares: number[] = [];
    const calls = Array.from({ length: 5000 }, (_, index) => call({ id: String(index) }));
    lookBack(office, office, 'maren', calls, { onProgress: (share) => void shares.push(share) });
    expect(shares).toEqual([0, 0.4, 0.8, 1]);
    expect(lookBack(office, office, 'maren', calls, { onProgress: () => false })).toBeNull();
  });

  it('agrees with what really happened in the sample’s ninety days', () => {
    const calls = pastCallsOf(generateHistory(now).records, 'maren', office);
    const result = lookBack(office, office, 'maren', calls);
    const reallyTaken = calls.filter(
      ({ answered }) => answered?.deviceId?.startsWith('maren') ?? false,
    ).length;
    expect(calls.length).toBeGreaterThan(500);
    // Where nobody answered then, the plan in force may find the worker at a phone; what was taken stays taken.
    expect(result?.before.taken).toBeGreaterThanOrEqual(reallyTaken);
    expect(new Set(calls.map(({ situationId }) => situationId)).size).toBeGreaterThan(3);
  });
});
