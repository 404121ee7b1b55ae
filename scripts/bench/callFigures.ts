import { callsOf, figuresOf, type FiguresAsked } from '@/core/calls/figures';
import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import type { CallRecord } from '@/core/calls/exchange';

import type { Figure } from './figures';

const minute = 60_000;
const start = Date.UTC(2026, 0, 1);

/** One call each quarter of an hour or so, each with the records of two people. */
function* records(count: number): Generator<CallRecord> {
  for (let index = 0; index < count; index++) {
    const call = Math.floor(index / 2);
    const startedAt = start + call * 5 * minute;
    const isTaken = call % 4 !== 0 && index % 2 === 0;
    yield testRecord({
      ...{ id: `${index}`, callId: `c${call}`, personId: index % 2 === 0 ? 'ada' : 'ben', startedAt },
      ...{
        lineId: `l${call % 7}`,
        outcome: isTaken ? 'answered' : 'missed',
        endedAt: startedAt + 2 * minute,
      },
      answeredAt: isTaken ? startedAt + (call % 40) * 1000 : null,
    });
  }
}

function figuresMs(count: number): number {
  const all = [...records(count)];
  const last = start + (count / 2) * 5 * minute;
  const asked: FiguresAsked = {
    ...{
      from: start + (last - start) / 2,
      until: last,
      by: 'hour',
      withinSeconds: 20,
      zone: 'Europe/London',
    },
  };
  const from = performance.now();
  figuresOf(callsOf(all), asked);
  return Math.round(performance.now() - from);
}

/** Figures by the hour, with the span before, from records to rows. */
export function benchCallFigures(): Figure[] {
  figuresMs(10_000);
  return [
    {
      name: 'figures of 100,000 records',
      value: figuresMs(100_000),
      unit: 'ms',
      aim: 'under 300',
      most: 300,
    },
    {
      name: 'figures of 1,000,000 records',
      value: figuresMs(1_000_000),
      unit: 'ms',
      aim: 'under 3000',
      most: 3000,
    },
  ];
}
