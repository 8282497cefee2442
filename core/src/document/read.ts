import { jsonText } from '../quantity/json-text.ts';
import { fail, type Result } from '../quantity/result.ts';
import { readBy } from '../quantity/zod-issues.ts';
import { migrated, pathBefore } from './migrate.ts';
import { SCHEMA_VERSION, buildDocument, type BuildDocument } from './document.ts';

/** Validates unknown data as a build document and migrates it forward; what it does not say is filled as unknown. */
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
  const given = data as Record<string, unknown>;
  const older =
    typeof version === 'number' && Number.isInteger(version) && version > 0 && version < SCHEMA_VERSION;
  if (!older) return readBy(buildDocument, given);
  const result = readBy(buildDocument, migrated(given, version, SCHEMA_VERSION));
  // A fault is told where it stands in the file.
  return result.ok
    ? result
    : {
        ok: false,
        issues: result.issues.map((issue) => ({ ...issue, path: pathBefore(issue.path, version) })),
      };
}

/** Reads a build document from JSON text; broken JSON becomes an issue, never an exception. */
export function readBuildText(text: string): Result<BuildDocument> {
  const data = jsonText(text);
  return data.ok ? readBuild(data.value) : data;
}
