import { setImmediate as immediate } from 'node:timers/promises';
import { parse } from 'csv-parse/sync';
import { csvRows } from '@apple-cart/contracts/csv';
import {
  CHANNEL_IDS,
  LogReader,
  fail,
  guessLogColumns,
  headOf,
  ok,
  type ChannelId,
  type Issue,
  type Numbers,
  type Recording,
  type Result,
} from '@apple-cart/core';
import type { LogStore } from '../logs/log-store.ts';

/** So many rows are written before others get their turn, and so many are read of the database at once. */
const SLICE = 512;
const READ = 16 * SLICE;

const isChannel = (name: string): name is ChannelId => CHANNEL_IDS.some((id) => id === name);

/** A value with no more digits than it takes to read the same one back; places and distances to ten. */
function cellOf(value: number | undefined, values: Numbers): number | string {
  if (value === undefined || Number.isNaN(value)) return '';
  if (values instanceof Float64Array) return Number(value.toPrecision(10));
  for (let digits = 6; digits < 9; digits += 1) {
    const short = Number(value.toPrecision(digits));
    if (Math.fround(short) === value) return short;
  }
  return Number(value.toPrecision(9));
}

/** A recording as a table with its units in the heads, part by part. */
export async function* rideCsv(
  logs: LogStore,
  {
    key,
    rows,
    columns,
  }: { readonly key: string; readonly rows: number; readonly columns: readonly string[] },
): AsyncGenerator<Uint8Array> {
  const encoder = new TextEncoder();
  const ids = columns.filter(isChannel);
  yield encoder.encode(csvRows([['Time (s)', ...ids.map(headOf)]]));
  for (let from = 0; from < rows; from += READ) {
    const to = Math.min(rows, from + READ);
    const values = await Promise.all(['seconds', ...ids].map((id) => logs.values(key, id, from, to)));
    if (values.some((column) => column.length !== to - from))
      throw new Error(`recording ${key} was taken away while it was written`);
    for (let at = 0; at < to - from; at += SLICE) {
      await immediate();
      yield encoder.encode(
        csvRows(
          Array.from({ length: Math.min(SLICE, to - from - at) }, (_, i) =>
            values.map((column) => cellOf(column[at + i], column)),
          ),
        ),
      );
    }
  }
}

/** Ends the reading of a table with its reason. */
class Refused extends Error {
  readonly issue: Issue;
  constructor(issue: Issue) {
    super(issue.path);
    this.issue = issue;
  }
}

/** The same read back, whole or not at all. @param most rows at most */
export function rideFromCsv(name: string, data: Uint8Array, most: number): Result<Recording> {
  const refuse = (issue: Omit<Issue, 'path'>, line?: number): never => {
    throw new Refused({ ...issue, path: line === undefined ? name : `${name}: line ${String(line)}` });
  };
  let heads: readonly string[] | undefined;
  let reader: LogReader | undefined;
  let line = 0;
  const take = (row: readonly string[]): null => {
    line += 1;
    if (heads === undefined) {
      heads = row;
      return null;
    }
    if (reader === undefined) {
      const columns = guessLogColumns(heads, row, ',');
      if (columns === undefined)
        return refuse({ code: 'csv', actual: heads.join(), limit: 'a recording with its heads' });
      reader = new LogReader(columns);
    }
    const why = reader.take(row);
    if (why !== undefined) return refuse({ code: 'csv', actual: why, limit: 'a row of a recording' }, line);
    if (reader.rows > most)
      return refuse({ code: 'text', actual: undefined, limit: `at most ${String(most)} rows more` }, line);
    return null;
  };
  try {
    // No row is kept: each is read as it comes.
    parse(Buffer.from(data.buffer, data.byteOffset, data.byteLength), {
      relax_column_count: true,
      max_record_size: 64 * 1024,
      on_record: take,
    });
  } catch (problem) {
    if (problem instanceof Refused) return fail(problem.issue);
    return fail({ code: 'csv', path: name, actual: undefined, limit: 'a table' });
  }
  if (reader === undefined || reader.rows < 2)
    return fail({ code: 'csv', path: name, actual: undefined, limit: 'a recording with its heads' });
  return ok(reader.finish());
}
