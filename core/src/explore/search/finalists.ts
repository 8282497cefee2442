import type { BuildDocument } from '../../document/document.ts';
import type { RuleBook } from '../../law/rule-schema.ts';
import type { Part } from '../../parts/part.ts';
import { evaluate } from '../../verdict/evaluate.ts';
import { study, type Study } from '../../verdict/study.ts';
import { standsInFor } from '../../verdict/undecided.ts';
import { standing as standingOf, type Standing } from '../change/gains.ts';
import { mended } from '../change/mend.ts';
import type { Goal, SearchAsked } from './asked.ts';
import { dominates, lessIsBetter } from './front.ts';
import { chosenBuild, gridOf, type Grid } from './grid.ts';
import type { Candidate } from './candidate.ts';

/** Why one that stands by the coarse physics does not when it is judged whole. */
export const WHOLE_REASONS = ['law', 'fit', 'chain', 'heat'] as const;
export type WholeReason = (typeof WHOLE_REASONS)[number];

/** A build that nothing on the shelf beats in every goal. */
export interface Finalist extends Candidate {
  readonly build: BuildDocument;
  /** What was chosen, in a few words each. */
  readonly names: readonly string[];
  readonly is: Standing;
  /** What its whole list comes to, the far end where prices are guessed, and how many lines have no price. */
  readonly total: number;
  readonly unpriced: number;
  /** Checks that wait for a measure: not known is not fine. */
  readonly waits: number;
  /** “with a usual motor” or pack, where what is kept was never chosen or read: its figures are those of a usual one. */
  readonly standsIn: string;
}

/** What the judging has come to, on the way and at the end. */
export interface FinalistsFound {
  readonly judged: number;
  /** The front so far: what is left of a search that is stopped. */
  readonly finalists: readonly Finalist[];
  readonly refused: Readonly<Record<WholeReason, number>>;
}

/** The build in hand, against which a candidate is judged: what stands in its way already is nobody's doing. */
interface Judge {
  readonly now: Study;
  readonly stops: ReadonlySet<string>;
  readonly mends: readonly Part[];
}

const stopsOf = (s: Study): readonly string[] =>
  [...s.checks, ...s.powerChecks].filter((c) => c.state === 'stop').map((c) => c.id);

/** What may be bought to make a candidate go: its motor, pack and controller are its own. */
const MENDING: ReadonlySet<Part['type']> = new Set(['charger', 'connector', 'wire']);

export function judgeFor(build: BuildDocument, parts: readonly Part[]): Judge {
  const now = study(build);
  return { now, stops: new Set(stopsOf(now)), mends: parts.filter((p) => MENDING.has(p.type)) };
}

/** What became of a candidate: refused, or the build as it is ordered. */
type Judgement =
  | { readonly why: WholeReason }
  | { readonly why: undefined; readonly build: BuildDocument; readonly is: Standing; readonly study: Study };

/** A candidate judged whole: heat, law, fit and power chain. */
export function judgeWhole(
  judge: Judge,
  candidate: BuildDocument,
  { held }: SearchAsked,
  book: RuleBook,
): Judgement {
  // Heat hangs on the machine alone, and refuses most: it is asked before anything is mended.
  const { hottestC, hillKmh } = held;
  if (hottestC !== null || hillKmh !== null) {
    const ride = study(candidate).hillRide;
    // One that is held back until it stands is not too hot, and not at the top either.
    if (ride === undefined || ride.ends === 'stalled' || ride.hottestC > (hottestC ?? Infinity))
      return { why: 'heat' };
  }
  const { build, left } = mended(candidate, judge.now, judge.mends, 'nothing');
  const s = study(build);
  const is = standingOf(s, book);
  const found = { build, is, study: s };
  if (held.lawful && is.classState === 'stop') return { why: 'law' };
  const fitIds = new Set(s.checks.map((c) => c.id));
  const news = stopsOf(s).filter((id) => !judge.stops.has(id));
  if (held.fits && news.some((id) => fitIds.has(id))) return { why: 'fit' };
  if (left.length > 0 || news.some((id) => !fitIds.has(id))) return { ...found, why: 'chain' };
  return { ...found, why: undefined };
}

