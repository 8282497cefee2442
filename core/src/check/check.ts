import type { Known } from '../document/known-build.ts';
import type { QuantityPath } from '../document/document.ts';
import { unreadOf } from '../document/worked.ts';
import { usualDigits } from '../quantity/format.ts';
import type { Phrase } from '../quantity/phrase.ts';
import type { Unit } from '../quantity/units.ts';
import type { StageId } from './stage-ids.ts';
import type { State } from './state.ts';

/** How a limit was come by. */
type Origin = 'standard' | 'common practice' | 'from memory' | 'derived';

/** What checks are sorted by beside the stages' own: the walk round the bicycle, then the path of the current. */
export const CHECK_GROUPS = [
  'frame',
  'wheel',
  'bracket',
  'battery',
  'load',
  'brakes',
  'external',
  'controls',
  'pack',
  'joining',
  'leads',
  'charging',
  'supply',
] as const;
/** A stage's own checks bear its name. */
export type CheckGroup = (typeof CHECK_GROUPS)[number] | StageId;

/** One comparison of the bicycle with what the conversion asks of it. */
export interface Check {
  readonly id: string;
  readonly group: CheckGroup;
  readonly title: string;
  readonly state: State;
  /** What the state would be with every unknown at its usual value: only for ranking what to measure. */
  readonly would: State;
  /** What is compared; undefined when it is not known, or is no number. */
  readonly value: number | undefined;
  readonly unit: Unit;
  /** Decimals that its value is told with: enough to see by how little a limit is missed. */
  readonly digits: number | undefined;
  /** The finding in words where it is no number. */
  readonly words: string | undefined;
  /** The limit in words: "at least 10 mm". */
  readonly limit: Phrase;
  /** What is in hand against the limit of fine, in the unit of the value; negative when it is missed. */
  readonly margin: number | undefined;
  readonly why: Phrase;
  readonly remedy: Phrase;
  readonly origin: Origin;
  /** The standard by name and year, or what the value rests on. */
  readonly source: string;
  /** Quantities that the check waits for. */
  readonly missing: readonly QuantityPath[];
  /** Choices that the check waits for, in words. */
  readonly unanswered: readonly string[];
  /** Inputs taken as assumed: the answer is as good as they are. */
  readonly assumed: readonly QuantityPath[];
  /** Every quantity that it rests on. */
  readonly inputs: readonly QuantityPath[];
  /** The field at which it is mended, where it is one; empty where several could be. */
  readonly at: QuantityPath | '';
}

/** A choice that may not have been made: its words for the list of what is missing, and whether it is known. */
export interface Asked {
  readonly label: string;
  readonly known: boolean;
}

export const asked = (label: string, value: string): Asked => ({ label, known: value !== 'unknown' });

interface Base {
  readonly id: string;
  readonly group: CheckGroup;
  readonly title: string;
  readonly limit: Phrase;
  readonly why: Phrase;
  /** What to do when it is not fine. */
  readonly remedy: Phrase;
  readonly origin: Origin;
  readonly source?: string;
  readonly inputs: readonly Known[];
  /** The value that is mended, where it does not rest on that alone. */
  readonly mends?: Known;
  readonly asked?: readonly Asked[];
  /** What the limit itself is worked out from: while one is unknown, there is no limit to show. */
  readonly limitFrom?: readonly Known[];
}

/** In place of a limit that cannot be worked out yet. */
const NOT_YET: Phrase = ['not known yet'];

/** What to do about a check that is fine. */
const NOTHING: Phrase = ['Nothing to do.'];

const pathsOf = (inputs: readonly Known[]): readonly QuantityPath[] => inputs.map((k) => k.path);

/** What a check finds once everything that it rests on is known. */
interface Outcome {
  readonly would: State;
  readonly value: number | undefined;
  readonly unit: Unit;
  readonly digits: number | undefined;
  readonly words: string | undefined;
  readonly margin: number | undefined;
}

