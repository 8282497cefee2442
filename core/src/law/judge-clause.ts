import { convert } from '../quantity/units.ts';
import { worstPoint } from './assist-curve.ts';
import { ASSUMED, PLANNED, type AnswerFact, type NumberFact } from './fact.ts';
import type { CurveFact, ProfileFacts } from './facts.ts';
import { NUMBER_FACTS } from './fact-names.ts';
import { isPastLimit } from './profile.ts';
import type { Clause, CurveClause, NumberClause } from './rule-schema.ts';

/** `check` passes, but on a value or a memory that should be confirmed. */
export type ClauseState = 'pass' | 'check' | 'fail' | 'unknown';

export interface ClauseVerdict {
  readonly clause: Clause;
  readonly state: ClauseState;
  readonly fact: NumberFact | AnswerFact | CurveFact | undefined;
  /** Limit less value (at most) or value less limit (at least), in the clause's unit; numbers and curves only. */
  readonly margin: number | undefined;
  /** The build's value in the clause's unit, the end that counts. */
  readonly value: number | undefined;
  /** For a curve: the speed at which it is worst, and what is allowed there. */
  readonly at: { readonly kmh: number; readonly allowed: number } | undefined;
  /** Why a pass is only a check, or why nothing can be said. */
  readonly why: string | undefined;
  /** The profile it is worst in; empty for the build as set. */
  readonly profile: string;
  /** False where nobody has looked whether the rider can have it so. */
  readonly sure: boolean;
}

/** What a clause comes to, and why. */
type Outcome = Pick<ClauseVerdict, 'state' | 'why'>;
/** What was found on the way there. */
type Found = Partial<Pick<ClauseVerdict, 'margin' | 'value' | 'at'>>;
/** A clause with the fact it asks for, in one way the rider can have the machine. */
type Case<C extends Clause, F extends ClauseVerdict['fact']> = {
  readonly clause: C;
  readonly fact: F;
  readonly profile: string;
};

/** Written out: some forty are made at every keystroke. */
const verdictOf = (
  { clause, fact, profile }: Case<Clause, ClauseVerdict['fact']>,
  { state, why }: Outcome,
  found: Found = {},
): ClauseVerdict => ({
  clause,
  fact,
  margin: found.margin,
  value: found.value,
  at: found.at,
  state,
  why,
  profile,
  sure: true,
});

const outcome = (state: ClauseState, why?: string): Outcome => ({ state, why });

const holds = (op: NumberClause['op'], value: number, limit: number): boolean => {
  switch (op) {
    case '<':
      return value < limit;
    case '<=':
      return value <= limit;
    case '>':
      return value > limit;
    case '>=':
      return value >= limit;
  }
};

/** Speeds come out of conversions and root searches; a millionth of a unit is not a breach. */
const HAIR = 1e-6;
/** A limit that is not remembered with certainty decides nothing for values within this share of it. */
const NEAR = 0.1;
const MAY_BE = 'there may be a rule against it: remembered with low certainty';
const NOT_CERTAIN = 'the rule is not remembered with certainty';

/**
 * A text that speaks of maximum power without saying whose: the peak is held against it beside the rating, and past it is a
 * doubt, not a breach.
 */
const isPeak = ({ fact, unsettled }: NumberClause): boolean => fact === 'peakWheelW' && unsettled === true;
const BY_PEAK =
  'by its peak it is past the limit, by its rating it may be within: the text is read both ways, and less current brings the peak in';

/** Past a limit: how much that says. */
function past(clause: NumberClause, margin: number): Outcome {
  if (clause.unsettled === true)
    return isPeak(clause)
      ? { state: 'check', why: BY_PEAK }
      : { state: 'unknown', why: 'the text is read in more than one way' };
  // What is remembered least never condemns, but is never passed over either.
  if (clause.certainty === 'low') return { state: 'check', why: MAY_BE };
  if (clause.certainty === 'high') return { state: 'fail', why: undefined };
  return Math.abs(margin) <= NEAR * clause.limit
    ? { state: 'unknown', why: NOT_CERTAIN }
    : { state: 'fail', why: NOT_CERTAIN };
}

