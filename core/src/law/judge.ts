import { firstOf } from '../quantity/first-of.ts';
import type { ProfileFacts } from './facts.ts';
import { judgeClause, type ClauseState, type ClauseVerdict } from './judge-clause.ts';
import { RULES_FORMAT } from './fact-names.ts';
import type { Category, Duty, LawTest, PlaceRules, RuleBook } from './rule-schema.ts';

type CategoryOutcome = 'inside' | 'check' | 'cannot-tell' | 'outside';

export interface CategoryVerdict {
  readonly category: Category;
  readonly outcome: CategoryOutcome;
  readonly clauses: readonly ClauseVerdict[];
}

export interface TestVerdict {
  readonly test: LawTest;
  readonly categories: readonly CategoryVerdict[];
  /** The first category that is not broken; undefined when every one is. */
  readonly resulting: CategoryVerdict | undefined;
}

/** What the machine is in a place, as one word for a stamp. */
export type PlaceOutcome = 'inside' | 'check' | 'cannot-tell' | 'other-class' | 'outside';

/** What a machine is by one question. */
interface Standing {
  readonly outcome: PlaceOutcome;
  /** Short name of the resulting class. */
  readonly className: string;
  /** Clauses that fail in the mildest class of each test. */
  readonly failing: readonly ClauseVerdict[];
  readonly unsettled: readonly ClauseVerdict[];
}

/** By the place's own question, which is riding wherever it has rules for that. */
export interface PlaceVerdict extends Standing {
  readonly place: PlaceRules;
  readonly about: LawTest['about'];
  /** The other question beside it: whether it may be sold as what it is; undefined where nothing is asked. */
  readonly sale: Standing | undefined;
  readonly tests: readonly TestVerdict[];
  /** Duties of the resulting classes, and those that the place adds to them. */
  readonly duties: readonly Duty[];
  /** More than one profile was judged. */
  readonly profiles: readonly string[];
}

/** Judges one category: any failing clause puts the machine outside, then any unknown leaves it open. */
export function judgeCategory(category: Category, ways: readonly ProfileFacts[]): CategoryVerdict {
  const clauses = category.clauses.map((clause) => judgeClause(clause, ways));
  const any = (state: ClauseState): boolean => clauses.some((c) => c.state === state);
  const outcome: CategoryOutcome = firstOf(
    [
      [any('fail'), 'outside'],
      [any('unknown'), 'cannot-tell'],
      [any('check') || category.approval !== 'none' || category.status !== 'current', 'check'],
    ],
    'inside',
  );
  return { category, outcome, clauses };
}

function judgeTest(test: LawTest, ways: readonly ProfileFacts[]): TestVerdict {
  const categories = test.categories.map((category) => judgeCategory(category, ways));
  return { test, categories, resulting: categories.find((c) => c.outcome !== 'outside') };
}

const ORDER: readonly PlaceOutcome[] = ['inside', 'check', 'cannot-tell', 'other-class', 'outside'];

function testOutcome({ resulting }: TestVerdict): PlaceOutcome {
  if (resulting === undefined || resulting.outcome === 'outside') return 'outside';
  switch (resulting.category.approval) {
    case 'none':
      return resulting.outcome;
    case 'required':
      return 'other-class';
    // The numbers may be met, but a machine built by oneself cannot be in the class.
    case 'closed':
      return 'outside';
  }
}

/**
 * The clauses the reader should look at: those of the resulting class, or where the machine has left the
 * classes that need no approval, those of the one it came nearest to.
 */
export function decidingCategory(verdict: TestVerdict): CategoryVerdict | undefined {
  const { resulting, categories } = verdict;
  if (resulting?.category.approval === 'none') return resulting;
  const open = categories.filter((c) => c.category.approval === 'none');
  const fails = (c: CategoryVerdict): number => c.clauses.filter((clause) => clause.state === 'fail').length;
  return [...(open.length > 0 ? open : categories)].sort((a, b) => fails(a) - fails(b))[0];
}

/** The tests that count in a place: its own, then those of the places it names. */
export const testsOf = (place: PlaceRules, book: RuleBook): readonly LawTest[] => [
  ...place.tests,
  ...place.also.flatMap((id) => book.find((p) => p.id === id)?.tests ?? []),
];

