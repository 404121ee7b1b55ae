/** One measured figure with what was aimed at. */
export interface Figure {
  name: string;
  value: number;
  unit: string;
  aim: string;
  /** The aim as a bound; a figure has one of the two. */
  least?: number;
  most?: number;
}

export const isMet = ({ value, least, most }: Figure) =>
  (least === undefined || value >= least) && (most === undefined || value <= most);

/** The value below which the given share of the samples lies (nearest rank). */
export function percentile(samples: readonly number[], share: number): number {
  const sorted = [...samples].sort((a, b) => a - b);
  return sorted[Math.max(0, Math.ceil(sorted.length * share) - 1)] ?? NaN;
}

export function asTable(figures: readonly Figure[]): string {
  const rows = figures.map((figure) => [
    figure.name,
    `${figure.value.toLocaleString('en-GB')} ${figure.unit}`,
    figure.aim,
    isMet(figure) ? 'met' : 'MISSED',
  ]);
  const widths = [0, 1, 2, 3].map((column) => Math.max(...rows.map((row) => row[column]?.length ?? 0)));
  return rows.map((row) => row.map((cell, column) => cell.padEnd(widths[column] ?? 0)).join('  ')).join('\n');
}
