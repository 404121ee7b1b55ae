import type { CallRecord } from '../exchange';
import { startOfLocalDay } from '../time';

export interface TriesToday {
  /** Calls in from that number since local midnight. */
  count: number;
  /** How many of them nobody took. */
  untaken: number;
  lastAt: number | null;
}

/** How often somebody has called in today. `records` newest first; withheld callers can't be told apart. */
export function triesToday(
  records: readonly CallRecord[],
  number: string | null,
  now: number,
  zone: string,
): TriesToday {
  const tries: TriesToday = { count: 0, untaken: 0, lastAt: null };
  if (number === null) return tries;
  const midnight = startOfLocalDay(now, zone);
  for (const record of records) {
    if (record.startedAt < midnight) break;
    if (record.direction !== 'in' || record.other.number !== number) continue;
    tries.count++;
    if (record.outcome === 'missed' || record.outcome === 'refused') tries.untaken++;
    tries.lastAt ??= record.startedAt;
  }
  return tries;
}