/** Places named in `also` that the book does not have. */
const missing = (place: PlaceRules, book: RuleBook): readonly string[] =>
  place.also.filter((id) => !book.some((p) => p.id === id));

/** Judges every way a build can be ridden by a place's rules; the worst of its tests is the outcome. */
export const judgePlace = (
  place: PlaceRules,
  ways: readonly ProfileFacts[],
  book: RuleBook = [place],
): PlaceVerdict => judgeBy(place, ways, book, (test) => judgeTest(test, ways));

/** Judges by every place of a book. A test that several places share, such as a union's, is judged once. */
export function judgeBook(book: RuleBook, ways: readonly ProfileFacts[]): readonly PlaceVerdict[] {
  const judged = new Map<LawTest, TestVerdict>();
  const once = (test: LawTest): TestVerdict => {
    const before = judged.get(test);
    if (before !== undefined) return before;
    const verdict = judgeTest(test, ways);
    judged.set(test, verdict);
    return verdict;
  };
  return book.map((place) => judgeBy(place, ways, book, once));
}

function judgeBy(
  place: PlaceRules,
  ways: readonly ProfileFacts[],
  book: RuleBook,
  judge: (test: LawTest) => TestVerdict,
): PlaceVerdict {
  const tests = testsOf(place, book).map(judge);
  const [riding, sale] = [tests.filter(isAbout('riding')), tests.filter(isAbout('sale'))];
  const about = riding.length > 0 || sale.length === 0 ? 'riding' : 'sale';
  const unsure = place.ask || tests.length === 0 || missing(place, book).length > 0;
  const found = tests.flatMap((t) => t.resulting ?? []);
  return {
    ...standing(about === 'riding' ? riding : sale, place.primaryTest, unsure),
    place,
    about,
    sale: about === 'riding' && sale.length > 0 ? standing(sale, '', false) : undefined,
    tests,
    duties: [
      ...found.flatMap((c) => c.category.duties),
      ...place.duties
        .filter((d) => d.categories.length === 0 || found.some((c) => d.categories.includes(c.category.id)))
        .map((d) => d.duty),
    ],
    profiles: ways.map((w) => w.profile),
  };
}

const isAbout =
  (about: LawTest['about']) =>
  ({ test }: TestVerdict): boolean =>
    test.about === about;

/** The worst of the tests of one question. */
function standing(tests: readonly TestVerdict[], primaryTest: string, unsure: boolean): Standing {
  const worst = tests.map(testOutcome).reduce(worstOf, 'inside');
  const primary = tests.find((t) => t.test.id === primaryTest) ?? tests[0];
  const broken = tests.find((t) => t.resulting === undefined);
  const deciding = tests.flatMap((t) => decidingCategory(t)?.clauses ?? []);
  const closed = tests.some((t) => t.resulting?.category.approval === 'closed');
  return {
    outcome: unsure ? worstOf(worst, 'cannot-tell') : worst,
    className:
      broken?.test.otherwise.shortName ??
      (closed ? NO_CLASS : undefined) ??
      primary?.resulting?.category.shortName ??
      primary?.test.otherwise.shortName ??
      'No rules',
    failing: deciding.filter((c) => c.state === 'fail'),
    unsettled: deciding.filter((c) => c.state === 'unknown' || c.state === 'check'),
  };
}

/** Where the numbers are met but no converted machine is let in. */
const NO_CLASS = 'No class for it';

const worstOf = (a: PlaceOutcome, b: PlaceOutcome): PlaceOutcome =>
  ORDER.indexOf(b) > ORDER.indexOf(a) ? b : a;

/** A place that the book has no rules for: an own file that was put away, or another workshop's. */
export const unknownPlace = (id: string): PlaceRules => ({
  format: RULES_FORMAT,
  formatVersion: 1,
  id,
  name: id,
  shortName: id,
  region: 'Own',
  intro: '',
  readYear: 2025,
  provenance: `There are no rules for "${id}" in this rule book.`,
  changing: '',
  ask: true,
  also: [],
  primaryTest: '',
  tests: [],
  duties: [],
});
