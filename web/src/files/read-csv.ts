import Papa from 'papaparse';

/** A table as read from a file: its columns, and its rows with the line each began on. */
export interface CsvTable {
  readonly columns: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: Readonly<Record<string, string>> }[];
}

export type CsvOutcome =
  { readonly ok: true; readonly table: CsvTable } | { readonly ok: false; readonly why: string };

/** Reads comma-separated values; the first row names the columns. */
export function readCsv(text: string): CsvOutcome {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [head, ...body] = parsed.data;
  if (head === undefined || body.length === 0)
    return { ok: false, why: 'The file has no rows beneath its heads.' };
  const twice = head.find((name, i) => head.indexOf(name) !== i);
  if (twice !== undefined) return { ok: false, why: `The column "${twice}" is there twice.` };
  return {
    ok: true,
    table: {
      columns: head.map((name) => name.trim()),
      rows: body.map((cells, i) => ({
        // Empty lines are skipped before they are counted: a file of parts has none between its rows.
        line: i + 2,
        cells: Object.fromEntries(head.map((name, j) => [name.trim(), cells[j] ?? ''])),
      })),
    },
  };
}
