import { writeTable } from '@/core/shared/tables';
import type { FigureRow, Grouping } from './figures';

/** Figures as CSV, lengths in seconds, the share taken in time in per cent. `wordOf` says what a row is of. */
export function figuresCsv(
  rows: readonly FigureRow[],
  by: Grouping,
  withinSeconds: number,
  wordOf: (key: string) => string,
): string {
  const heads = [
    ...[by, 'calls', 'taken', 'gave up', 'went on'],
    ...['wait, mean (s)', 'wait, median (s)', 'wait, 90 of 100 (s)', 'wait, longest (s)'],
    ...['talked (s)', `within ${withinSeconds} s (%)`],
  ];
  const seconds = (ms: number | null) => (ms === null ? '' : Math.round(ms / 1000));
  return writeTable(
    heads,
    rows.map((row) => [
      ...[wordOf(row.key), row.calls, row.taken, row.abandoned, row.overflowed],
      ...[row.meanWaitMs, row.medianWaitMs, row.ninetiethWaitMs, row.longestWaitMs, row.talkMs].map(seconds),
      row.serviceLevel === null ? '' : Math.round(row.serviceLevel * 1000) / 10,
    ]),
  );
}
