import type { ClauseVerdict } from './judge-clause.ts';
import { decidingCategory, type PlaceVerdict } from './judge.ts';
import type { Clause, PlaceRules } from './rule-schema.ts';

/** What a person found to have changed in a clause. */
export interface Correction {
  /** The new limit, in the clause's own unit; undefined where it is no number, or the same. */
  readonly limit: number | undefined;
  readonly source: string;
  /** Day it was looked up, as 2026-11-27. */
  readonly on: string;
  readonly note: string;
}

/** The clause as it is now: sure, since somebody has read it, and marked as corrected here. */
function corrected(clause: Clause, { limit, source, on, note }: Correction): Clause {
  const marked = { ...clause, source, certainty: 'high' as const, corrected: { on, note } };
  return marked.kind === 'number' && limit !== undefined ? { ...marked, limit } : marked;
}

/** Rules with one clause corrected; the same rules where they have no such clause. */
export const withCorrection = (
  rules: PlaceRules,
  categoryId: string,
  clauseId: string,
  correction: Correction,
): PlaceRules => ({
  ...rules,
  tests: rules.tests.map((test) => ({
    ...test,
    categories: test.categories.map((category) =>
      category.id === categoryId
        ? {
            ...category,
            clauses: category.clauses.map((clause) =>
              clause.id === clauseId ? corrected(clause, correction) : clause,
            ),
          }
        : category,
    ),
  })),
});

/**
 * The rules that a clause read in a place stands in: its own, or those of a place that it names. Rules that were begun from
 * another place’s bear the same ids, and are not those.
 */
export const rulesOfClause = <R extends { readonly document: PlaceRules }>(
  listed: readonly R[],
  place: PlaceRules,
  categoryId: string,
): R | undefined =>
  [place.id, ...place.also]
    .flatMap((id) => listed.filter(({ document }) => document.id === id))
    .find(({ document }) => document.tests.some((t) => t.categories.some((c) => c.id === categoryId)));

/** Clauses of a verdict that rest on what was corrected here. */
export const correctedIn = (place: PlaceVerdict): readonly ClauseVerdict[] =>
  place.tests
    .flatMap((t) => decidingCategory(t)?.clauses ?? [])
    .filter(({ clause }) => clause.corrected !== undefined);

/** Rules that nobody has looked at for this long are taken as old, years. Common practice, no source. */
const STALE_YEARS = 2;

/** The day the rules were last looked at: as noted, or the end of the year up to which they are remembered. */
export const lookedAt = ({ readOn, readYear }: PlaceRules): string => readOn ?? `${String(readYear)}-12-31`;

/** True where nobody has looked at the rules for two years. @param today as 2026-11-27 */
export function isStale(rules: PlaceRules, today: string): boolean {
  const [year, rest] = [Number(lookedAt(rules).slice(0, 4)), lookedAt(rules).slice(4)];
  return `${String(year + STALE_YEARS)}${rest}` < today;
}
