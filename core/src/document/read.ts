import { jsonText } from '../quantity/json-text.ts';
import { fail, ok, type Result } from '../quantity/result.ts';
import { issuesFromZod } from '../quantity/zod-issues.ts';
import { from1To2, from2To3, from3To4, from4To5 } from './migrate.ts';
import { SCHEMA_VERSION, buildDocument, type BuildDocument } from './document.ts';

/** From each version to the next, the oldest first. */
const STEPS = [from1To2, from2To3, from3To4, from4To5] as const;

/** Validates unknown data as a build document and migrates it forward, one step a version. */
export function readBuild(data: unknown): Result<BuildDocument> {
  if (typeof data !== 'object' || data === null || Array.isArray(data)) {
    return fail({
      code: 'type',
      path: '',
      actual: data === null ? null : typeof data,
      limit: 'a build document',
    });
  }
  const version = (data as Record<string, unknown>)['schemaVersion'];
  if (typeof version === 'number' && version > SCHEMA_VERSION) {
    return fail({
      code: 'version',
      path: 'schemaVersion',
      actual: version,
      limit: `at most ${String(SCHEMA_VERSION)}`,
    });
  }
  const current = STEPS.slice(
    Number.isInteger(version) && Number(version) > 0 ? Number(version) - 1 : STEPS.length,
  ).reduce((older, step) => step(older), data as Record<string, unknown>);
  const parsed = buildDocument.safeParse(current);
  return parsed.success ? ok(parsed.data) : { ok: false, issues: issuesFromZod(parsed.error, current) };
}

/** Reads a build document from JSON text; broken JSON becomes an issue, never an exception. */
export function readBuildText(text: string): Result<BuildDocument> {
  const data = jsonText(text);
  return data.ok ? readBuild(data.value) : data;
}
