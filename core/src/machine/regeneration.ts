import type { Chemistry } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';

/**
 * What cells take on charge at a temperature, as a share of what they take at room temperature: lithium nothing below
 * freezing, two fifths up to 10 C, nothing above 45 C (0, 0.2, 0.5 and 0 times the amp-hours); lead-acid the same at
 * any. Common practice, no source; the cell maker's data sheet decides.
 */
function coldChargeShare(chemistry: Chemistry, cellC: number): number {
  if (chemistry === 'lead-acid') return 1;
  if (cellC < 0 || cellC > 45) return 0;
  return cellC < 10 ? 0.4 : 1;
}

/** What braking with the motor may put back. */
export interface Regeneration {
  /** Into the pack at most, A: the least of what the controller gives and the pack takes. */
  readonly batteryA: number;
}

/** A motor that a freewheel parts from the wheel gives nothing back; nor does a controller that does not say so. */
export function regenerationOf(
  build: BuildDocument,
  { controller, packs }: KnownBuild,
): Regeneration | undefined {
  // A chopper of one switch and one diode carries current one way only.
  if (build.drive.commutation === 'brushes') return undefined;
  if (build.drive.freewheel || build.controller.regenerates !== 'yes') return undefined;
  const unknown = build.controller.regenA.source === 'unknown';
  // Nothing is worked out from an unknown limit: it is then left out, which errs on the short side.
  if (unknown) return undefined;
  const taken = packs[0].maxChargeA.value * coldChargeShare(build.packs[0].chemistry, packs[0].startC.value);
  return { batteryA: Math.min(controller.regenA.value, taken) };
}
