import Papa from 'papaparse';
import { FORMULA } from '@apple-cart/contracts/csv';
import { fail, ok, type Issue, type Result } from '@apple-cart/core';

/** What a table that is read may have at most: characters in all, columns, rows, and characters in a cell. */
export const CSV_LIMITS = { characters: 4_000_000, columns: 200, rows: 100_000, cell: 20_000 } as const;

/** A row of a table with the line of the file that it begins on. */
interface TableRow {
  readonly line: number;
  readonly cells: Readonly<Record<string, string>>;
}

/** A table as read from a file: its columns, and its rows. */
export interface CsvTable {
  readonly columns: readonly string[];
  readonly rows: readonly TableRow[];
}

interface Line {
  readonly line: number;
  readonly cells: readonly string[];
}

/** Ends the parse at the first thing that is beyond the limits. */
class Beyond extends Error {
  readonly issue: Issue;
  constructor(issue: Issue) {
    super(issue.limit);
    this.issue = issue;
  }
}

const tooMuch = (line: number, actual: number, most: number, what: string): Beyond =>
  new Beyond({
    code: 'size',
    path: `line ${String(line)}`,
    actual,
    limit: `at most ${String(most)} ${what}`,
  });

/** A cell as it was before it was marked. */
const unmarked = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell;

/** What stands between the heads most often, outside of quotes: in the rows below it may be a decimal comma. */
export function separatorOf(text: string): ',' | ';' | '\t' {
  const head = /\S[^\r\n]*/.exec(text.slice(0, CSV_LIMITS.columns * CSV_LIMITS.cell))?.[0] ?? '';
  const bare = head.replace(/"[^"]*"/g, '');
  const count = (separator: string): number => bare.split(separator).length;
  return ([';', '\t'] as const).reduce<',' | ';' | '\t'>(
    (most, one) => (count(one) > count(most) ? one : most),
    ',',
  );
}

/** The lines of a file that hold anything, each with its number; a line end inside quotes counts too. */
function linesOf(text: string): readonly Line[] {
  const lines: Line[] = [];
  let [line, cursor, read] = [1, 0, 0];
  const { columns, rows, cell: longest } = CSV_LIMITS;
  Papa.parse<string[]>(text, {
    delimiter: separatorOf(text),
    step: ({ data, meta }) => {
      const begins = line;
      for (; cursor < meta.cursor; cursor += 1) {
        const character = text[cursor];
        if (character === '\n' || (character === '\r' && text[cursor + 1] !== '\n')) line += 1;
      }
      if (data.length > columns) throw tooMuch(begins, data.length, columns, 'columns');
      const long = data.find((c) => c.length > longest);
      if (long !== undefined) throw tooMuch(begins, long.length, longest, 'characters in a cell');
      read += 1;
      if (read > rows) throw tooMuch(begins, read, rows, 'rows');
      if (data.every((c) => c.trim() === '')) return;
      lines.push({ line: begins, cells: data.map(unmarked) });
    },
  });
  return lines;
}

/** The columns by their names, or by their places where they have none. Two of one name are refused. */
function columnsOf(head: Line): Result<readonly string[]> {
  const columns = head.cells.map((name, i) => (name.trim() === '' ? `column ${String(i + 1)}` : name.trim()));
  const seen = new Set<string>();
  for (const name of columns) {
    if (seen.has(name))
      return fail({
        code: 'csv',
        path: `line ${String(head.line)}`,
        actual: name,
        limit: 'every column name once',
      });
    seen.add(name);
  }
  return ok(columns);
}

/**
 * Reads separated values (RFC 4180; the separator is found); the first line that holds anything names the columns. A
 * row of more cells than columns is refused, since a decimal comma without quotes makes two numbers of one.
 */
export function readCsv(text: string): Result<CsvTable> {
  const { characters } = CSV_LIMITS;
  if (text.length > characters)
    return fail({
      code: 'size',
      path: '',
      actual: text.length,
      limit: `at most ${String(characters)} characters`,
    });
  let lines: readonly Line[];
  try {
    lines = linesOf(text);
  } catch (problem) {
    if (problem instanceof Beyond) return fail(problem.issue);
    throw problem;
  }
  const [head, ...body] = lines;
  if (head === undefined || body.length === 0)
    return fail({ code: 'missing', path: '', actual: lines.length, limit: 'rows beneath a line of heads' });
  const columns = columnsOf(head);
  if (!columns.ok) return columns;
  const names = columns.value;
  const wide = body.filter(({ cells }) => cells.slice(names.length).some((c) => c.trim() !== ''));
  if (wide.length > 0)
    return fail(
      ...wide.map(({ line, cells }): Issue => ({
        code: 'csv',
        path: `line ${String(line)}`,
        actual: cells.length,
        limit: `at most ${String(names.length)} cells, as many as there are heads`,
      })),
    );
  return ok({
    columns: names,
    rows: body.map(({ line, cells }) => ({
      line,
      cells: Object.fromEntries(names.map((name, i) => [name, cells[i] ?? ''])),
    })),
  });
}
