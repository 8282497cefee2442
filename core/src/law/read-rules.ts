import { jsonText } from '../quantity/json-text.ts';
import type { Result } from '../quantity/result.ts';
import { readBy } from '../quantity/zod-issues.ts';
import { placeRules, type PlaceRules } from './rule-schema.ts';

/** Validates unknown data as the rules of one place; every fault has its path. */
export const readRules = (data: unknown): Result<PlaceRules> => readBy(placeRules, data);

/** The same from JSON text; broken JSON is an issue that says where it breaks. */
export function readRulesText(text: string): Result<PlaceRules> {
  const data = jsonText(text);
  return data.ok ? readRules(data.value) : data;
}
