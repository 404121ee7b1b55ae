import fc from 'fast-check';

import type { CallRecord } from '@/core/calls/exchange';
import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import { emptyOffice, OfficeIndex } from '@/core/setup';
import { shiftLocalDays, startOfLocalDay } from '@/core/shared/time';
import { describeOutcome, describeRoute, groupByDay, isUntaken, talkMs, triesToday } from '.';

const zone = 'Europe/London';
const now = Date.UTC(2026, 10, 26, 10, 40);
const minute = 60_000;

const office = new OfficeIndex({
  ...emptyOffice,
  name: 'Test office',
  zone,
  people: [
    { id: 'ada', name: 'Ada', role: 'field', extension: '214', presentedLineId: 'field' },
    { id: 'ben', name: 'Ben', role: 'dispatch', extension: '201', presentedLineId: 'field' },
  ],
  devices: [{ id: 'ada-app', personId: 'ada', kind: 'app', name: 'app', callLimit: 2 }],
});

const record = (startedAt: number, change: Partial<CallRecord> = {}) => testRecord({ startedAt, ...change });

describe('days', () => {
  it('every record stands once, under its own local day, in the order it came', () => {
    const anyStart = fc.integer({ min: Date.UTC(2026, 2, 20), max: Date.UTC(2026, 10, 20) });
    fc.assert(
      fc.property(fc.array(anyStart, { maxLength: 40 }), (starts) => {
        const records = starts.sort((a, b) => b - a).map((at) => record(at));
        let day = 0;
        const seen: CallRecord[] = [];
        let counted = 0;
        for (const row of groupByDay(records, zone)) {
          if (row.kind === 'day') {
            day = row.day;
            counted += row.count;
            continue;
          }
          expect(startOfLocalDay(row.record.startedAt, zone)).toBe(day);
          expect(row.record.startedAt).toBeLessThan(shiftLocalDays(day, 1, zone));
          seen.push(row.record);
        }
        expect(seen).toEqual(records);
        expect(counted).toBe(records.length);
      }),
    );
  });
});

describe('tries today', () => {
  const other = { number: '+447700900123', name: null, personId: null };
  const records = [
    record(now - 6 * minute),
    record(now - 20 * minute, { outcome: 'refused' }),
    record(now - 30 * minute, { other }),
    record(now - 50 * minute, { outcome: 'answered', answeredAt: now - 49 * minute }),
    record(now - 55 * minute, { direction: 'out' }),
    record(now - 26 * 60 * minute),
  ];

  it('counts calls in from that number since local midnight', () => {
    expect(triesToday(records, '+441914980162', now, zone)).toEqual({
      count: 2,
      lastAt: now - 6 * minute,
    });
  });

  it('cannot tell withheld callers apart, so it counts none', () => {
    expect(triesToday(records, null, now, zone)).toEqual({ count: 0, lastAt: null });
  });
});

describe('in words', () => {
  it('what became of a call', () => {
    expect(describeOutcome(record(now), office)).toBe('Missed');
    expect(describeOutcome(record(now, { outcome: 'answeredByOther', answeredById: 'ben' }), office)).toBe(
      'Taken by Ben',
    );
    const out = record(now, {
      direction: 'out',
      outcome: 'answered',
      answeredAt: now + 5000,
      endedAt: now + 65_000,
    });
    expect(describeOutcome(out, office)).toBe('Called');
    expect(talkMs(out)).toBe(60_000);
    expect(isUntaken(out)).toBe(false);
    expect(isUntaken(record(now, { outcome: 'refused' }))).toBe(true);
    const takenByBen = record(now, { outcome: 'refused', answeredById: 'ben' });
    expect(describeOutcome(takenByBen, office)).toBe('Refused, taken by Ben');
    expect(isUntaken(takenByBen)).toBe(false);
  });

  it('for whom it was, and who called in somebody’s name', () => {
    const answered = { outcome: 'answered', answeredAt: now + 5000 } as const;
    const out = { ...answered, direction: 'out' } as const;
    const said = (more: Parameters<typeof record>[1]) => describeOutcome(record(now, more), office);
    expect(said({ ...answered, forId: 'ben' })).toBe('Answered for Ben');
    expect(said({ forId: 'ben' })).toBe('Missed, for Ben');
    expect(said({ ...out, forId: 'ben' })).toBe('Called for Ben');
    expect(said({ ...out, byId: 'ben' })).toBe('Ben called in their name');
  });

  it('why it went so', () => {
    const finish = { kind: 'mailbox', personId: 'ada' } as const;
    const sentences = describeRoute(
      record(now, {
        finish,
        messageMs: 41_000,
        path: [{ deviceId: 'ada-app', number: null, fromSeconds: 0, toSeconds: 25, ended: 'rangOut' }],
        trace: {
          ownerId: 'ada',
          lineId: null,
          legs: [],
          finish,
          finishSeconds: 25,
          steps: [
            { kind: 'ruleSkipped', rule: 'Flood desk', reason: 'otherLine' },
            { kind: 'ruleTaken', rule: 'Any call', reason: 'anyLine' },
            { kind: 'deviceSkipped', number: null, deviceId: 'gone', stage: 0, reason: 'notSignedIn' },
          ],
        },
      }),
      office,
    );
    expect(sentences).toEqual([
      'Rule “Flood desk” did not fit: it is for another line.',
      'Rule “Any call” decided, since it fits any line.',
      'A device no longer here did not ring: it was not signed in.',
      'Ada’s app rang from second 0 to 25 and its time was over.',
      'The finish was Ada’s mailbox, where a message of 0:41 was left.',
    ]);
  });
});
