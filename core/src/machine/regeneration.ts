import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';

/** What braking with the motor may put back. */
export interface Regeneration {
  /** Into the pack at most, A: the least of what the controller gives and the pack takes. */
  readonly batteryA: number;
}

/** A motor that a freewheel parts from the wheel gives nothing back; nor does a controller that does not say so. */
export function regenerationOf(
  build: BuildDocument,
  { controller, pack }: KnownBuild,
): Regeneration | undefined {
  // A chopper of one switch and one diode carries current one way only.
  if (build.drive.commutation === 'brushes') return undefined;
  if (build.drive.freewheel || build.controller.regenerates !== 'yes') return undefined;
  const unknown = build.controller.regenA.source === 'unknown';
  // Nothing is worked out from an unknown limit: it is then left out, which errs on the short side.
  return unknown ? undefined : { batteryA: Math.min(controller.regenA.value, pack.maxChargeA.value) };
}
