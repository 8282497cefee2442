import type { QuantityPath } from '../../document/document.ts';
import type { Known } from '../../document/known-build.ts';
import type { RideKind } from '../ride-record.ts';

/** What a value cannot be told apart from, and by how much: below a half nothing is said, beyond nine tenths hardly at all. */
export interface NotApart {
  readonly from: string;
  readonly share: number;
}

/** A value that the rides tell. */
export interface LearntValue {
  readonly path: QuantityPath;
  readonly name: string;
  readonly known: Known;
  readonly before: number;
  readonly beforeSd: number;
  readonly after: number;
  readonly sd: number;
  /** Kinds of ride that tell it, the most telling first. */
  readonly toldBy: readonly RideKind[];
  readonly notApart: NotApart | undefined;
  /** `learnt`: narrower than before; `little`: hardly; `same`: narrower, and where it was: nothing to take. */
  readonly verdict: 'learnt' | 'little' | 'same';
  /** Further values that go with it, as factors: what the air takes has a still and a moving part. */
  readonly also: readonly QuantityPath[];
}

/** Narrower than this share of what it was is learnt. */
const NARROWER = 0.7;
/** A value within so many of its errors of where it was stays there. */
const SAME = 1;
/** A correlation from which two values count as hardly told apart. */
export const HALF = 0.5;

function verdictOf(before: number, beforeSd: number, after: number, sd: number): LearntValue['verdict'] {
  if (sd > NARROWER * beforeSd) return 'little';
  return Math.abs(after - before) <= SAME * sd ? 'same' : 'learnt';
}

/** What the rides tell of a value that the plan knows, with how well it stood before and stands after. */
export const learntOf = (
  known: Known,
  told: Pick<LearntValue, 'path' | 'name' | 'beforeSd' | 'after' | 'sd' | 'toldBy' | 'notApart' | 'also'>,
): LearntValue => ({
  ...told,
  known,
  before: known.value,
  verdict: verdictOf(known.value, told.beforeSd, told.after, told.sd),
});
