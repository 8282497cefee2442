import { netWh, trueKm } from './measured.ts';
import type { RideRecord, RideTold } from './ride-record.ts';

/** What rides at one level of help took, all together. */
export interface LevelRidden {
  readonly level: number;
  readonly rides: number;
  /** By true distance, where the display is known to be off. */
  readonly km: number;
  readonly whPerKm: number;
}

/** Rides that were ridden at one level all the way and of which distance and energy were read, level by level. */
export function riddenByLevel(
  rides: readonly { readonly ride: RideRecord; readonly told: RideTold | undefined }[],
): readonly LevelRidden[] {
  const sums = new Map<number, { rides: number; km: number; wh: number }>();
  for (const { ride, told } of rides) {
    const [wh, km] = [netWh(ride), trueKm({ ride, told })];
    if (ride.level === null || km === undefined || wh === undefined) continue;
    const sum = sums.get(ride.level) ?? { rides: 0, km: 0, wh: 0 };
    sums.set(ride.level, {
      rides: sum.rides + 1,
      km: sum.km + km,
      wh: sum.wh + wh,
    });
  }
  return [...sums]
    .sort(([a], [b]) => a - b)
    .map(([level, { rides: count, km, wh }]) => ({ level, rides: count, km, whPerKm: wh / km }));
}
