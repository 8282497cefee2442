import { convert } from '../quantity/units.ts';
import type { AnswerFact, LawFacts, NumberFact } from './facts.ts';
import type { Category, Clause, LawTest, NumberClause, PlaceRules } from './rule-schema.ts';

/** `check` passes, but on a value or a memory that should be confirmed. */
export type ClauseState = 'pass' | 'check' | 'fail' | 'unknown';

export interface ClauseVerdict {
  readonly clause: Clause;
  readonly state: ClauseState;
  readonly fact: NumberFact | AnswerFact | undefined;
  /** Limit less value (at most) or value less limit (at least), in the clause's unit; number clauses only. */
  readonly margin: number | undefined;
  /** The build's value in the clause's unit, the end that counts. */
  readonly value: number | undefined;
  /** Why a pass is only a check. */
  readonly why: string | undefined;
}

export type CategoryOutcome = 'inside' | 'check' | 'cannot-tell' | 'outside';

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

export interface PlaceVerdict {
  readonly place: PlaceRules;
  readonly outcome: PlaceOutcome;
  /** Short name of the resulting class. */
  readonly className: string;
  readonly tests: readonly TestVerdict[];
  /** Clauses that fail in the mildest class of each test. */
  readonly failing: readonly ClauseVerdict[];
  readonly unsettled: readonly ClauseVerdict[];
}

const holds = (op: NumberClause['op'], value: number, limit: number): boolean =>
  op === '<' ? value < limit : op === '<=' ? value <= limit : value >= limit;

/** Speeds come out of conversions and root searches; a millionth of a unit is not a breach. */
const HAIR = 1e-6;
/** A limit that is not remembered with certainty decides nothing for values within this share of it. */
const NEAR = 0.1;
const NOT_CERTAIN = 'the rule is not remembered with certainty';

function judgeNumber(clause: NumberClause, fact: NumberFact | undefined): ClauseVerdict {
  if (fact === undefined) {
    return {
      clause,
      state: 'unknown',
      fact,
      margin: undefined,
      value: undefined,
      why: 'the value is not known',
    };
  }
  const own = clause.fact.endsWith('Kmh') ? 'km/h' : clause.fact.endsWith('W') ? 'W' : '1';
  const worst = convert(fact.high, own, clause.unit);
  const best = convert(fact.low, own, clause.unit);
  // The hair never excuses a strict limit that is met exactly.
  const passes = (value: number): boolean =>
    holds(clause.op, value, clause.limit) || (clause.op === '<=' && value - clause.limit < HAIR);
  const margin = clause.op === '>=' ? worst - clause.limit : clause.limit - worst;
  const done = (state: ClauseState, why?: string): ClauseVerdict => ({
    clause,
    state,
    fact,
    margin,
    value: worst,
    why,
  });
  const doubtful = clause.certainty !== 'high' && Math.abs(margin) <= NEAR * clause.limit;
  if (!passes(worst)) {
    if (clause.toleratedTo !== undefined && worst <= clause.toleratedTo) return done('check', clause.caution);
    if (passes(best)) return done('unknown', 'inside at one end of the band only');
    return doubtful ? done('unknown', NOT_CERTAIN) : done('fail');
  }
  if (clause.cautionFrom !== undefined && worst >= clause.cautionFrom) return done('check', clause.caution);
  if (fact.source === 'assumed' || fact.source === 'unknown') return done('check', 'the value is assumed');
  return doubtful ? done('check', NOT_CERTAIN) : done('pass');
}

/** A condition that is met is met whether or not it is really asked for; one that is not needs certainty. */
function judgeCondition(clause: Clause, met: boolean): Pick<ClauseVerdict, 'state' | 'why'> {
  if (met) return { state: 'pass', why: undefined };
  return clause.certainty === 'high'
    ? { state: 'fail', why: undefined }
    : { state: 'unknown', why: NOT_CERTAIN };
}

function judgeClause(clause: Clause, facts: LawFacts): ClauseVerdict {
  switch (clause.kind) {
    case 'number':
      return judgeNumber(clause, facts[clause.fact]);
    case 'one-of': {
      const fact = facts[clause.fact];
      const met = clause.allowed.includes(fact.high);
      return { clause, fact, margin: undefined, value: fact.high, ...judgeCondition(clause, met) };
    }
    case 'answer': {
      const fact = facts[clause.fact];
      const base = { clause, fact, margin: undefined, value: undefined };
      if (fact.answer === 'unknown') return { ...base, state: 'unknown', why: 'not checked yet' };
      return { ...base, ...judgeCondition(clause, fact.answer === clause.wanted) };
    }
  }
}

/** Judges one category: any failing clause puts the machine outside, then any unknown leaves it open. */
export function judgeCategory(category: Category, facts: LawFacts): CategoryVerdict {
  const clauses = category.clauses.map((clause) => judgeClause(clause, facts));
  const any = (state: ClauseState): boolean => clauses.some((c) => c.state === state);
  const outcome: CategoryOutcome = any('fail')
    ? 'outside'
    : any('unknown')
      ? 'cannot-tell'
      : any('check') || category.approvalRequired || category.status !== 'current'
        ? 'check'
        : 'inside';
  return { category, outcome, clauses };
}

function judgeTest(test: LawTest, facts: LawFacts): TestVerdict {
  const categories = test.categories.map((category) => judgeCategory(category, facts));
  return { test, categories, resulting: categories.find((c) => c.outcome !== 'outside') };
}

const ORDER: readonly PlaceOutcome[] = ['inside', 'check', 'cannot-tell', 'other-class', 'outside'];

function testOutcome(verdict: TestVerdict): PlaceOutcome {
  const { resulting } = verdict;
  if (resulting === undefined || resulting.outcome === 'outside') return 'outside';
  return resulting.category.approvalRequired ? 'other-class' : resulting.outcome;
}

/**
 * The clauses the reader should look at: those of the resulting class, or where the machine has left the
 * classes that need no approval, those of the one it came nearest to.
 */
export function decidingCategory(verdict: TestVerdict): CategoryVerdict | undefined {
  const { resulting, categories } = verdict;
  if (resulting !== undefined && !resulting.category.approvalRequired) return resulting;
  const open = categories.filter((c) => !c.category.approvalRequired);
  const fails = (c: CategoryVerdict): number => c.clauses.filter((clause) => clause.state === 'fail').length;
  return [...open].sort((a, b) => fails(a) - fails(b))[0];
}

/** Judges a build's facts by a place's rules; the worst of its tests is the outcome. */
export function judgePlace(place: PlaceRules, facts: LawFacts): PlaceVerdict {
  const tests = place.tests.map((test) => judgeTest(test, facts));
  const outcomes = tests.map(testOutcome);
  const worst = outcomes.reduce((a, b) => (ORDER.indexOf(b) > ORDER.indexOf(a) ? b : a), 'inside');
  const primary = tests.find((t) => t.test.id === place.primaryTest) ?? tests[0];
  const broken = tests.find((t) => testOutcome(t) === 'outside');
  const className =
    broken?.test.otherwise.shortName ??
    primary?.resulting?.category.shortName ??
    primary?.test.otherwise.shortName ??
    '';
  const deciding = tests.flatMap((t) => decidingCategory(t)?.clauses ?? []);
  return {
    place,
    outcome: worst,
    className,
    tests,
    failing: deciding.filter((c) => c.state === 'fail'),
    unsettled: deciding.filter((c) => c.state === 'unknown' || c.state === 'check'),
  };
}
