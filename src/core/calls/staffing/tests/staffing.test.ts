import fc from 'fast-check';

import type { FigureCall } from '@/core/calls/figures';
import { erlangB, erlangC, membersFor, serviceOf, trafficOf, type Traffic } from '..';
import { simulate } from './simulateQueue';

describe('Erlang B', () => {
  // The traffic table of every teletraffic textbook at a grade of service of 1 % (such as ITU-D SG 2, Teletraffic Engineering Handbook, 2005).
  it.each([
    [5, 1.361],
    [10, 4.461],
    [20, 12.03],
    [50, 37.9],
    [100, 84.06],
  ])('%i lines lose one call of a hundred at %d erlang', (lines, erlangs) => {
    expect(erlangB(lines, erlangs)).toBeCloseTo(0.01, 4);
  });
});

describe('Erlang C', () => {
  it.each([
    // By hand: with one server it is the load itself, with two ρ²·2/(1+ρ).
    [1, 0.5, 0.5],
    [2, 1, 1 / 3],
    [3, 2, 4 / 9],
  ])('%i members with %d erlang', (members, erlangs, waits) => {
    expect(erlangC(members, erlangs)).toBeCloseTo(waits, 12);
  });

  it('gives the mean wait of M/M/1', () => {
    const traffic = { callsPerHour: 12, handleSeconds: 150, patienceSeconds: null };
    // ρ/(μ-λ), with ρ 0.5 and a call each 300 s.
    expect(serviceOf(traffic, 1, 20).meanWaitSeconds).toBeCloseTo(150, 9);
  });

  it('says that nobody is taken in time where there is more to do than members can', () => {
    const traffic = { callsPerHour: 60, handleSeconds: 180, patienceSeconds: null };
    expect(serviceOf(traffic, 2, 20)).toMatchObject({
      takenInTime: 0,
      waits: 1,
      busy: 1,
      meanWaitSeconds: Infinity,
    });
  });
});

describe('Erlang A', () => {
  const traffic: Traffic = { callsPerHour: 60, handleSeconds: 180, patienceSeconds: 120 };

  it('becomes Erlang C where callers bear nearly anything', () => {
    for (const members of [4, 5, 8]) {
      const endless = serviceOf({ ...traffic, patienceSeconds: null }, members, 20);
      const patient = serviceOf({ ...traffic, patienceSeconds: 1e7 }, members, 20);
      expect(patient.takenInTime).toBeCloseTo(endless.takenInTime, 3);
      expect(patient.meanWaitSeconds).toBeCloseTo(endless.meanWaitSeconds, 0);
    }
  });

  it('becomes Erlang B where nobody bears anything', () => {
    expect(serviceOf({ ...traffic, patienceSeconds: 1e-6 }, 4, 20).gaveUp).toBeCloseTo(erlangB(4, 3), 6);
  });

  it('all calls are taken or given up, and what is taken keeps the members busy', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 10, max: 900, noNaN: true }),
        fc.double({ min: 5, max: 3000, noNaN: true }),
        (members, callsPerHour, handleSeconds, patienceSeconds) => {
          const of = (within: number) =>
            serviceOf({ callsPerHour, handleSeconds, patienceSeconds }, members, within);
          const service = of(20);
          for (const share of [service.takenInTime, service.gaveUp, service.waits, service.busy]) {
            expect(share).toBeGreaterThanOrEqual(-1e-9);
            expect(share).toBeLessThanOrEqual(1 + 1e-9);
          }
          // In the end whoever has not given up is taken.
          expect(of(1e9).takenInTime).toBeCloseTo(1 - service.gaveUp, 6);
          expect(of(40).takenInTime).toBeGreaterThanOrEqual(service.takenInTime - 1e-9);
        },
      ),
    );
  });

  it('more members never do worse', () => {
    const shares = Array.from({ length: 12 }, (_, members) => serviceOf(traffic, members, 20).takenInTime);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares[0]).toBe(0);
  });

  it('stands up to five hundred members at full load', () => {
    const service = serviceOf({ callsPerHour: 10_000, handleSeconds: 180, patienceSeconds: 120 }, 500, 20);
    expect(service.takenInTime).toBeGreaterThan(0.5);
    expect(service.takenInTime).toBeLessThan(1);
  });
});

describe('against the exchange itself', () => {
  // Seeded; batch means of 20 stretches, at 99 %.
  it.each<[string, Traffic, number]>([
    ['a small team that keeps up', { callsPerHour: 40, handleSeconds: 180, patienceSeconds: 150 }, 3],
    ['one member too few', { callsPerHour: 60, handleSeconds: 180, patienceSeconds: 90 }, 2],
  ])('%s', (_, traffic, members) => {
    const formula = serviceOf(traffic, members, 20);
    const { inTime, gaveUp } = simulate(traffic, members, 20, { calls: 6_000, seed: 11 });
    expect(Math.abs(inTime.mean - formula.takenInTime)).toBeLessThan(inTime.halfWidth);
    expect(Math.abs(gaveUp.mean - formula.gaveUp)).toBeLessThan(gaveUp.halfWidth);
    // A wide interval would prove nothing.
    expect(inTime.halfWidth).toBeLessThan(0.05);
  });
});

it('says how many are wanted, and that none would do', () => {
  const traffic = { callsPerHour: 60, handleSeconds: 180, patienceSeconds: 120 };
  const members = membersFor(traffic, 0.8, 20) ?? 0;
  expect(serviceOf(traffic, members, 20).takenInTime).toBeGreaterThanOrEqual(0.8);
  expect(serviceOf(traffic, members - 1, 20).takenInTime).toBeLessThan(0.8);
  expect(membersFor({ ...traffic, callsPerHour: 1e6 }, 0.8, 20)).toBeNull();
});

describe('the traffic of calls', () => {
  const call = (waited: number, talked: number | null): FigureCall => ({
    ...{
      id: '',
      at: 0,
      lineId: null,
      teamIds: [],
      keys: [],
      takenById: null,
      missedByIds: [],
      recordings: [],
      stops: [],
      end: 'taken',
    },
    ...{ number: null, name: null, takenAt: talked === null ? null : waited * 1000 },
    endedAt: (waited + (talked ?? 0)) * 1000,
    ended: talked === null ? 'abandoned' : 'taken',
  });

  it('is how many come, how long they take, and what they bear', () => {
    const calls = [call(10, 100), call(20, 200), call(30, null)];
    expect(trafficOf(calls, 2, 15)).toEqual({ callsPerHour: 1.5, handleSeconds: 165, patienceSeconds: 60 });
  });

  it('is not guessed where nobody was taken, nor patience where nobody gave up', () => {
    expect(trafficOf([call(30, null)], 1, 15)).toBeNull();
    expect(trafficOf([call(10, 100)], 1, 15)?.patienceSeconds).toBeNull();
  });
});
