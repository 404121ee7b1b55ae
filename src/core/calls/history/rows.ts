import type { CallRecord } from '@/core/calls/exchange';
import { shiftLocalDays, startOfLocalDay } from '@/core/shared/time';

/** A line of the history: the head of a day, or a record of it. */
export type HistoryRow = { kind: 'day'; day: number; count: number } | { kind: 'record'; record: CallRecord };

/** Puts newest-first records under heads of their local days. `day` is the day's first instant. */
export function groupByDay(records: readonly CallRecord[], zone: string): HistoryRow[] {
  const rows: HistoryRow[] = [];
  let head: HistoryRow & { kind: 'day' } = { kind: 'day', day: Infinity, count: 0 };
  let nextDay = Infinity;
  for (const record of records) {
    if (record.startedAt < head.day || record.startedAt >= nextDay) {
      const day = startOfLocalDay(record.startedAt, zone);
      nextDay = shiftLocalDays(day, 1, zone);
      head = { kind: 'day', day, count: 0 };
      rows.push(head);
    }
    head.count++;
    rows.push({ kind: 'record', record });
  }
  return rows;
}
