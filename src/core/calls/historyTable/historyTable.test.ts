import fc from 'fast-check';
import Papa from 'papaparse';

import type { CallRecord } from '@/core/calls/exchange';
import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import { emptyOffice, OfficeIndex } from '@/core/setup';
import { byHour, fitsFilter, historyCsv, historyMarks, isFiltering, sumsOf, type HistoryFilter } from '.';

const now = Date.UTC(2026, 10, 26, 10, 40);
const office = new OfficeIndex({
  ...emptyOffice,
  lines: [
    {
      id: 'field',
      name: 'Field, "service"',
      number: '+441314960120',
      cord: { hue: 0, stroke: 'solid' },
      urgent: false,
      ownerId: 'ada',
    },
  ],
});

const record = (change: Partial<CallRecord> = {}) =>
  testRecord({
    id: 'r',
    lineId: 'field',
    other: { number: '+441914980162', name: '=HYPERLINK("x")', personId: null },
    ...change,
  });
const talked = record({ id: 't', outcome: 'answered', answeredAt: now + 5_000, endedAt: now + 65_000 });
const out = record({
  id: 'o',
  direction: 'out',
  outcome: 'answered',
  answeredAt: now,
  endedAt: now + 10_000,
  costMicros: 9_000,
});
const message = record({ id: 'm', messageMs: 25_000, lineId: 'other', startedAt: now - 86_400_000 });
const colleague = record({ id: 'k', other: { number: '201', name: 'Ben', personId: 'ben' } });
const all = [talked, out, message, colleague];
const ids = (filter: HistoryFilter) =>
  all
    .filter((each) => fitsFilter(each, filter))
    .map(({ id }) => id)
    .join('');

describe('a filter of the history', () => {
  it.each<[HistoryFilter, string]>([
    [{}, 'tomk'],
    [{ directions: ['out'] }, 'o'],
    [{ directions: ['in', 'out'] }, 'tomk'],
    [{ marks: ['untaken'] }, 'mk'],
    [{ marks: ['untaken'], directions: ['out'] }, ''],
    [{ marks: ['untaken', 'voicemail'] }, 'm'],
    [{ marks: ['voicemail', 'costs'] }, ''],
    [{ lineIds: ['other'] }, 'm'],
    [{ personIds: ['ben'] }, 'k'],
    [{ numbers: ['+441914980162'], personIds: ['ben'] }, 'tomk'],
    [{ from: now }, 'tok'],
    [{ to: now }, 'm'],
    [{ leastTalkMs: 30_000 }, 't'],
    [{ outcomes: ['answered'] }, 'to'],
    [{ outcomes: ['missed', 'notReached'] }, 'mk'],
    [{ outcomes: ['byColleague'] }, ''],
    [{ teamIds: ['yard'] }, ''],
    [{ leastTalkMs: 1, mostTalkMs: 30_000 }, 'o'],
    [{ directions: ['in'], lineIds: ['field'], from: now }, 'tk'],
  ])('%j lets through %s', (filter, expected) => expect(ids(filter)).toBe(expected));

  it('lets through fewer calls with each part that is asked for', () => {
    const part = fc.record(
      {
        directions: fc.subarray(['in' as const, 'out' as const], { minLength: 1 }),
        marks: fc.subarray([...historyMarks], { minLength: 1 }),
        outcomes: fc.subarray(['answered' as const, 'missed' as const], { minLength: 1 }),
        lineIds: fc.subarray(['field', 'other'], { minLength: 1 }),
      },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(part, fc.constantFrom('directions', 'marks', 'outcomes', 'lineIds'), (filter, key) => {
        const wider = { ...filter, [key]: undefined };
        for (const each of all) if (fitsFilter(each, filter)) expect(fitsFilter(each, wider)).toBe(true);
      }),
    );
  });

  it('finds who was called and not reached as well as who was not answered', () => {
    const unreached = record({ id: 'u', direction: 'out', outcome: 'noAnswer' });
    expect(fitsFilter(unreached, { directions: ['out'], marks: ['untaken'] })).toBe(true);
    expect(sumsOf([unreached, message])).toMatchObject({ untaken: 1, notReached: 1 });
  });

  it('finds what was sent on, by whomever and whenever', () => {
    const acts = (act: 'forwarded' | 'deflected' | 'transferred' | 'parked') => [
      { at: now, act, byId: null, to: '201' },
    ];
    const isSentOn = (act: Parameters<typeof acts>[0]) =>
      fitsFilter(record({ id: act, acts: acts(act) }), { marks: ['forwarded'] });
    expect((['forwarded', 'deflected', 'transferred', 'parked'] as const).map(isSentOn)).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });

  it('counts a call as recorded as long as one of its recordings was not deleted', () => {
    const recorded = record({ id: 'r', recordings: [{ id: 'sound' }] as never });
    const gone = { id: 'sound', callId: 'c', deletedAt: now, why: 'byHand' as const, isGone: false };
    expect(fitsFilter(recorded, { marks: ['recorded'] })).toBe(true);
    expect(fitsFilter(recorded, { marks: ['recorded'] }, { sound: gone })).toBe(false);
  });

  it('sums up what it lets through', () => {
    expect(sumsOf(all)).toEqual({
      count: 4,
      incoming: 3,
      outgoing: 1,
      untaken: 2,
      notReached: 0,
      voicemails: 1,
      talkMs: 70_000,
      costMicros: 9_000,
    });
  });
});

