import { readBy } from '../quantity/zod-issues.ts';
import type { Issue, Result } from '../quantity/result.ts';
import { LONGEST_ROUTE_M, route, type Route } from './route.ts';

/** Shorter than this is no road but a recorder at rest, or a unit mistaken, m. */
const SHORTEST_M = 5;

/** What is wrong with the length of a road that was read out of a file, m; undefined for nothing. */
export function lengthIssue(lengthM: number): Issue | undefined {
  const actual = `${lengthM.toFixed(1)} m`;
  if (!(lengthM >= SHORTEST_M))
    return {
      code: 'range',
      path: 'length',
      actual,
      limit: `a road of ${String(SHORTEST_M)} m at least (was the recorder at rest, or the unit another?)`,
    };
  if (lengthM > LONGEST_ROUTE_M)
    return {
      code: 'range',
      path: 'length',
      actual,
      limit: `a road of at most ${String(LONGEST_ROUTE_M / 1000)} km`,
    };
  return undefined;
}

/** Validates unknown data as a route. */
export const readRoute = (data: unknown): Result<Route> => readBy(route, data);
