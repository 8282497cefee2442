import type { Answer, PlannedAnswer } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild, KnownSource } from '../document/known-build.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { withValue } from '../document/quantity-at.ts';
import { assembleKnown } from '../machine/assemble.ts';
import { supplyAt } from '../machine/battery.ts';
import type { Machine } from '../machine/machine.ts';
import { torqueConstant } from '../machine/motor.ts';
import { lazily } from '../quantity/lazily.ts';
import { errorOf } from './measuring-error.ts';
import { anyPack, cornerOf, plausibleSpan, unknownOf, type Bearings } from './span.ts';

/** A number a clause is held against: a band where the instrument leaves conditions open. */
export interface NumberFact {
  readonly kind: 'number';
  readonly low: number;
  /** The end that counts. */
  readonly high: number;
  /** The worst source of what decides it. */
  readonly source: KnownSource;
  readonly how: string;
  /** How far it may be off by the way it was measured; 0 for what is set or printed. */
  readonly error?: number;
  /** Where unknown values decide: between what it lies at their plausible ends, and which they are. */
  readonly unsure?: Unsure | undefined;
}

interface Unsure {
  readonly low: number;
  readonly high: number;
  /** What is not known, the most telling first. */
  readonly labels: readonly string[];
}

export interface AnswerFact {
  readonly kind: 'answer';
  readonly answer: Answer;
  readonly how: string;
  /** What it rests on that is to be looked at: a value that is assumed, or what is planned. */
  readonly rests?: string;
}

export const number = (
  low: number,
  high: number,
  source: KnownSource,
  how: string,
  more: Partial<Pick<NumberFact, 'error' | 'unsure'>> = {},
): NumberFact => ({
  kind: 'number',
  low,
  high,
  source,
  how,
  error: more.error ?? 0,
  unsure: more.unsure,
});
export const point = (value: number, source: KnownSource, how: string): NumberFact =>
  number(value, value, source, how);
/** Why a pass is only a check. */
export const ASSUMED = 'it rests on assumed values';
export const PLANNED = 'it is planned so: look at it once it is fitted and set';

export const yesNo = (answer: Answer, how: string): AnswerFact => ({ kind: 'answer', answer, how });

/** What is planned is as it should be, and is to be looked at. */
export const plannedYes = (answer: PlannedAnswer, how: string): AnswerFact =>
  answer === 'planned' ? { ...yesNo('yes', how), rests: PLANNED } : yesNo(answer, how);

/** One quantity as it stands, with its own error, or with its plausible span where nobody has read it. */
export function told(known: Known, how: string): NumberFact {
  const { value, source } = known;
  if (source !== 'unknown') return number(value, value, source, how, { error: errorOf(known) });
  const [low, high] = plausibleSpan(known);
  return number(value, value, source, how, { unsure: { low, high, labels: [known.label] } });
}

/** What the facts of one way are worked out on. */
export interface Way {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
  /** What counts of it. */
  readonly used: readonly Known[];
}

export function wayOf(build: BuildDocument): Way {
  const way: Way = lazily<Way>({
    build: () => build,
    known: () => knownBuild(build),
    machine: () => assembleKnown(build, way.known),
    used: () => knownInUse(build, way.known),
  });
  return way;
}

/** What a fact of the machine is worked out on, as it is entered and with unknown values at their plausible ends. */
export interface Corners {
  readonly unknown: readonly Known[];
  readonly up: Way;
  readonly down: Way;
}

/**
 * The corner with the speed constant at which the motor spins fastest within its span: the highest, unless its core drags so
 * much that a weaker winding no longer gets there. Kt of the fastest (Kt V - h)/(Kt^2 + c) is (h + sqrt(h^2 + V^2 c))/V with
 * h = Th R and c = ce R. Derived.
 */
function fastest(build: BuildDocument, unknown: readonly Known[], end: 'up' | 'down'): BuildDocument {
  const kv = unknown.find((k) => k.path === 'drive.kvRpmPerV');
  if (kv === undefined || end === 'down') return build;
  const { motor, pack, controllerOhm } = assembleKnown(build, knownBuild(build));
  const { openVolts, ohm } = supplyAt(pack, 1);
  const all = motor.resistance20 + controllerOhm + ohm;
  const [h, c] = [motor.hysteresisNm * all, motor.eddyNms * all];
  const best = torqueConstant((h + Math.sqrt(h * h + openVolts ** 2 * c)) / openVolts);
  const [low, high] = plausibleSpan(kv);
  return best >= high ? build : withValue(build, kv.path, Math.max(low, best));
}

/** The corners of a way by what bears on a fact. */
export function cornersOf({ build, used }: Way, bearings: Bearings): Corners {
  const unknown = unknownOf(used, bearings);
  const at = (end: 'up' | 'down'): Way =>
    wayOf(fastest(cornerOf(build, unknown, bearings, end), unknown, end));
  return lazily<Corners>({ unknown: () => unknown, up: () => at('up'), down: () => at('down') });
}

export const worst = (known: readonly Known[]): KnownSource => {
  const has = (source: KnownSource): boolean => known.some((k) => k.source === source);
  if (has('unknown')) return 'unknown';
  return has('assumed') ? 'assumed' : 'worked';
};

/** A fact of the whole machine: where unknown values move it, between what, and by which. */
export function moved(fact: NumberFact, corners: Corners, of: (way: Way) => NumberFact): NumberFact {
  if (corners.unknown.length === 0) return fact;
  const [high, low] = [of(corners.up).high, of(corners.down).low];
  if (high <= fact.high && low >= fact.low) return fact;
  return {
    ...fact,
    source: 'unknown',
    unsure: {
      low: Math.min(low, fact.low),
      high: Math.max(high, fact.high),
      labels: corners.unknown.map((k) => k.label),
    },
  };
}

/** A fact of the whole machine is as sure as the least sure value that it rests on. */
export function restingOn(fact: NumberFact, { used }: Way, bearings: Bearings): NumberFact {
  if (fact.source !== 'worked') return fact;
  const paths = new Set(bearings.map(([path]) => path));
  const on = used.filter((k) => paths.has(anyPack(k.path)));
  return worst(on) === 'assumed' ? { ...fact, source: 'assumed' } : fact;
}
