import { qty } from '../quantity/phrase.ts';
import { measured, type Check } from '../check/check.ts';
import { axleTorqueNm } from './axle-torque.ts';
import type { Subject } from './subject.ts';

/** Where a spoke runs, mm. */
export interface Lacing {
  /** Effective diameter of the rim, hole circle and distance of the flanges. */
  readonly erdMm: number;
  readonly flangeMm: number;
  readonly flangeGapMm: number;
  /** Spokes in all, and how many of its flange each crosses. */
  readonly spokes: number;
  readonly crossings: number;
}

/** Hole of a flange, mm: half of it is bent round. Common practice. */
const HOLE_MM = 2.6;

/** A spoke from its flange to its nipple, mm, and how far off the radius it enters the rim, degrees. Geometry. */
export function spokeOf({ erdMm, flangeMm, flangeGapMm, spokes, crossings }: Lacing): {
  readonly lengthMm: number;
  readonly offRadiusDeg: number;
} {
  const [R, r, w] = [erdMm / 2, flangeMm / 2, flangeGapMm / 2];
  const turn = (4 * Math.PI * crossings) / spokes;
  const flat = Math.sqrt(R * R + r * r - 2 * R * r * Math.cos(turn));
  return {
    lengthMm: Math.sqrt(flat * flat + w * w) - HOLE_MM / 2,
    offRadiusDeg: (Math.asin(Math.min(1, (r * Math.sin(turn)) / flat)) * 180) / Math.PI,
  };
}

/** Tension that the motor's torque adds to a pulling spoke, N: T/(N Rf), over all spokes. Derived. */
export const spokeTensionN = (torqueNm: number, { spokes, flangeMm }: Lacing): number =>
  torqueNm / (spokes * (flangeMm / 2000));

/** A nipple swivels so far in a rim that is not drilled at an angle, degrees. Common practice, no source. */
const SWIVEL_DEG = 8;

/** Spokes of a wheel that the builder laces. */
export function spokeChecks(s: Subject): readonly Check[] {
  if (s.hub === undefined || s.build.drive.lacing !== 'own') return [];
  const { donor, drive } = s.known;
  const lacing: Lacing = {
    erdMm: donor.erdMm.value,
    flangeMm: drive.flangeMm.value,
    flangeGapMm: drive.flangeGapMm.value,
    spokes: Math.round(drive.spokes.value),
    crossings: Math.round(drive.crossings.value),
  };
  const { lengthMm, offRadiusDeg } = spokeOf(lacing);
  return [
    measured({
      id: 'spokes',
      group: 'wheel',
      title: 'Spokes off the radius at the rim',
      value: offRadiusDeg,
      unit: 'deg',
      sense: 'most',
      fine: SWIVEL_DEG,
      look: 2 * SWIVEL_DEG,
      limit: ['at most ', qty(SWIVEL_DEG, 'deg', 0), ', as far as a nipple swivels'],
      why: [
        `${String(lacing.spokes)} spokes of `,
        qty(lengthMm, 'mm', 0),
        ` crossed ${String(lacing.crossings)} times; the motor’s `,
        qty(axleTorqueNm(s), 'N m', 0),
        ' add ',
        qty(spokeTensionN(axleTorqueNm(s), lacing), 'N', 0),
        ' to each, against some 1000 N that it stands under.',
      ],
      remedy: ['Cross fewer times: on a large flange one crossing, or none, keeps the nipple straight.'],
      origin: 'derived',
      source: 'geometry of the wheel; what a nipple swivels is common practice',
      inputs: [donor.erdMm, drive.flangeMm, drive.flangeGapMm, drive.spokes, drive.crossings],
    }),
  ];
}