describe('the history as CSV', () => {
  it('has a head, times with their offset, and no cell that a spreadsheet would run', () => {
    const [head, row] = historyCsv([out], office, () => '=Cawder').split('\r\n');
    expect(head).toBe(
      'began,ended,direction,outcome,line,number,name,talked (s),message (s),device,cost (GBP),recordings',
    );
    expect(row).toBe(
      `2026-11-26T10:40:00+00:00,2026-11-26T10:40:10+00:00,out,Called,"Field, ""service""",0191 498 0162,'=Cawder,10,0,,0.0090,0`,
    );
  });

  it('of no calls has its head all the same', () =>
    expect(historyCsv([], office, () => '')).toMatch(/^began,ended,direction/));

  it('comes back cell by cell, whatever stands in it', () => {
    const name = fc.oneof(
      fc.string(),
      fc.constantFrom('=1+1', '@x', '-2', '+3', 'a"b', 'line\nbreak', 'a,b'),
    );
    fc.assert(
      fc.property(fc.array(name, { minLength: 1, maxLength: 5 }), (names) => {
        const written = historyCsv(
          names.map((each) => record({ other: { number: null, name: each, personId: null } })),
          office,
          ({ other }) => other.name ?? '',
        );
        const { data, errors } = Papa.parse<Record<string, string>>(written, { header: true });
        expect(errors).toEqual([]);
        data.forEach((row, index) => {
          const own = row['name'] ?? '';
          expect(own.replace(/^'/, '')).toBe((names[index] ?? '').replace(/^'/, ''));
          expect(own).not.toMatch(/^[=+\-@\t\r]/);
        });
      }),
    );
  });
});

it('a filter holds something back when any part of it is set', () => {
  expect(isFiltering({})).toBe(false);
  expect(isFiltering({ marks: [], from: undefined })).toBe(false);
  expect(isFiltering({ lineIds: ['field'] })).toBe(true);
  expect(isFiltering({ from: 0 })).toBe(true);
});

it('calls are counted by the hour of the local day in which they began', () => {
  const hours = byHour(all, 'Europe/London');
  expect(hours).toHaveLength(24);
  expect(hours[10]).toEqual({ incoming: 3, untaken: 2 });
  expect(hours.reduce((sum, { incoming }) => sum + incoming, 0)).toBe(3);
});
