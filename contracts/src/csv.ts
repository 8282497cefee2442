import Papa from 'papaparse';

/** Text that a spreadsheet would take for a formula, or that was marked because of it. */
export const FORMULA = /^'*[=+\-@\t\r]/;
const NUMBER = /^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?$/i;

/** A cell as a spreadsheet may open it: what would be a formula is marked as text by an apostrophe. */
const marked = (cell: string): string => (FORMULA.test(cell) && !NUMBER.test(cell) ? `'${cell}` : cell);
/**
 * Separated values by RFC 4180, for other programs: numbers as they are, and text that a spreadsheet would run marked
 * as text; whoever reads it takes the mark off.
 */
export const csvRows = (rows: readonly (readonly (number | string)[])[]): string =>
  `${Papa.unparse(
    rows.map((row) => row.map((c) => (typeof c === 'number' ? c : marked(c)))),
    { newline: '\r\n' },
  )}\r\n`;

/** A table with its heads. */
export const writeCsv = (
  columns: readonly string[],
  rows: readonly (readonly (number | string)[])[],
): string => csvRows([columns, ...rows]);
