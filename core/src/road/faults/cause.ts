import type { StageId } from '../../check/stage-ids.ts';
import type { Fit, FaultScene } from './scene.ts';
import type { SymptomId } from './symptom.ts';

/** How often a cause is behind a symptom, on machines in general, in shares of each other. Common practice, no source. */
export const OFTEN = 9;
export const NOW_AND_THEN = 3;
export const SELDOM = 1;

/** Something that can be wrong, and what cures it. */
export interface Cause {
  readonly id: string;
  readonly name: string;
  readonly behind: Readonly<Partial<Record<SymptomId, number>>>;
  /** What this build says of it; undefined where it says nothing. */
  readonly fit?: (scene: FaultScene) => Fit | undefined;
  readonly cure: string;
  /** What can hurt while it is looked for or cured; empty where nothing does. */
  readonly caution: string;
  /** The stage that has its numbers. */
  readonly at: StageId;
}

export const cause = (
  id: string,
  name: string,
  at: StageId,
  behind: Cause['behind'],
  cure: string,
  more: { readonly fit?: Cause['fit']; readonly caution?: string } = {},
): Cause => ({
  id,
  name,
  at,
  behind,
  cure,
  caution: more.caution ?? '',
  ...(more.fit === undefined ? {} : { fit: more.fit }),
});
