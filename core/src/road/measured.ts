import type { KnownBuild } from '../document/known-build.ts';
import { chargeAtRest, wholeCapacityAh, type Pack } from '../machine/battery.ts';
import type { Machine } from '../machine/machine.ts';
import type { LogAnalysis } from './analysis.ts';
import type { RideReading, RideRecord, RideTold } from './ride-record.ts';

/** A smaller part of the charge than this is lost in the reading of the volts. */
const LEAST_PART = 0.05;

const rounded = (value: number, digits: number): number | null =>
  Number.isFinite(value) ? Number(value.toFixed(digits)) : null;

/** What a recording reads of a ride, by the names of the record; null where it does not tell. */
export function readingsOf(a: LogAnalysis): Partial<Record<RideReading, number | null>> {
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

/** The pack whose volts at rest tell its charge: one alone, whose cells are counted; undefined where they do not. */
export const packByVolts = ({
  machine,
  known,
}: {
  readonly machine: Machine;
  readonly known: KnownBuild;
}): Pack | undefined =>
  machine.others.length === 0 && known.packs[0].cellsInSeries.source !== 'unknown' ? machine.pack : undefined;

/**
 * Energy by the volts at rest before and after where no display told it, from the resting curve of the plan's pack: 0.5 (U0 + U1)
 * times the charge between them. Undefined where the volts do not tell it.
 */
export function whByVolts(pack: Pack, { voltsBefore, voltsAfter }: RideRecord): number | undefined {
  if (voltsBefore === null || voltsAfter === null || voltsAfter >= voltsBefore) return undefined;
  const part = chargeAtRest(pack, voltsBefore) - chargeAtRest(pack, voltsAfter);
  return part < LEAST_PART ? undefined : (part * wholeCapacityAh(pack) * (voltsBefore + voltsAfter)) / 2;
}

/** Taken from the pack, what came back off, Wh; undefined where nobody read it. */
export const netWh = ({ energyWh, backWh }: RideRecord): number | undefined =>
  energyWh === null ? undefined : energyWh - (backWh ?? 0);

interface Told {
  readonly told: Pick<RideTold, 'shownTimes'> | undefined;
}

/** How far a ride went, by what Set up knows of the display that told it; undefined where nobody read it. */
export const trueKm = ({
  ride: { distanceKm },
  told,
}: Told & { readonly ride: Pick<RideRecord, 'distanceKm'> }): number | undefined =>
  distanceKm === null ? undefined : distanceKm * (told?.shownTimes ?? 1);

/** How far each ride went and on which day, by {@link trueKm}: what wear is counted by. */
export const trulyRidden = (
  rides: readonly (Told & { readonly ride: Pick<RideRecord, 'on' | 'distanceKm'> })[],
): readonly Pick<RideRecord, 'on' | 'distanceKm'>[] =>
  rides.map((kept) => ({ on: kept.ride.on, distanceKm: trueKm(kept) ?? null }));

/** Top speed by the same, km/h; undefined where nobody read it. */
export const trueTopKmh = ({
  ride,
  told,
}: Told & { readonly ride: Pick<RideRecord, 'topKmh'> }): number | undefined =>
  ride.topKmh === null ? undefined : ride.topKmh * (told?.shownTimes ?? 1);

/** Net of what came back by braking, Wh/km of the true way; undefined where energy or way was not read. */
export function whPerKm(kept: Told & { readonly ride: RideRecord }): number | undefined {
  const [wh, km] = [netWh(kept.ride), trueKm(kept)];
  return wh === undefined || km === undefined ? undefined : wh / km;
}
