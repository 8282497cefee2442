import type { BuildDocument } from './document.ts';
import type { KEPT_PARTS } from './donor.ts';
import type { Known, KnownBuild } from './known-build.ts';
import { motorCount } from './motors.ts';

/** What stays of a donor that was electric already. */
export type KeptPart = (typeof KEPT_PARTS)[number];

type OfDonor = Pick<BuildDocument, 'donor'>;

export const stays = ({ donor }: OfDonor, part: KeptPart): boolean => donor.keeps.includes(part);

/** Motor and controller stay: nothing pulls harder at frame and axle than their maker meant it to. */
export const drivenAsMade = (build: OfDonor): boolean => stays(build, 'motor') && stays(build, 'controller');

/** Parts that are bolted on where they stay: the donor is weighed with them. Its pack comes off, and is weighed by itself. */
const weighedWith = (build: OfDonor): { readonly motor: boolean; readonly controller: boolean } => ({
  motor: stays(build, 'motor'),
  controller: stays(build, 'controller'),
});

/**
 * The donor without what stays bolted to it, kg: the weight on the scales less its motor and controller; a donor that nobody
 * has weighed is a usual bicycle without any.
 */
export function bareDonorKg(
  build: BuildDocument,
  { donor, drive, controller }: Pick<KnownBuild, 'donor' | 'drive' | 'controller'>,
): number {
  if (donor.massKg.source === 'unknown') return donor.massKg.value;
  const on = weighedWith(build);
  const kept =
    motorCount(build) * ((on.motor ? drive.massKg.value : 0) + (on.controller ? controller.massKg.value : 0));
  return Math.max(0, donor.massKg.value - kept);
}

/** What the mass of the machine is added up from: what stays bolted to a donor that was weighed is in its weight. */
export function massesOf(
  build: BuildDocument,
  { donor, drive, controller, packs }: KnownBuild,
): readonly Known[] {
  const weighed = donor.massKg.source !== 'unknown';
  const on = weighedWith(build);
  return [
    donor.massKg,
    ...(weighed && on.motor ? [] : [drive.massKg]),
    ...packs.map((pack) => pack.massKg),
    ...(weighed && on.controller ? [] : [controller.massKg]),
  ];
}
