import { findWords } from '@/core/shared/textSearch';
import type { CallRecord } from '@/core/calls/exchange';
import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import { afterRecord, looseEndsOf, orderOf, usualWeights, waitingAfter } from '@/core/inbox/looseEnds';
import { PeopleIndex } from '@/core/people/contacts';
import { emptyOffice, OfficeIndex } from '@/core/setup';
import { peaksOf } from '@/core/shared/soundFiles';

import type { Figure } from './figures';

const now = Date.UTC(2026, 10, 26, 10, 40);
const count = 100_000;
const dayMs = 24 * 3_600_000;
const hours = {
  windows: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
  daysOff: [],
  zone: 'Europe/London',
};

const office = new OfficeIndex(emptyOffice);
const people = new PeopleIndex(office, []);

/** Of three people one is reached, as in a firm that answers most; 400 of them try again and again. */
function recordOf(index: number): CallRecord {
  const startedAt = now - (count - index) * ((90 * dayMs) / count);
  const number = `+4419149${String(80000 + ((index * 7919) % 400))}`;
  const isReached = index % 3 === 2;
  return testRecord({
    ...{ id: `r${index}`, callId: `c${index}`, personId: 'maren' },
    ...{ startedAt, answeredAt: isReached ? startedAt : null, endedAt: startedAt + 60_000 },
    outcome: isReached ? 'answered' : 'missed',
    other: { number, name: null, personId: null },
    messageMs: !isReached && index % 5 === 0 ? 20_000 : 0,
  });
}

const ms = (run: () => void): number => {
  const begun = performance.now();
  run();
  return performance.now() - begun;
};
const best = (run: () => void, times = 5) => Math.min(...Array.from({ length: times }, () => ms(run)));
const round = (value: number) => Math.round(value * 100) / 100;

const wordsOf = ['gate', 'weir', 'logger', 'mast', 'battery', 'read-out', 'hut', 'lane', 'sluice', 'beck'];
/** Sentences of a dozen words; one in a thousand says "gate code". */
const sentences = Array.from({ length: count }, (_, index) => ({
  item: index,
  text: `${Array.from({ length: 12 }, (__, at) => wordsOf[(index * 31 + at * 17) % wordsOf.length]).join(' ')} ${index} ${index % 1000 === 0 ? 'gate code' : ''}`,
}));

/** The longest of the searches for what is typed letter by letter. */
function worstKey(typed: string): number {
  let worst = 0;
  for (let length = 1; length <= typed.length; length++)
    worst = Math.max(
      worst,
      ms(() => findWords(typed.slice(0, length), sentences, 60)),
    );
  return worst;
}

export async function benchInbox(): Promise<Figure[]> {
  const records = Array.from({ length: count }, (_, index) => recordOf(index));
  let rows = waitingAfter(records, 'maren', office);
  const rebuilt = best(() => {
    rows = waitingAfter(records, 'maren', office);
  });
  const [first, ...others] = rows;
  if (!first) throw new Error('Nobody waits');
  const parts = { followUps: [], wordsOf: () => null, takenBy: () => null, office, people };
  const endsAfter = (record: CallRecord) =>
    looseEndsOf({ ...parts, rows: [afterRecord(first, record, office), ...others] });
  const updated = best(() => {
    for (let time = 0; time < 20; time++) {
      const { open } = endsAfter({ ...recordOf(count), id: `one${time}` });
      orderOf(open, usualWeights, hours, 'maren', now);
    }
  });
  const { open } = endsAfter(recordOf(count));
  worstKey('gate code');
  const hour = new Float32Array(3600 * 8000).map((_, index) => Math.sin(index / 7) * ((index % 9000) / 9000));
  const kept = JSON.stringify(rows).length;
  return [
    {
      name: 'who waits counted from 100,000 records',
      value: round(rebuilt),
      unit: 'ms',
      aim: 'under 500 ms',
      most: 500,
    },
    {
      name: 'who waits and their order after one call more',
      value: round(updated / 20),
      unit: 'ms',
      aim: 'under 2 ms',
      most: 2,
    },
    {
      name: `kept of them, ${open.length} people waiting`,
      value: Math.round(kept / 1024),
      unit: 'KB',
      aim: 'not growing with history',
    },
    {
      name: 'search in 100,000 texts, worst key of "gate code"',
      value: round(worstKey('gate code')),
      unit: 'ms',
      aim: 'under 50 ms',
      most: 50,
    },
    {
      name: 'waveform of an hour of sound',
      value: round(best(() => peaksOf(hour, 1000), 3)),
      unit: 'ms',
      aim: 'under 300 ms',
      most: 300,
    },
  ];
}
