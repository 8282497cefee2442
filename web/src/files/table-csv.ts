import { writeCsv } from '@apple-cart/contracts/csv';
import { formatNumber } from '@apple-cart/core';

/** A column of a table: its name with its unit, and the decimals that a reader is shown. */
export interface Column {
  readonly name: string;
  readonly digits?: number;
}

/** A number as it is, words, or nothing known. */
export type Cell = number | string | undefined;

/** A chart's data as a table: for readers, for screen readers and for files. */
export interface ChartTable {
  readonly columns: readonly Column[];
  readonly rows: readonly (readonly Cell[])[];
}

/** A cell for reading. */
export const cellText = (cell: Cell, { digits = 0 }: Column): string =>
  typeof cell === 'number' ? formatNumber(cell, digits) : (cell ?? '–');

/** More than any value here deserves, and without the noise of binary fractions. */
const SIGNIFICANT = 12;
const raw = (cell: Cell): number | string =>
  typeof cell === 'number' ? Number(cell.toPrecision(SIGNIFICANT)) : (cell ?? '');

/** The table as comma-separated values, for other programs: raw numbers, units in the heads. */
export const tableCsv = ({ columns, rows }: ChartTable): string =>
  writeCsv(
    columns.map((c) => c.name),
    rows.map((row) => row.map(raw)),
  );
