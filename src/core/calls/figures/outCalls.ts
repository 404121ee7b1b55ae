import type { CallRecord } from '@/core/calls/exchange';

/** A call to a number outside. Money in millionths of the office's currency. */
export interface OutCall {
  number: string;
  /** Who called. */
  personId: string;
  at: number;
  costMicros: number;
}

/** The calls to whole numbers outside of a span (epoch milliseconds: from, before), each as its caller's record tells it. */
export function outCalls(
  records: Iterable<CallRecord>,
  { from, until }: { from: number; until: number },
): OutCall[] {
  const found: OutCall[] = [];
  for (const { direction, other, personId, startedAt, costMicros } of records) {
    if (direction !== 'out' || startedAt < from || startedAt >= until) continue;
    const { number } = other;
    if (number?.startsWith('+')) found.push({ number, personId, at: startedAt, costMicros });
  }
  return found;
}
