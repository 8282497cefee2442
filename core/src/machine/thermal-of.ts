import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import type { Thermal } from './thermal.ts';

/** Still-air cooling of an open can is stated at these turns; a closed cover leaves half of it. From memory. */
const FANNED_RPM = 4000;
const COVERED = 0.5;

/** The motor's two bodies from a build. Without a sensor in the winding nothing holds the heat back. */
export function thermalOf(build: BuildDocument, { drive }: KnownBuild, motorRatio: number): Thermal {
  const { kind, commutation, covered } = build.drive;
  const can = kind === 'external' && commutation !== 'brushes';
  const sensed = build.drive.windingSensor === 'yes';
  const start = drive.rollbackStartC.value;
  return {
    windingJK: drive.windingHeatJK.value,
    shellJK: drive.shellHeatJK.value,
    coupleWK: drive.coupleWK.value * (build.drive.fluid ? drive.fluidFactor.value : 1),
    // A closed cover over a spinning can halves what it fans; unless it is said to be open, it is taken for covered.
    stillWK: drive.coolStillWK.value * (can && covered !== 'no' ? COVERED : 1),
    ...(can ? { fans: (motorRatio * 30) / Math.PI / FANNED_RPM } : {}),
    movingWK: drive.coolMovingWK.value,
    rollbackStartC: sensed ? start : Infinity,
    // A span of no width would be a step that no ride settles on.
    rollbackEndC: sensed ? Math.max(start + 1, drive.rollbackEndC.value) : Infinity,
    damageC: drive.damageC.value,
  };
}
