import type { CallRecord } from '../record';

/** For the tests: the record of a call from outside to Ada that nobody took, with what a test makes other. */
export function testRecord(change: Partial<CallRecord> = {}): CallRecord {
  const startedAt = change.startedAt ?? Date.UTC(2026, 10, 26, 10, 40);
  return {
    id: `r${startedAt}`,
    callId: `c${startedAt}`,
    personId: 'ada',
    direction: 'in',
    lineId: null,
    other: { number: '+441914980162', name: null, personId: null },
    startedAt,
    answeredAt: null,
    endedAt: startedAt + 30_000,
    outcome: 'missed',
    cause: 'normalClearing',
    deviceId: null,
    answeredById: null,
    withheld: false,
    digitsSent: '',
    finish: null,
    messageMs: 0,
    path: [],
    trace: null,
    parties: [],
    acts: [],
    waits: [],
    course: [],
    recordings: [],
    costMicros: 0,
    ...change,
  };
}