/** On the right side of a limit: how sure that is. */
function within(clause: NumberClause, value: number, margin: number, fact: NumberFact): Outcome['why'] {
  if (clause.cautionFrom !== undefined && value >= clause.cautionFrom) return clause.caution;
  if (fact.source === 'assumed') return ASSUMED;
  // Of what is not there at all no rule could ask less.
  if (clause.certainty === 'high' || value === 0) return undefined;
  return Math.abs(margin) <= NEAR * clause.limit ? NOT_CERTAIN : undefined;
}

function judgeNumber(one: Case<NumberClause, NumberFact | undefined>): ClauseVerdict {
  const { clause, fact } = one;
  if (fact === undefined) return verdictOf(one, outcome('unknown', 'the value is not known'));
  const own = NUMBER_FACTS[clause.fact].unit;
  const atLeast = clause.op === '>' || clause.op === '>=';
  const ends = [convert(fact.high, own, clause.unit), convert(fact.low, own, clause.unit)] as const;
  const [worst, best] = atLeast ? [ends[1], ends[0]] : ends;
  const margin = atLeast ? worst - clause.limit : clause.limit - worst;
  // The hair never excuses a strict limit that is met exactly.
  const passes = (value: number): boolean =>
    holds(clause.op, value, clause.limit) || (clause.op === '<=' && value - clause.limit < HAIR);
  const done = (what: Outcome): ClauseVerdict => verdictOf(one, what, { margin, value: worst });
  if (fact.unsure !== undefined) {
    const span = [
      convert(fact.unsure.high, own, clause.unit),
      convert(fact.unsure.low, own, clause.unit),
    ] as const;
    const [furthest, nearest] = atLeast ? [span[1], span[0]] : span;
    if (passes(furthest)) return done(outcome('pass', whatever(fact.unsure.labels)));
    // At the far end of what is plausible and still beyond: no value brings it in.
    if (passes(nearest))
      return done(outcome(isPeak(clause) ? 'check' : 'unknown', dependsOn(fact.unsure.labels)));
    return done(past(clause, atLeast ? nearest - clause.limit : clause.limit - nearest));
  }
  if (passes(worst)) {
    const why = within(clause, worst, margin, fact);
    return done(outcome(why === undefined ? 'pass' : 'check', why));
  }
  if (clause.toleratedTo !== undefined && worst <= clause.toleratedTo)
    return done(outcome('check', clause.caution));
  if (passes(best)) return done(outcome('unknown', AT_THE_LIMIT));
  const error = convert(fact.error ?? 0, own, clause.unit);
  if (error > 0 && passes(atLeast ? worst + error : worst - error))
    return done(outcome('check', 'at the limit: over it by less than it was measured to'));
  return done(past(clause, margin));
}

const AT_THE_LIMIT = 'at the limit: inside at one end of its span only';

/** So many of what is not known are named. */
const NAMED = 2;
function names(labels: readonly string[]): string {
  const named = labels.slice(0, NAMED).map((one) => one.charAt(0).toLowerCase() + one.slice(1));
  const more = labels.length - named.length;
  return more > 0 ? `${named.join(', ')} and ${String(more)} more` : named.join(' and ');
}
const whatever = (labels: readonly string[]): string => `inside whatever it is: ${names(labels)}`;
const dependsOn = (labels: readonly string[]): string => `it depends on ${names(labels)}: not known`;

/** Ratios this close come out of the efficiencies' last digits. */
const RATIO_HAIR = 1e-9;

