import type { LogAnalysis } from './analysis.ts';
import type { RideReading, RideRecord } from './ride-record.ts';

const rounded = (value: number, digits: number): number | null =>
  Number.isFinite(value) ? Number(value.toFixed(digits)) : null;

/** What a recording reads of a ride, by the names of the record; null where it does not tell. */
function readingsOf(a: LogAnalysis): Partial<Record<RideReading, number | null>> {
  const moved = a.metres > 10;
  return {
    distanceKm: moved ? rounded(a.metres / 1000, 3) : null,
    minutes: a.movingS > 6 ? rounded(a.movingS / 60, 2) : null,
    energyWh: rounded(a.outWh, 2),
    backWh: rounded(a.backWh, 2),
    chargeAh: rounded(a.outAh - a.backAh, 3),
    voltsBefore: rounded(a.startV, 2),
    voltsAfter: rounded(a.endV, 2),
    topKmh: a.topMs > 0.3 ? rounded(a.topMs * 3.6, 2) : null,
    hottestC: rounded(a.hottest.windingC?.c ?? NaN, 1),
    riderWh: rounded(a.riderWh, 2),
    packMohm: rounded(1000 * (a.packOhm?.ohm ?? NaN), 1),
    riderW: a.pedalledS > 0 ? rounded((a.riderWh * 3600) / a.pedalledS, 1) : null,
  };
}

/** A ride with what its recording reads filled in; what a person typed stays. */
export function withReadings(ride: RideRecord, analysis: LogAnalysis): RideRecord {
  const read = Object.entries(readingsOf(analysis)).filter(
    ([key, value]) => value !== null && ride[key as RideReading] === null,
  );
  return { ...ride, ...Object.fromEntries(read) };
}

/** Taken from the pack, what came back off, Wh; undefined where nobody read it. */
export const netWh = ({ energyWh, backWh }: RideRecord): number | undefined =>
  energyWh === null ? undefined : energyWh - (backWh ?? 0);
