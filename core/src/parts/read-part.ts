import { ok, type Result } from '../quantity/result.ts';
import { issuesFromZod } from '../quantity/zod-issues.ts';
import { part, type Part } from './part.ts';

/** Validates unknown data as a part of the shelf; what its maker does not give is filled as not given. */
export function readPart(data: unknown): Result<Part> {
  const parsed = part.safeParse(data);
  return parsed.success ? ok(parsed.data) : { ok: false, issues: issuesFromZod(parsed.error, data) };
}
