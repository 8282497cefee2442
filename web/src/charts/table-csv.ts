/** A chart's data as a table: for readers, for screen readers and for files. */
export interface ChartTable {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

const cell = (text: string): string => (/[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);

/** The table as comma-separated values by RFC 4180: CRLF line ends, quotes doubled. */
export const tableCsv = ({ columns, rows }: ChartTable): string =>
  [columns, ...rows]
    .map((row) => `${row.map((text) => cell(text.replace('−', '-'))).join(',')}\r\n`)
    .join('');
