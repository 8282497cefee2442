import { jsonText } from '../quantity/json-text.ts';
import { ok, type Result } from '../quantity/result.ts';
import { issuesFromZod } from '../quantity/zod-issues.ts';
import { placeRules, type PlaceRules } from './rule-schema.ts';

/** Validates unknown data as the rules of one place; every fault has its path. */
export function readRules(data: unknown): Result<PlaceRules> {
  const parsed = placeRules.safeParse(data);
  return parsed.success ? ok(parsed.data) : { ok: false, issues: issuesFromZod(parsed.error, data) };
}

/** The same from JSON text; broken JSON is an issue that says where it breaks. */
export function readRulesText(text: string): Result<PlaceRules> {
  const data = jsonText(text);
  return data.ok ? readRules(data.value) : data;
}
