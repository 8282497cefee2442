import type * as z from 'zod';
import { beyondBounds } from './bounds.ts';
import { MOST_ISSUES, fail, ok, type Issue, type Result } from './result.ts';

/** A text inside an issue is a hint at the place, not a copy of what came. */
const HINT = 80;
const short = (text: string): string => (text.length > HINT ? `${text.slice(0, HINT)}…` : text);

function at(document: unknown, path: readonly PropertyKey[]): unknown {
  let value = document;
  for (const key of path) value = (value as Record<PropertyKey, unknown> | null | undefined)?.[key];
  if (typeof value === 'string') return short(value);
  if (typeof value !== 'object' || value === null) return value;
  return Array.isArray(value) ? 'a list' : 'an object';
}

/** What a type is called outside of programming. */
const PLAIN: Readonly<Record<string, string>> = { string: 'text', boolean: 'true or false', array: 'a list' };
const kindOf = (type: string): string => PLAIN[type] ?? `${/^[aeiou]/.test(type) ? 'an' : 'a'} ${type}`;

const pathOf = (path: readonly PropertyKey[]): string => path.map((key) => short(String(key))).join('.');

/** Turns one Zod issue into the product's own, so that no library's wording leaks out. */
function issuesOf(issue: z.core.$ZodIssue, document: unknown): readonly Issue[] {
  const path = pathOf(issue.path);
  const actual = at(document, issue.path);
  const one = (code: Issue['code'], limit: string): readonly Issue[] => [{ code, path, actual, limit }];
  // Zod may grow codes; the ones no schema of ours can raise share the default.
  // oxlint-disable-next-line typescript/switch-exhaustiveness-check
  switch (issue.code) {
    case 'too_small':
      return issue.origin === 'string'
        ? one('text', 'some text')
        : one('range', `at least ${String(issue.minimum)}${issue.origin === 'array' ? ' entries' : ''}`);
    case 'too_big':
      return one('range', `at most ${String(issue.maximum)}${LENGTHS[issue.origin] ?? ''}`);
    case 'invalid_type':
      return actual === undefined
        ? one('missing', kindOf(issue.expected))
        : one('type', kindOf(issue.expected));
    case 'invalid_value':
      return one('choice', `one of ${issue.values.map(String).join(', ')}`);
    case 'unrecognized_keys':
      return issue.keys.map((key) => ({
        code: 'unknown-key' as const,
        path: pathOf([...issue.path, key]),
        actual: short(key),
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
}

/** What a length is counted in. */
const LENGTHS: Readonly<Record<string, string>> = { string: ' characters', array: ' entries' };

/** How many faults a Zod issue stands for. */
const countOf = (issue: z.core.$ZodIssue): number =>
  issue.code === 'unrecognized_keys' ? issue.keys.length : 1;

/** The first issues in the product's words, and how many more there are. */
function issuesFromZod(error: z.ZodError, document: unknown): readonly Issue[] {
  const said: Issue[] = [];
  for (const issue of error.issues) {
    if (said.length >= MOST_ISSUES) break;
    said.push(...issuesOf(issue, document));
  }
  const single = said.slice(0, MOST_ISSUES);
  const more = error.issues.reduce((n, issue) => n + countOf(issue), 0) - single.length;
  return more === 0 ? single : [...single, { code: 'more', path: '', actual: more, limit: 'fewer' }];
}

/** Reads unknown data by a schema; what is beyond all bounds is refused before the schema looks at it. */
export function readBy<S extends z.ZodType>(schema: S, data: unknown): Result<z.output<S>> {
  const beyond = beyondBounds(data);
  if (beyond !== undefined) return fail(beyond);
  const parsed = schema.safeParse(data);
  return parsed.success ? ok(parsed.data) : fail(...issuesFromZod(parsed.error, data));
}
