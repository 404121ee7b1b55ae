import type { CallRecord } from '@/core/calls/exchange';

const dayMs = 86_400_000;
/** After so long a call counts half. */
const halfLifeDays = 14;
/** What is older than this many calls does not matter any more. */
const mostRecords = 3_000;

/**
 * How much each number is used: the calls with it, each counting half as much after two weeks. Frequency and recency
 * in one figure, so that a call a minute ago stands before one of last month, and ten of last month before one.
 *
 * @param records newest first
 * @returns by number (E.164 or extension), 1 for one call just now
 */
export function usageOf(
  records: Iterable<Pick<CallRecord, 'startedAt' | 'other'>>,
  now: number,
): Map<string, number> {
  const usage = new Map<string, number>();
  let count = 0;
  for (const { startedAt, other } of records) {
    if (count++ === mostRecords) break;
    if (other.number === null) continue;
    const days = Math.max(0, now - startedAt) / dayMs;
    usage.set(other.number, (usage.get(other.number) ?? 0) + 2 ** (-days / halfLifeDays));
  }
  return usage;
}
