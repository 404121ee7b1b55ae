import Papa from 'papaparse';

/** A cell: as a number it is one; as text it is never more than text to a spreadsheet. */
export type Cell = string | number;

/**
 * A table as CSV (RFC 4180: commas, quotes doubled, lines ended by CRLF). A cell that a spreadsheet would run as a formula
 * begins with an apostrophe, as does one that began with an apostrophe before such (see `unguarded`); a telephone number
 * is left as it is.
 */
export function writeTable(heads: readonly string[], rows: readonly (readonly Cell[])[]): string {
  const guard = (cell: Cell) => (typeof cell === 'number' ? cell : guarded(cell));
  return Papa.unparse([heads.map(guarded), ...rows.map((row) => row.map(guard))], { newline: '\r\n' });
}

/** What spreadsheets take for the beginning of a formula, also behind blanks, line ends and our own guard. */
const formula = /^(?:[\t\r\n]|['\s]*[=+\-@|%\uFF1D\uFF0B\uFF0D\uFF20])/u;
const telephone = /^\+\d[\d ]{4,}(?:[ ;]ext[ =]\d{1,8})?$/;

const guarded = (text: string): string => (formula.test(text) && !telephone.test(text) ? `'${text}` : text);

/** A cell as it was before `writeTable` guarded it. */
export const unguarded = (text: string): string =>
  text.startsWith("'") && guarded(text.slice(1)) === text ? text.slice(1) : text;
