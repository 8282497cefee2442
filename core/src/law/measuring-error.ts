import type { Known, KnownBuild } from '../document/known-build.ts';
import type { BuildDocument, QuantityPath } from '../document/document.ts';
import { massesOf } from '../document/kept.ts';
import { motorCount } from '../document/motors.ts';

/** A bathroom or luggage scale, read three times. Common practice, no source. */
const SCALE_ERROR = 0.01;
/** A roll-out along the ground: some five millimetres in two metres; one from the size printed on a tyre: one in a hundred. */
const ROLLED = 0.0025;
const PRINTED = 0.01;

/** How far a measured value is usually off, as a share of it, where nobody has said. Common practice, no source. */
const USUAL: Partial<Record<QuantityPath, number>> = {
  'donor.rolloutMm': ROLLED,
  'donor.widthMm': 0.01,
  'donor.wheelbaseMm': 0.01,
  'donor.massKg': SCALE_ERROR,
  'drive.massKg': SCALE_ERROR,
  'controller.massKg': SCALE_ERROR,
  'controller.assistCutoffKmh': 0.01,
  'controls.throttleCutoffKmh': 0.01,
  'controls.walkCutoffKmh': 0.05,
};

const usual = (path: QuantityPath): number =>
  USUAL[path] ?? (/^packs\.\d\.massKg$/.test(path) ? SCALE_ERROR : 0);

/** How far a value may be off by the way it was measured, in its own unit; 0 for what is printed or set. */
export function errorOf({ path, value, source, spread }: Known): number {
  if (spread !== undefined) return spread * Math.abs(value);
  return source === 'measured' ? usual(path) * Math.abs(value) : 0;
}

/** How far the true wheel may be off, as a share of it. */
export function wheelError({ donor: { rolloutMm } }: KnownBuild): number {
  if (rolloutMm.source === 'worked') return PRINTED;
  return rolloutMm.value === 0 ? 0 : errorOf(rolloutMm) / rolloutMm.value;
}

/** How far the mass of the whole machine may be off, kg: what was weighed apart errs apart. */
export const massError = (build: BuildDocument, known: KnownBuild): number =>
  Math.hypot(
    ...massesOf(build, known).map((mass) => {
      const each = mass === known.drive.massKg || mass === known.controller.massKg ? motorCount(build) : 1;
      return each * errorOf(mass);
    }),
  );
