import fc from 'fast-check';

import { testRecord } from '../exchange/tests/testRecord';
import { callsBehind, callsOf, figuresOf, groupings, type FigureCall, type FiguresAsked } from '.';

const zone = 'Europe/London';
const start = Date.UTC(2026, 10, 26, 10, 40);
const second = 1000;
const minute = 60 * second;

const asked: FiguresAsked = {
  ...{ from: start - 60 * minute, until: start + 60 * minute, by: 'line', withinSeconds: 20, zone },
};

let count = 0;
/** A call that was taken after so many seconds, or given up, or went to a finish. */
const call = (change: Partial<FigureCall> & { waited?: number; talked?: number } = {}): FigureCall => {
  const { waited = 10, talked = 60, ended = 'taken', at = start, ...rest } = change;
  const takenAt = ended === 'taken' ? at + waited * second : null;
  return {
    ...{
      id: `c${count++}`,
      at,
      lineId: 'field',
      teamIds: [],
      keys: [],
      takenById: takenAt === null ? null : 'ada',
    },
    ...{ missedByIds: [], takenAt, endedAt: at + (waited + (takenAt === null ? 0 : talked)) * second, ended },
    ...{ recordings: [], stops: [], end: takenAt === null ? 'gaveUp' : 'taken', number: null, name: null },
    ...rest,
  };
};

describe('figures', () => {
  it('tell how many were taken, given up, and went on; and how long they waited', () => {
    const calls = [
      ...[4, 10, 16, 30].map((waited) => call({ waited })),
      call({ ended: 'abandoned', waited: 12 }),
      call({ ended: 'abandoned', waited: 50 }),
      call({ ended: 'overflowed', waited: 25 }),
    ];
    expect(figuresOf(calls, asked).all).toEqual({
      ...{ calls: 7, taken: 4, abandoned: 2, overflowed: 1 },
      ...{ meanWaitMs: 15_000, medianWaitMs: 10_000, ninetiethWaitMs: 30_000, longestWaitMs: 50_000 },
      ...{ talkMs: 240_000, meanTalkMs: 60_000 },
      // Three in time, of all but who gave up sooner than that.
      serviceLevel: 3 / 6,
    });
  });

  it('are compared with as long a span before', () => {
    const calls = [call(), call({ at: start - 90 * minute }), call({ at: start - 300 * minute })];
    const { all, before } = figuresOf(calls, asked);
    expect([all.calls, before.calls]).toEqual([1, 1]);
  });

  it('of nothing are nothing, and no guess', () => {
    const { all, rows } = figuresOf([], asked);
    expect(all).toMatchObject({ calls: 0, meanWaitMs: null, ninetiethWaitMs: null, serviceLevel: null });
    expect(rows).toEqual([]);
  });

  it('go by what is asked for, times in their order by the wall clock', () => {
    const monday = Date.UTC(2026, 5, 29, 23, 30);
    const calls = [
      call({ at: monday }),
      call({ at: monday - 24 * 60 * minute }),
      call({ at: monday, lineId: null }),
    ];
    const span = { ...asked, from: monday - 48 * 60 * minute, until: monday + minute };
    const keys = (by: FiguresAsked['by']) => figuresOf(calls, { ...span, by }).rows.map(({ key }) => key);
    // In summer it is half past midnight there, on the next day.
    expect(keys('hour')).toEqual(['0']);
    expect(keys('weekday')).toEqual(['1', '2']);
    expect(keys('day')).toEqual(['2026-06-29', '2026-06-30']);
    expect(keys('week')).toEqual(['2026-06-29']);
    expect(keys('month')).toEqual(['2026-06-01']);
    expect(keys('line')).toEqual(['field', '']);
  });

  const anyCall = fc.record({
    at: fc.integer({ min: start - 50 * minute, max: start + 50 * minute }),
    waited: fc.nat(100),
    talked: fc.nat(300),
    ended: fc.constantFrom('taken' as const, 'abandoned' as const, 'overflowed' as const),
    lineId: fc.constantFrom('field', 'direct', null),
    keys: fc.constantFrom<string[]>([], ['1'], ['1', '2']),
  });

  it('of the parts are those of the whole, and the calls behind a row are as many as it says', () => {
    fc.assert(
      fc.property(fc.array(anyCall), fc.constantFrom(...groupings), (given, by) => {
        const calls = given.map((each) => call(each));
        const { all, rows } = figuresOf(calls, { ...asked, by });
        const sum = (field: 'calls' | 'taken' | 'abandoned' | 'overflowed' | 'talkMs') =>
          rows.reduce((total, row) => total + row[field], 0);
        for (const field of ['calls', 'taken', 'abandoned', 'overflowed', 'talkMs'] as const)
          expect(sum(field)).toBe(all[field]);
        expect(all.taken + all.abandoned + all.overflowed).toBe(all.calls);
        for (const { key, calls: number } of rows)
          expect(callsBehind(calls, { ...asked, by }, key)).toHaveLength(number);
      }),
    );
  });
});

describe('the calls of records', () => {
  it('are each one, whosever records they are, taken by whoever took it first', () => {
    const shared = { callId: 'c1', startedAt: start };
    const [one, ...others] = callsOf([
      testRecord({ ...shared, id: 'a', personId: 'ada' }),
      testRecord({
        ...{ ...shared, id: 'b', personId: 'ben', outcome: 'answered', answeredAt: start + 9000 },
        ...{ endedAt: start + 70_000, recordings: [] },
      }),
      testRecord({ ...shared, id: 'c', personId: 'cleo', outcome: 'answeredByOther', answeredById: 'ben' }),
    ]);
    expect(others).toEqual([]);
    expect(one).toMatchObject({
      takenById: 'ben',
      takenAt: start + 9000,
      endedAt: start + 70_000,
      ended: 'taken',
    });
  });

  it('leave out what went out, and what was between colleagues', () => {
    const colleague = { number: '201', name: null, personId: 'ben' };
    expect(callsOf([testRecord({ direction: 'out' }), testRecord({ other: colleague })])).toEqual([]);
  });

  it('tell whether the caller gave up, or was let go on', () => {
    const ended = (change: Parameters<typeof testRecord>[0]) => callsOf([testRecord(change)])[0]?.ended;
    expect(ended({})).toBe('abandoned');
    expect(ended({ finish: { kind: 'mailbox', personId: 'ada' } })).toBe('overflowed');
    const waits = [{ teamId: 'yard', from: start, to: start + 5000, ended: 'overflowed' as const }];
    expect(ended({ waits })).toBe('overflowed');
  });

  it('know the teams and keys by which they came', () => {
    const [one] = callsOf([
      testRecord({
        acts: [{ at: start, act: 'chose', byId: null, to: '2' }],
        waits: [{ teamId: 'yard', from: start, to: start + 5000, ended: 'abandoned' }],
      }),
    ]);
    expect(one).toMatchObject({ keys: ['2'], teamIds: ['yard'] });
  });
});
