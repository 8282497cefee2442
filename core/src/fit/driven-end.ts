import { asked, stateOf, type Asked, type Bounded } from '../check/check.ts';
import type { Known } from '../document/known-build.ts';
import type { Subject } from './subject.ts';

/** Material of what holds the motor's axle. */
export const driven = (s: Subject) =>
  s.hub === 'front' ? s.build.donor.forkMaterial : s.build.donor.frameMaterial;

/** The material of the dropouts that hold the motor's axle. */
export const askedMaterial = (s: Subject): Asked =>
  asked(s.hub === 'front' ? 'fork material' : 'frame material', driven(s));

/**
 * The same, where steel would be judged otherwise than anything else: what stops either way, or is fine, waits for nobody. While
 * nobody has read the measures themselves it may well decide.
 */
export const askedIfSteelTurns = (
  s: Subject,
  measures: readonly Known[],
  judged: (steel: boolean) => Bounded,
): readonly Asked[] =>
  measures.every(({ source }) => source !== 'unknown') && stateOf(judged(true)) === stateOf(judged(false))
    ? []
    : [askedMaterial(s)];
