import { firstOf } from './first-of.ts';
import type * as z from 'zod';
import type { Issue } from './result.ts';

function at(document: unknown, path: readonly PropertyKey[]): unknown {
  let value = document;
  for (const key of path) value = (value as Record<PropertyKey, unknown> | null | undefined)?.[key];
  return firstOf(
    [
      [typeof value === 'object' && value !== null && Array.isArray(value), 'a list'],
      [typeof value === 'object' && value !== null, 'an object'],
    ],
    value,
  );
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
        return one(
          'choice',
          'discriminator' in issue && issue.discriminator !== 'source'
            ? `a known ${String(issue.discriminator)}`
            : 'one of measured, label, assumed with a value, or unknown without one',
        );
      default:
        return one('type', issue.message);
    }
  });
}
