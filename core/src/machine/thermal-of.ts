import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import type { Thermal } from './thermal.ts';

/** The motor's two bodies from a build. Without a sensor in the winding nothing holds the heat back. */
export function thermalOf(build: BuildDocument, { drive }: KnownBuild): Thermal {
  const sensed = build.drive.windingSensor === 'yes';
  const start = drive.rollbackStartC.value;
  return {
    windingJK: drive.windingHeatJK.value,
    shellJK: drive.shellHeatJK.value,
    coupleWK: drive.coupleWK.value * (build.drive.fluid ? drive.fluidFactor.value : 1),
    stillWK: drive.coolStillWK.value,
    movingWK: drive.coolMovingWK.value,
    rollbackStartC: sensed ? start : Infinity,
    // A span of no width would be a step that no ride settles on.
    rollbackEndC: sensed ? Math.max(start + 1, drive.rollbackEndC.value) : Infinity,
    damageC: drive.damageC.value,
  };
}
