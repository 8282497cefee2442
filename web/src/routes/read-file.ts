import {
  describeIssue,
  guessProfileColumns,
  readRoute,
  type GpxWay,
  type ProfileColumns,
  type Route,
} from '@apple-cart/core';
import { readCsv, type CsvTable } from '../files/read-csv.ts';
import { runOnce } from '../work/run-once.ts';

/** Larger files are refused before they are read: no ride is this long. */
const LARGEST = 40_000_000;

export type FileRead =
  | { readonly kind: 'gpx'; readonly way: GpxWay }
  | { readonly kind: 'table'; readonly table: CsvTable; readonly columns: ProfileColumns }
  | { readonly kind: 'route'; readonly route: Route }
  | { readonly kind: 'refused'; readonly lines: readonly string[] };

const refused = (...lines: readonly string[]): FileRead => ({ kind: 'refused', lines });

/** What a file holds: a recorded way, a table of distances and elevations, or a route of this application. */
export async function readRouteFile(file: File, signal: AbortSignal): Promise<FileRead> {
  if (file.size > LARGEST)
    return refused(
      `The file has ${String(Math.round(file.size / 1e6))} MB; at most ${String(LARGEST / 1e6)} MB are read.`,
    );
  const text = await file.text();
  if (/^\s*</.test(text.replace(/^\uFEFF/, ''))) {
    const way = await runOnce('gpx', { text: text.replace(/^\uFEFF/, '') }, signal);
    return way.ok ? { kind: 'gpx', way: way.value } : refused(...way.issues.map(describeIssue));
  }
  if (/^\s*\{/.test(text)) {
    try {
      const route = readRoute(JSON.parse(text));
      return route.ok
        ? { kind: 'route', route: route.value }
        : refused(...route.issues.slice(0, 8).map(describeIssue));
    } catch (problem) {
      return refused(
        `The file is no JSON: ${problem instanceof Error ? problem.message : 'it cannot be read'}.`,
      );
    }
  }
  const read = readCsv(text);
  if (!read.ok) return refused(read.why);
  if (read.table.columns.length < 2)
    return refused('The file has one column; distance and elevation are two.');
  return { kind: 'table', table: read.table, columns: guessProfileColumns(read.table.columns) };
}
