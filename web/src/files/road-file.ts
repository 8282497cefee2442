import {
  describeIssue,
  guessProfileColumns,
  jsonText,
  rawTrack,
  readGpx,
  readRoute,
  routeFromPositions,
  routeFromTable,
  textOf,
  type Cleaning,
  type GpxWay,
  type Issue,
  type ProfileColumns,
  type Route,
  type Track,
} from '@apple-cart/core';
import { readCsv, type CsvTable } from './csv.ts';

/** What a file with a road in it holds: a recorded way, a table of distances and elevations, or a route of ours. */
export type RoadFile =
  | { readonly kind: 'gpx'; readonly way: GpxWay }
  | { readonly kind: 'table'; readonly table: CsvTable; readonly columns: ProfileColumns }
  | { readonly kind: 'route'; readonly route: Route };

export type RoadFileRead = RoadFile | { readonly kind: 'refused'; readonly lines: readonly string[] };

const refused = (issues: readonly Issue[]): RoadFileRead => ({
  kind: 'refused',
  lines: issues.map(describeIssue),
});

/** Reads a file with a road in it by what it holds, whatever its name. */
export function readRoadFile(bytes: Uint8Array): RoadFileRead {
  const text = textOf(bytes);
  if (!text.ok) return refused(text.issues);
  if (/^\s*</.test(text.value)) {
    const way = readGpx(text.value);
    return way.ok ? { kind: 'gpx', way: way.value } : refused(way.issues);
  }
  if (/^\s*\{/.test(text.value)) {
    const data = jsonText(text.value);
    const route = data.ok ? readRoute(data.value) : data;
    return route.ok ? { kind: 'route', route: route.value } : refused(route.issues);
  }
  const table = readCsv(text.value);
  if (!table.ok) return refused(table.issues);
  const { columns } = table.value;
  if (columns.length < 2)
    return refused([
      { code: 'csv', path: '', actual: 'one column', limit: 'two columns, distance and elevation' },
    ]);
  return { kind: 'table', table: table.value, columns: guessProfileColumns(columns) };
}

/** How a file is to become a road: which columns, and smoothed over which width, m; undefined by its noise. */
export interface RoadAsked {
  readonly file: RoadFile;
  readonly columns: ProfileColumns | undefined;
  readonly smoothM: number | undefined;
}

/** The road that would be kept, or why none can be. */
export interface RoadMade {
  readonly route: Route | undefined;
  readonly lines: readonly string[];
  /** Of a recorded way: what cleaning did, and the heights as they were recorded. */
  readonly cleaning: Cleaning | undefined;
  readonly raw: Track | undefined;
  /** Rows of a table that were left out because they did not move on. */
  readonly standing: number;
}

const NONE = { route: undefined, lines: [], cleaning: undefined, raw: undefined, standing: 0 } as const;
const none = (issues: readonly Issue[]): RoadMade => ({ ...NONE, lines: issues.map(describeIssue) });

/** Makes the road of a file, under a name to come. */
export function makeRoad({ file, columns, smoothM }: RoadAsked): RoadMade {
  switch (file.kind) {
    case 'route':
      return { ...NONE, route: file.route };
    case 'gpx': {
      const { positions } = file.way;
      const made = routeFromPositions('x', positions, smoothM);
      return made.ok ? { ...NONE, ...made.value, raw: rawTrack(positions) } : none(made.issues);
    }
    case 'table': {
      const made = routeFromTable('x', file.table.rows, columns ?? file.columns, smoothM);
      return made.ok ? { ...NONE, ...made.value } : none(made.issues);
    }
  }
}
