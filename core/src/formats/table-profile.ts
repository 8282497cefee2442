import { cleanedProfileOf } from '../route/drawn.ts';
import type { Route } from '../route/route.ts';
import { lengthIssue, readRoute } from '../route/read-route.ts';
import { convert, type Unit } from '../quantity/units.ts';
import { fail, ok, type Issue, type Result } from '../quantity/result.ts';

/** Which columns of a table hold a profile, and in which units. */
export interface ProfileColumns {
  readonly distance: string;
  readonly distanceUnit: Extract<Unit, 'm' | 'km' | 'mi' | 'ft'>;
  readonly elevation: string;
  readonly elevationUnit: Extract<Unit, 'm' | 'ft'>;
}

/** A row of a table with the line of the file that it begins on. */
export interface TableRow {
  readonly line: number;
  readonly cells: Readonly<Record<string, string>>;
}

const words = (column: string): readonly string[] => column.toLowerCase().split(/[^a-z]+/);
const starts = (column: string, names: readonly string[]): boolean =>
  words(column).some((word) => names.some((name) => word.startsWith(name)));
const unitIn = <U extends string>(column: string | undefined, units: readonly U[], otherwise: U): U =>
  units.find((unit) => words(column ?? '').includes(unit)) ?? otherwise;

/** The columns that most likely hold distance and elevation, with the units their names say (metres where none). */
export function guessProfileColumns(columns: readonly string[]): ProfileColumns {
  const distance = columns.find((c) => starts(c, ['dist', 'km', 'mile', 'chain', 'x'])) ?? columns[0] ?? '';
  const elevation =
    columns.find((c) => c !== distance && starts(c, ['elev', 'alt', 'height', 'ele'])) ??
    columns.find((c) => c !== distance) ??
    '';
  return {
    distance,
    distanceUnit: unitIn(distance, ['km', 'mi', 'ft', 'm'], 'm'),
    elevation,
    elevationUnit: unitIn(elevation, ['ft', 'm'], 'm'),
  };
}

/** A plain number with a point or a comma; undefined for anything else. */
function plain(text: string | undefined): number | undefined {
  const value = (text ?? '').trim().replace(',', '.');
  // No two parts of it can take the same digits: its time grows with the text's length only.
  if (!/^[+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?$/i.test(value)) return undefined;
  const number = Number(value);
  return Number.isFinite(number) ? number : undefined;
}

/** A row this little further than the one before does not move on: the logger went on while the bicycle stood, m. */
const MOVES_M = 0.1;

/** A road read from a table, and how many rows were left out because they did not move on. */
export interface TableRoad {
  readonly route: Route;
  readonly standing: number;
}

/**
 * A route from rows of distance and elevation. Every row that cannot be used is named by its line, and then
 * nothing is taken; rows at the place of the one before are left out and counted.
 */
export function routeFromTable(
  name: string,
  rows: readonly TableRow[],
  columns: ProfileColumns,
  smoothM = 0,
): Result<TableRoad> {
  const issues: Issue[] = [];
  let standing = 0;
  const points: { distanceM: number; elevationM: number }[] = [];
  for (const { line, cells } of rows) {
    const path = `line ${String(line)}`;
    const [d, e] = [plain(cells[columns.distance]), plain(cells[columns.elevation])];
    if (d === undefined || e === undefined) {
      const bad = d === undefined ? columns.distance : columns.elevation;
      issues.push({ code: 'csv', path, actual: cells[bad] ?? '', limit: `a number under "${bad}"` });
      continue;
    }
    const [distanceM, elevationM] = [
      convert(d, columns.distanceUnit, 'm'),
      convert(e, columns.elevationUnit, 'm'),
    ];
    const before = points.at(-1);
    if (before !== undefined && distanceM < before.distanceM)
      issues.push({ code: 'csv', path, actual: d, limit: 'a distance no less than the row before' });
    else if (elevationM < -500 || elevationM > 9000)
      issues.push({ code: 'range', path, actual: elevationM, limit: 'an elevation from -500 to 9000 m' });
    else if (before !== undefined && distanceM < before.distanceM + MOVES_M) standing += 1;
    else points.push({ distanceM, elevationM });
  }
  if (issues.length > 0) return fail(...issues);
  if (rows.length < 2)
    return fail({ code: 'missing', path: '', actual: rows.length, limit: 'at least two rows' });
  const [first, last] = [points[0], points.at(-1)];
  const wrong = lengthIssue((last?.distanceM ?? 0) - (first?.distanceM ?? 0));
  if (wrong !== undefined) return fail(wrong);
  const read = readRoute(cleanedProfileOf(name, points, smoothM));
  return read.ok ? ok({ route: read.value, standing }) : read;
}
