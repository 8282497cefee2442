import { lookOrder, type NextLook } from './look-order.ts';
import { CAUSES, LOOKS } from './knowledge.ts';
import type { Cause } from './cause.ts';
import { likelihood } from './look.ts';
import type { FaultScene } from './scene.ts';
import type { SymptomId } from './symptom.ts';
import type { Phrase } from '../../quantity/phrase.ts';

/** An answer to a look. */
export interface Answered {
  readonly look: string;
  readonly says: 'yes' | 'no';
}

/** A fault that was cured before: what it showed, and what it was. */
export interface Cured {
  readonly symptom: SymptomId;
  readonly cause: string;
}

export interface RankedCause {
  readonly cause: Cause;
  /** Of all that it can be, 0 to 1. */
  readonly share: number;
  /** What this build says of it; empty where it says nothing. */
  readonly why: Phrase;
  /** How often it was the cause here before. */
  readonly before: number;
}

/** A cause that this build cannot have, and why. */
interface RuledOut {
  readonly cause: Cause;
  readonly why: Phrase;
}

export interface FaultTree {
  /** The likeliest first. */
  readonly causes: readonly RankedCause[];
  readonly ruledOut: readonly RuledOut[];
  /** Looks that are left, the one that tells most for its minutes first, each with what is expected of this build. */
  readonly next: readonly (NextLook & { readonly expects: Phrase })[];
}

/** The table counts as much as so many cures of the shop's own. Common practice, no source. */
const TABLE_WORTH = 6;

/**
 * What is behind a symptom: the table's shares, moved by what the shop has found before (Dirichlet prior of weight 6), times
 * what the build's own numbers say, times how likely the answers are (Bayes; the answers taken as independent of each other).
 * @param history cures of all builds of the shop
 */
export function faultTree(
  symptom: SymptomId,
  scene: FaultScene,
  answers: readonly Answered[],
  history: readonly Cured[] = [],
): FaultTree {
  const behind = CAUSES.filter((c) => c.behind[symptom] !== undefined);
  const table = behind.reduce((sum, c) => sum + (c.behind[symptom] ?? 0), 0);
  const here = history.filter((h) => h.symptom === symptom && behind.some((c) => c.id === h.cause));
  const ruledOut: RuledOut[] = [];
  const weighed = behind.flatMap((cause): (Omit<RankedCause, 'share'> & { readonly weight: number })[] => {
    const fit = cause.fit?.(scene);
    if (fit?.times === 0) {
      ruledOut.push({ cause, why: fit.why });
      return [];
    }
    const before = here.filter((h) => h.cause === cause.id).length;
    const usual = (cause.behind[symptom] ?? 0) / table;
    const learnt = (TABLE_WORTH * usual + before) / (TABLE_WORTH + here.length);
    const said = answers.reduce((product, { look, says }) => {
      const found = LOOKS.find((l) => l.id === look);
      return found === undefined ? product : product * likelihood(found, cause.id, says);
    }, 1);
    return [{ cause, why: fit?.why ?? [], before, weight: learnt * (fit?.times ?? 1) * said }];
  });
  const all = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const causes = weighed
    .map(({ weight, ...rest }): RankedCause => ({ ...rest, share: weight / all }))
    .sort((a, b) => b.share - a.share);
  const done = new Set(answers.map((a) => a.look));
  const open = LOOKS.filter((l) => !done.has(l.id) && l.of.includes(symptom) && (l.on?.(scene) ?? true));
  return {
    causes,
    ruledOut,
    next: lookOrder(open, causes).map((n) => ({ ...n, expects: n.look.expect?.(scene) ?? [] })),
  };
}
