import { fail, ok, type Result } from '../quantity/result.ts';
import { issuesFromZod } from '../quantity/zod-issues.ts';
import { placeRules, type PlaceRules } from './rule-schema.ts';

/** Validates unknown data as the rules of one place; every fault has its path. */
export function readRules(data: unknown): Result<PlaceRules> {
  const parsed = placeRules.safeParse(data);
  return parsed.success ? ok(parsed.data) : { ok: false, issues: issuesFromZod(parsed.error, data) };
}

/** The same from JSON text; broken JSON is an issue that says where it breaks. */
export function readRulesText(text: string): Result<PlaceRules> {
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
  return readRules(data);
}
