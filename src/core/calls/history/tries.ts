import type { CallRecord } from '@/core/calls/exchange';
import { startOfLocalDay } from '@/core/shared/time';
import { isUntaken } from './recordWords';

export interface TriesToday {
  /** Calls in from that number since local midnight that nobody took; one that was answered is no try. */
  count: number;
  lastAt: number | null;
}

/** How often somebody has tried in vain today. `records` newest first; withheld callers can't be told apart. */
export function triesToday(
  records: readonly CallRecord[],
  number: string | null,
  now: number,
  zone: string,
): TriesToday {
  const tries: TriesToday = { count: 0, lastAt: null };
  if (number === null) return tries;
  const midnight = startOfLocalDay(now, zone);
  for (const record of records) {
    if (record.startedAt < midnight) break;
    if (record.other.number !== number || !isUntaken(record)) continue;
    tries.count++;
    tries.lastAt ??= record.startedAt;
  }
  return tries;
}
