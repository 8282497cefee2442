import type { BuildDocument } from '../../document/document.ts';
import type { RuleBook } from '../../law/rule-schema.ts';
import type { Part } from '../../parts/part.ts';
import type { Phrase } from '../../quantity/phrase.ts';
import { before, changedBy, gainsAt, stepsFor, type Aim, type Changed } from './gains.ts';
import type { ChangeStep, StepKind } from './step.ts';

/** One rung: the best step for the next money, on top of those before it. */
interface Rung {
  readonly id: string;
  readonly what: Phrase;
  /** Of the whole ladder up to here, as one build. */
  readonly cost: number;
  readonly gain: number;
  /** Of this rung alone. */
  readonly stepCost: number;
  readonly stepGain: number;
  /** What has no known price in the whole of it. */
  readonly noIdea: readonly string[];
  /** Something of this rung alone has none. */
  readonly unpriced: boolean;
}

/** What the next money gains, and where it stops paying. */
export interface Ladder {
  readonly aim: Aim;
  readonly rungs: readonly Rung[];
  /** The first rung that gains less for its money than the whole ladder does; undefined where none does. */
  readonly stopsAt: number | undefined;
}

const MOST_RUNGS = 8;

/** Habits and limits of the law are no ladder of money. */
const BOUGHT: ReadonlySet<StepKind> = new Set([
  'amps',
  'pack',
  'second-pack',
  'motor',
  'ring',
  'cogs',
  'tyre',
  'fluid',
  'sensor',
]);

interface Tried {
  readonly step: ChangeStep;
  readonly then: Changed;
}

const worth = ({ then, than }: { then: Changed; than: Changed | undefined }, aim: Aim): number => {
  const gain = (then.gains[aim] ?? 0) - (than?.gains[aim] ?? 0);
  const cost = then.allIn.cost - (than?.allIn.cost ?? 0);
  if (gain <= 0) return -Infinity;
  if (cost > 0) return gain / cost;
  // What nobody knows the price of is not free: it is taken last.
  return isUnpriced({ then, than }) ? Number.MIN_VALUE : Infinity;
};

/** Something of the step, beside what was taken before it, has no known price. */
const isUnpriced = ({ then, than }: { then: Changed; than: Changed | undefined }): boolean =>
  then.allIn.noIdea.some((what) => than?.allIn.noIdea.includes(what) !== true);

/** Takes no step that leaves the class or stops the build. */
const isOpen = ({ classRisk, left, newStops }: Changed): boolean =>
  classRisk !== 'worse' && left.length === 0 && newStops.length === 0;

/**
 * Diminishing returns: the step that gains most for its money, then the next on top of it, each reckoned as one build, until nothing
 * gains. Steps that would leave the class are not taken.
 */
export function* ladder(
  build: BuildDocument,
  parts: readonly Part[],
  book: RuleBook,
  aim: Aim,
): Generator<number, Ladder> {
  const now = before(build, parts, book);
  const rungs: Rung[] = [];
  let taken: readonly ChangeStep[] = [];
  let than: Changed | undefined;
  // What does not gain by itself is not tried again on top of the others: it would take a minute.
  let steps = stepsFor(build, parts).filter((s) => BOUGHT.has(s.kind));
  for (let i = 0; i < MOST_RUNGS; i += 1) {
    const tried: Tried[] = [];
    for (const step of steps) {
      const then = changedBy(now, [...taken.filter((t) => t.kind !== step.kind), step]);
      if (isOpen(then)) tried.push({ step, then });
      yield i;
    }
    if (i === 0) {
      const useful = new Set(
        tried.filter(({ then }) => (then.gains[aim] ?? 0) > 0).map(({ step }) => step.id),
      );
      steps = steps.filter((s) => useful.has(s.id));
    }
    const best = bestOf(tried, than, aim);
    if (best === undefined) break;
    const { step, then } = best;
    taken = [...taken.filter((t) => t.kind !== step.kind), step];
    rungs.push({
      id: step.id,
      what: step.what,
      cost: then.allIn.cost,
      gain: then.gains[aim] ?? 0,
      stepCost: then.allIn.cost - (than?.allIn.cost ?? 0),
      stepGain: (then.gains[aim] ?? 0) - (than?.gains[aim] ?? 0),
      noIdea: then.allIn.noIdea,
      unpriced: isUnpriced({ then, than }),
    });
    steps = steps.filter((s) => s.id !== step.id);
    than = then;
  }
  return { aim, rungs, stopsAt: whereItStops(rungs) };
}

function bestOf(tried: readonly Tried[], than: Changed | undefined, aim: Aim): Tried | undefined {
  return tried
    .map((one) => ({ one, worth: worth({ then: one.then, than }, aim) }))
    .filter(({ one, worth: w }) => w > 0 && gainsAt(one.then, aim))
    .sort((a, b) => b.worth - a.worth || gainOf(b.one, aim) - gainOf(a.one, aim))[0]?.one;
}
const gainOf = ({ then }: Tried, aim: Aim): number => then.gains[aim] ?? 0;

/** The knee of the curve: from there on money gains less than it does on the whole of the ladder. */
function whereItStops(rungs: readonly Rung[]): number | undefined {
  const last = rungs.at(-1);
  if (last === undefined || last.cost <= 0) return undefined;
  const mean = last.gain / last.cost;
  const at = rungs.findIndex((r) => r.stepCost > 0 && r.stepGain / r.stepCost < mean);
  return at < 0 ? undefined : at;
}