/** An unknown input gives unknown, whatever the outcome would say. Written out: it is made some fifty times a keystroke. */
function checkOf(base: Base, outcome: Outcome): Check {
  const missing = [...new Set(pathsOf(base.inputs.flatMap(unreadOf)))];
  const unanswered = (base.asked ?? []).filter((a) => !a.known).map((a) => a.label);
  const known = missing.length === 0 && unanswered.length === 0;
  const limitless = base.limitFrom?.some((k) => k.source === 'unknown') === true;
  return {
    id: base.id,
    group: base.group,
    title: base.title,
    limit: limitless ? NOT_YET : base.limit,
    why: base.why,
    remedy: outcome.would === 'fine' ? NOTHING : base.remedy,
    origin: base.origin,
    source: base.source ?? '',
    missing,
    unanswered,
    assumed: pathsOf(base.inputs.filter((k) => k.source === 'assumed')),
    inputs: pathsOf(base.inputs),
    at: (base.mends ?? (base.inputs.length === 1 ? base.inputs[0] : undefined))?.path ?? '',
    state: known ? outcome.would : 'unknown',
    would: outcome.would,
    value: known ? outcome.value : undefined,
    unit: outcome.unit,
    digits: outcome.digits,
    words: known ? outcome.words : undefined,
    margin: known ? outcome.margin : undefined,
  };
}

export interface Measured extends Base {
  readonly value: number;
  readonly unit: Unit;
  /** `most`: fine up to the limit; `least`: fine from it. */
  readonly sense: 'most' | 'least';
  /** Bounds of fine and of look; beyond the second it is stop. */
  readonly fine: number;
  readonly look: number;
}

/** A number against its two bounds. */
export type Bounded = Pick<Measured, 'value' | 'sense' | 'fine' | 'look'>;

/** Sums are right to their last bits only: what misses a bound by no more meets it. */
const LAST_BITS = 1e-12;

const within = ({ value, sense }: Bounded, bound: number): boolean => {
  const hair = LAST_BITS * Math.max(1, Math.abs(bound));
  return sense === 'most' ? value <= bound + hair : value >= bound - hair;
};

/** What a number comes to. */
export function stateOf(spec: Bounded): State {
  if (within(spec, spec.fine)) return 'fine';
  return within(spec, spec.look) ? 'look' : 'stop';
}

/** What is in hand against the bound of fine; negative where it is missed. */
const marginOf = ({ value, sense, fine }: Measured): number =>
  sense === 'most' ? fine - value : value - fine;

/** Decimals that a value is worth where nothing is near: small lengths are a matter of tenths, counts have none. */
function shownDigits({ unit, value }: Pick<Measured, 'unit' | 'value'>): number | undefined {
  if (unit === 'mm') return Math.abs(value) < 20 ? 1 : 0;
  if (unit === 'm') return 1;
  if (unit === '1') return Number.isInteger(value) ? 0 : 2;
  return undefined;
}

/** A miss is told to a thousandth of its unit at most. */
const FINEST = 3;

/** The same, and as many more as tell a value from the bound that it misses: what would read as met, or as a miss of nought. */
function digitsOf(spec: Measured, would: State): number | undefined {
  const shown = shownDigits(spec);
  if (would === 'fine') return shown;
  const least = shown ?? usualDigits(spec.value, spec.unit);
  for (let digits = least; digits <= FINEST; digits += 1)
    if (spec.value.toFixed(digits) !== spec.fine.toFixed(digits)) return digits === least ? shown : digits;
  return shown;
}

/** The limit with the bound itself in so many decimals. */
const finer = ({ limit, unit, fine }: Measured, digits: number | undefined): Phrase =>
  limit.map((part) =>
    typeof part !== 'string' && part.unit === unit && Math.abs(part.value - fine) < LAST_BITS
      ? { ...part, digits }
      : part,
  );

/** A check of a number against a limit. An unknown input gives unknown, whatever the number would say. */
export function measured(spec: Measured): Check {
  const would = stateOf(spec);
  const digits = digitsOf(spec, would);
  const near = digits !== shownDigits(spec);
  return checkOf(near ? { ...spec, limit: finer(spec, digits) } : spec, {
    would,
    value: spec.value,
    unit: spec.unit,
    digits,
    words: undefined,
    margin: marginOf(spec),
  });
}

/** A check of a fact that is no number. An unknown input gives unknown. */
export const told = (spec: Base & { readonly state: State; readonly words: string }): Check =>
  checkOf(spec, {
    would: spec.state,
    value: undefined,
    unit: '1',
    digits: undefined,
    words: spec.words,
    margin: undefined,
  });