const namesOf = ({ motors, pairs }: Grid, { motor, geared, pair }: Candidate): readonly string[] => {
  const [m, p] = [motors[motor], pairs[pair]];
  const g = m?.geared[geared];
  return [m, p?.pack, p?.controller, g?.ring, g?.cogs, g?.tyre].flatMap((choice) =>
    choice?.part === undefined ? [] : [choice.name],
  );
};

/** The build of a candidate. @throws TypeError for one of another grid */
export function buildOf(
  grid: Grid,
  { motor, geared, pair }: Pick<Candidate, 'motor' | 'geared' | 'pair'>,
): BuildDocument {
  const m = grid.motors[motor];
  const [g, p] = [m?.geared[geared], grid.pairs[pair]];
  if (m === undefined || g === undefined || p === undefined)
    throw new TypeError('a candidate of another grid');
  return chosenBuild(grid, m, g, p);
}

/**
 * The front of those that stand: judged whole in the order of their goals, and only where nothing accepted beats them. Exact: what is
 * beaten by an accepted one can never be on the front, and what beats another comes before it.
 */
export function* finalistsOf(
  build: BuildDocument,
  parts: readonly Part[],
  book: RuleBook,
  asked: SearchAsked,
  standing: readonly Candidate[],
): Generator<FinalistsFound, FinalistsFound> {
  const grid = gridOf(build, parts, book, asked);
  const judge = judgeFor(build, parts);
  const ranked = inOrder(asked.goals, standing);
  const refused: Record<WholeReason, number> = { law: 0, fit: 0, chain: 0, heat: 0 };
  let front: readonly { readonly goals: readonly number[]; readonly finalist: Finalist }[] = [];
  let judged = 0;
  const found = (): FinalistsFound => ({
    judged,
    finalists: front.map((f) => f.finalist),
    refused: { ...refused },
  });
  for (const { candidate, goals } of ranked) {
    if (front.some((f) => dominates(f.goals, goals))) continue;
    const judgement = judgeWhole(judge, buildOf(grid, candidate), asked, book);
    judged += 1;
    if (judgement.why === undefined) {
      const { build: made, is, study: s } = judgement;
      const { ledger } = evaluate(made, book, parts).list;
      const finalist: Finalist = {
        ...candidate,
        build: made,
        names: namesOf(grid, candidate),
        is,
        total: ledger.total.most,
        unpriced: ledger.noIdea,
        waits: unknownsOf(s),
        standsIn: standsInFor(s, 'range'),
      };
      // Sums that are level but for rounding may stand in either order.
      front = [...front.filter((f) => !dominates(goals, f.goals)), { goals, finalist }];
    } else refused[judgement.why] += 1;
    yield found();
  }
  return found();
}

/** What cannot be told of a build yet: of fit, of the power chain, and links whose limits nobody has read. */
const unknownsOf = (s: Study): number =>
  [...s.checks, ...s.powerChecks].filter((c) => c.state === 'unknown').length + s.chain.unknown.length;

/** Candidates by the sum of their goals, each over its span: whatever beats another comes before it. */
function inOrder(
  goals: readonly Goal[],
  standing: readonly Candidate[],
): readonly { readonly candidate: Candidate; readonly goals: readonly number[] }[] {
  const all = standing.map((candidate) => ({ candidate, goals: lessIsBetter(goals, candidate) }));
  const spans = goals.map((_, i) => {
    let [low, high] = [Infinity, -Infinity];
    for (const { goals: g } of all) {
      low = Math.min(low, g[i] ?? 0);
      high = Math.max(high, g[i] ?? 0);
    }
    return { low, span: high - low || 1 };
  });
  const sum = (g: readonly number[]): number =>
    spans.reduce((total, { low, span }, i) => total + ((g[i] ?? 0) - low) / span, 0);
  return all
    .map((one) => ({ ...one, sum: sum(one.goals) }))
    .sort(
      (a, b) =>
        a.sum - b.sum ||
        a.candidate.motor - b.candidate.motor ||
        a.candidate.geared - b.candidate.geared ||
        a.candidate.pair - b.candidate.pair,
    );
}
