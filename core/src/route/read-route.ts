import { issuesFromZod } from '../quantity/zod-issues.ts';
import { fail, type Result, ok } from '../quantity/result.ts';
import { route, type Route } from './route.ts';

/** Validates unknown data as a route. */
export function readRoute(data: unknown): Result<Route> {
  const parsed = route.safeParse(data);
  if (!parsed.success) return { ok: false, issues: issuesFromZod(parsed.error, data) };
  const one = parsed.data;
  const { recorded } = one;
  const same =
    recorded === null ||
    (recorded.latDeg.length === recorded.lonDeg.length &&
      recorded.latDeg.length === recorded.elevationM.length);
  return same
    ? ok(one)
    : fail({
        code: 'range',
        path: 'recorded',
        actual: 'lists of unlike length',
        limit: 'lists of one length',
      });
}