function judgeCurve(one: Case<CurveClause, CurveFact>): ClauseVerdict {
  const { clause, fact } = one;
  if (fact.corners === undefined) {
    const state = clause.certainty === 'high' ? 'fail' : 'unknown';
    return verdictOf(one, outcome(state, 'the help does not follow the rider: a light foot has all of it'));
  }
  const { kmh, ratio, allowed } = worstPoint(fact.corners, clause.corners);
  const margin = allowed - ratio;
  const found = { margin, value: ratio, at: { kmh, allowed } };
  const met = (corners: CurveFact['corners']): boolean => {
    if (corners === undefined) return false;
    const worst = worstPoint(corners, clause.corners);
    return worst.allowed - worst.ratio >= -RATIO_HAIR;
  };
  const { unsure } = fact;
  if (unsure === undefined || met(unsure.most) === met(unsure.least)) {
    const all = met(unsure === undefined ? fact.corners : unsure.most);
    const judged = judgeCondition(clause, all);
    return verdictOf(
      one,
      all && unsure !== undefined ? outcome('pass', whatever(unsure.labels)) : judged,
      found,
    );
  }
  return verdictOf(one, outcome('unknown', dependsOn(unsure.labels)), found);
}

/** A condition that is met is met whether or not it is really asked for; one that is not needs certainty. */
function judgeCondition(clause: Clause, met: boolean): Outcome {
  if (met) return { state: 'pass', why: undefined };
  switch (clause.certainty) {
    case 'high':
      return { state: 'fail', why: undefined };
    case 'medium':
      return { state: 'unknown', why: NOT_CERTAIN };
    case 'low':
      return { state: 'check', why: MAY_BE };
  }
}

const ONCE_LABELLED = 'a duty: where nothing else is broken, inside once the label is on';
const NOT_LOOKED = 'whether the rider can have it so is not known';
const NOT_TRIED = 'whether the limit holds the throttle too is not known';

/** What may or may not be in the rider’s reach breaks nothing yet, and is not passed over. */
function judgeIn(clause: Clause, way: ProfileFacts): ClauseVerdict {
  const found = judgeSurely(clause, way);
  const doubtful = way.sure === false && (found.state === 'fail' || found.state === 'unknown');
  if (!doubtful) return found;
  return way.planned === true
    ? { ...found, state: 'check', why: PLANNED, sure: false }
    : { ...found, state: 'unknown', why: isPastLimit(way.profile) ? NOT_TRIED : NOT_LOOKED, sure: false };
}

function judgeSurely(clause: Clause, { profile, facts }: ProfileFacts): ClauseVerdict {
  switch (clause.kind) {
    case 'number':
      return judgeNumber({ clause, fact: facts[clause.fact], profile });
    case 'curve':
      return judgeCurve({ clause, fact: facts[clause.fact], profile });
    case 'open':
      return verdictOf(
        { clause, fact: undefined, profile },
        outcome('check', 'not remembered: check the text'),
      );
    case 'one-of': {
      const one = { clause, fact: facts[clause.fact], profile };
      const value = one.fact?.high;
      if (value === undefined) return verdictOf(one, outcome('unknown', 'the value is not known'));
      return verdictOf(one, judgeCondition(clause, clause.allowed.includes(value)), { value });
    }
    case 'answer': {
      const one = { clause, fact: facts[clause.fact], profile };
      // A label is put on when all else is in order: it is a duty, and breaks no class.
      if (clause.fact === 'classLabel' && clause.wanted === 'yes' && one.fact.answer !== 'yes')
        return verdictOf(one, outcome('check', ONCE_LABELLED));
      if (one.fact.answer === 'unknown') return verdictOf(one, outcome('unknown', 'not checked yet'));
      const met = one.fact.answer === clause.wanted;
      return met && one.fact.rests !== undefined
        ? verdictOf(one, outcome('check', one.fact.rests))
        : verdictOf(one, judgeCondition(clause, met));
    }
  }
}

const ORDER: readonly ClauseState[] = ['pass', 'check', 'unknown', 'fail'];

/** Judges a clause in every way the rider can have the machine; the worst counts. */
export function judgeClause(clause: Clause, ways: readonly ProfileFacts[]): ClauseVerdict {
  const all = ways.map((way) => judgeIn(clause, way));
  const worse = (a: ClauseVerdict, b: ClauseVerdict): boolean =>
    a.state === b.state ? (a.margin ?? 0) < (b.margin ?? 0) : ORDER.indexOf(a.state) > ORDER.indexOf(b.state);
  const first = all[0];
  if (first === undefined) throw new TypeError('a machine can be ridden in at least one way');
  return all.reduce((worst, one) => (worse(one, worst) ? one : worst), first);
}
