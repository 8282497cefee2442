import type * as z from 'zod';
import { fail, ok, type Issue, type Result } from '../quantity/result.ts';
import { from1To2, from2To3, from3To4 } from './migrate.ts';
import { SCHEMA_VERSION, buildDocument, type BuildDocument } from './document.ts';

function at(document: unknown, path: readonly PropertyKey[]): unknown {
  let value = document;
  for (const key of path) value = (value as Record<PropertyKey, unknown> | null | undefined)?.[key];
  return typeof value === 'object' && value !== null
    ? Array.isArray(value)
      ? 'a list'
      : 'an object'
    : value;
}

/** What a type is called outside of programming. */
const PLAIN: Readonly<Record<string, string>> = { string: 'text', boolean: 'true or false', array: 'a list' };
const kindOf = (type: string): string => PLAIN[type] ?? `${/^[aeiou]/.test(type) ? 'an' : 'a'} ${type}`;

/** Turns a Zod issue into the product's own issues, so that no library's wording leaks out. */
export function issuesFromZod(error: z.ZodError, document: unknown): readonly Issue[] {
  return error.issues.flatMap((issue): readonly Issue[] => {
    const path = issue.path.map(String).join('.');
    const actual = at(document, issue.path);
    const one = (code: Issue['code'], limit: string): readonly Issue[] => [{ code, path, actual, limit }];
    // Zod may grow codes; the ones no schema of ours can raise share the default.
    // eslint-disable-next-line @typescript-eslint/switch-exhaustiveness-check
    switch (issue.code) {
      case 'too_small':
        return issue.origin === 'string'
          ? one('text', 'some text')
          : one('range', `at least ${String(issue.minimum)}${issue.origin === 'array' ? ' entries' : ''}`);
      case 'too_big':
        return one(
          'range',
          `at most ${String(issue.maximum)}${issue.origin === 'string' ? ' characters' : ''}`,
        );
      case 'invalid_type':
        return actual === undefined
          ? one('missing', kindOf(issue.expected))
          : one('type', kindOf(issue.expected));
      case 'invalid_value':
        return one('choice', `one of ${issue.values.map(String).join(', ')}`);
      case 'unrecognized_keys':
        return issue.keys.map((key) => ({
          code: 'unknown-key' as const,
          path: [...issue.path.map(String), key].join('.'),
          actual: key,
          limit: 'no such key',
        }));
      case 'invalid_union':
        return one('choice', 'one of measured, label, assumed with a value, or unknown without one');
      default:
        return one('type', issue.message);
    }
  });
}

/** From each version to the next, the oldest first. */
const STEPS = [from1To2, from2To3, from3To4] as const;

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
  const current = STEPS.slice(Number.isInteger(version) && Number(version) > 0 ? Number(version) - 1 : STEPS.length).reduce(
    (older, step) => step(older),
    data as Record<string, unknown>,
  );
  const parsed = buildDocument.safeParse(current);
  return parsed.success ? ok(parsed.data) : { ok: false, issues: issuesFromZod(parsed.error, current) };
}

/** Reads a build document from JSON text; broken JSON becomes an issue, never an exception. */
export function readBuildText(text: string): Result<BuildDocument> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return fail({
      code: 'json',
      path: '',
      actual: text.slice(0, 40),
      limit: `JSON (${error instanceof Error ? error.message : 'cannot be read'})`,
    });
  }
  return readBuild(data);
}
