import type { Sourced } from '../../../document/quantity-spec.ts';
import type { Known } from '../../../document/known-build.ts';
import type { Phrase } from '../../../quantity/phrase.ts';
import type { Unit } from '../../../quantity/units.ts';

export interface Amiss {
  readonly state: 'look' | 'stop';
  readonly why: Phrase;
}

/** A setting of controller or display, worked out from the plan. */
export interface Setting {
  /** Made of what it is, and of the profile where there are several. */
  readonly key: string;
  readonly name: string;
  readonly unit: Unit;
  /** Undefined where the plan has no value that somebody has said. */
  readonly plan: number | undefined;
  readonly digits: number;
  readonly because: Phrase;
  /** What happens where it is wrong. */
  readonly ifWrong: string;
  /** How far it may be off and be the same. */
  readonly tolerance: number;
  /** What the plan's own value stops at, or has to be looked at for: it is not put into a controller as it stands. */
  readonly amiss: Amiss | undefined;
  /** Set by taste: no part asks for a value, and a person may choose one. */
  readonly taste: boolean;
}

export const isKnown = ({ source }: Known): boolean => source !== 'unknown';
/** A value as it is typed: of a limit the one that is put in, whatever the wheel makes of it on the road. */
export const typed = (quantity: Sourced): number | undefined =>
  quantity.source === 'unknown' ? undefined : quantity.value;
export const valueOf = (known: Known): number | undefined => (isKnown(known) ? known.value : undefined);

interface Draft extends Omit<Setting, 'tolerance' | 'digits' | 'taste' | 'amiss'> {
  /** What the plan's value comes from: one that is only assumed is told so, and is not put into a controller in silence. */
  readonly of?: Pick<Known, 'source'>;
  readonly tolerance?: number;
  readonly digits?: number;
  readonly taste?: boolean;
  readonly amiss?: Amiss | undefined;
}
/** A step of what such settings are usually entered in. Common practice, no source. */
const USUAL_TOLERANCE = 0.05;

export const setting = ({ of, ...draft }: Draft): Setting => ({
  tolerance: USUAL_TOLERANCE,
  digits: 1,
  taste: false,
  amiss: undefined,
  ...draft,
  because: of?.source === 'assumed' ? ['only assumed so far; ', ...draft.because] : draft.because,
});
