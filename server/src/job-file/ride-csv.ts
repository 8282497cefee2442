import { parse } from 'csv-parse/sync';
import { writeCsv } from '@apple-cart/contracts/csv';
import {
  CHANNEL_IDS,
  LogReader,
  fail,
  guessLogColumns,
  headOf,
  ok,
  type ChannelId,
  type Recording,
  type Result,
} from '@apple-cart/core';
import type { LogStore } from '../logs/log-store.ts';

/** Recordings of a job have at most so many rows together: more is no file to hand on. */
export const MOST_JOB_ROWS = 300_000;

const isChannel = (name: string): name is ChannelId => CHANNEL_IDS.some((id) => id === name);

/** A recording as a table with its units in the heads. */
export async function rideCsv(
  logs: LogStore,
  {
    key,
    rows,
    columns,
  }: { readonly key: string; readonly rows: number; readonly columns: readonly string[] },
): Promise<string> {
  const ids = columns.filter(isChannel);
  const values = await Promise.all(['seconds', ...ids].map((id) => logs.values(key, id, 0, rows)));
  const cell = (value: number | undefined): number | string =>
    value === undefined || Number.isNaN(value) ? '' : Number(value.toPrecision(10));
  return writeCsv(
    ['Time (s)', ...ids.map(headOf)],
    Array.from({ length: rows }, (_, i) => values.map((column) => cell(column[i]))),
  );
}

/** The same read back, whole or not at all. */
export function rideFromCsv(name: string, data: Uint8Array): Result<Recording> {
  let table: readonly (readonly string[])[];
  try {
    table = parse(Buffer.from(data), { relax_column_count: true, max_record_size: 64 * 1024 });
  } catch {
    return fail({ code: 'csv', path: name, actual: undefined, limit: 'a table' });
  }
  const [heads = [], ...rows] = table;
  const columns = guessLogColumns(heads, rows[0] ?? [], ',');
  if (columns === undefined || rows.length < 2)
    return fail({ code: 'csv', path: name, actual: heads.join(), limit: 'a recording with its heads' });
  const reader = new LogReader(columns);
  for (const [i, row] of rows.entries()) {
    const why = reader.take(row);
    if (why !== undefined)
      return fail({
        code: 'csv',
        path: `${name}: line ${String(i + 2)}`,
        actual: why,
        limit: 'a row of a recording',
      });
  }
  return ok(reader.finish());
}
