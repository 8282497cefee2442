import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import { chargeAtRest, supplyAt, type Pack } from '../machine/battery.ts';
import type { ChargeRecord, RideRecord } from './ride-record.ts';

/** A capacity as one charge or one ride tells it: amp-hours over the part of the charge that they moved. */
interface CapacityTold {
  readonly on: string;
  readonly ah: number;
  /** Standard error, Ah: resting volts are read to so many millivolts a cell. */
  readonly sd: number;
  readonly by: 'charge' | 'ride';
}

interface BookRow {
  readonly charge: ChargeRecord;
  readonly key: string;
  /** Of the whole charge, 0 to 1, by the volts at rest; undefined where they were not read. */
  readonly from: number | undefined;
  readonly to: number | undefined;
  /** Between the lowest and the highest group, V. */
  readonly spreadV: number | undefined;
}

/** The book of one pack. */
export interface BatteryBook {
  readonly rows: readonly BookRow[];
  readonly capacities: readonly CapacityTold[];
  /** By day, of the pack with its leads, mohm. */
  readonly resistances: readonly { readonly on: string; readonly mohm: number }[];
  /** The weighted mean of the last capacities, and what the label says where the plan knows it, with its error, 0 to 1; undefined without any. */
  readonly capacity:
    | {
        readonly ah: number;
        readonly sd: number;
        readonly labelAh: number | undefined;
        readonly from: number;
      }
    | undefined;
  /** Where charging was stopped on the mean, %, and how many times at 90 or below; NaN without any. */
  readonly untilPct: number;
  readonly partial: number;
}

/** Volts at rest are read within so much a cell; V. Common practice, no source. */
const CELL_SD = 0.01;
/** Less than this part of a charge tells no capacity. */
const LEAST_PART = 0.25;
/** What the counter of a display is off by, as a share. Common practice, no source. */
const COUNTER_SD = 0.02;
/** So many of the last are taken together: older ones are of a younger pack. */
const TAKEN = 5;
const PARTIAL_PCT = 90;

/** How well the charge is known from volts at rest: the slope of the resting curve there, 0 to 1. */
function chargeSd(pack: Pack, charge: number): number {
  const h = 0.05;
  const slope =
    (supplyAt(pack, Math.min(1, charge + h)).openVolts - supplyAt(pack, Math.max(0, charge - h)).openVolts) /
    (Math.min(1, charge + h) - Math.max(0, charge - h));
  return (CELL_SD * pack.cellsInSeries) / Math.max(1e-6, slope);
}

/** Amp-hours over the charge between two volts at rest; undefined where it is too little to tell. */
export function capacityTold(
  pack: Pack,
  ah: number | null,
  low: number | null,
  high: number | null,
): { readonly ah: number; readonly sd: number } | undefined {
  if (ah === null || low === null || high === null || ah <= 0) return undefined;
  const [a, b] = [chargeAtRest(pack, low), chargeAtRest(pack, high)];
  const part = b - a;
  if (part < LEAST_PART) return undefined;
  const whole = ah / part;
  const sd = whole * Math.hypot(COUNTER_SD, Math.hypot(chargeSd(pack, a), chargeSd(pack, b)) / part);
  return { ah: whole, sd };
}

/**
 * What charges and rides of a pack tell of it, the oldest first.
 * @param rides those that count; they are of all packs together, and tell only where there is one
 */
export function batteryBook(
  build: BuildDocument,
  index: number,
  charges: readonly { readonly key: string; readonly data: ChargeRecord }[],
  rides: readonly RideRecord[],
): BatteryBook | undefined {
  const known = knownBuild(build);
  const aboard = packsAboard(build, known)[index];
  if (aboard === undefined) return undefined;
  const { pack } = aboard;
  // Volts of a pack whose cells nobody has counted tell no charge.
  const counted = known.packs[index]?.cellsInSeries.source !== 'unknown';
  const labelled = known.packs[index]?.capacityAh.source !== 'unknown';
  const own = charges
    .filter(({ data }) => data.pack === index)
    .toSorted((a, b) => a.data.on.localeCompare(b.data.on));
  const at = (volts: number | null): number | undefined =>
    volts === null || !counted ? undefined : chargeAtRest(pack, volts);
  const rows = own.map(({ key, data }): BookRow => ({
    key,
    charge: data,
    from: at(data.voltsBefore),
    to: at(data.voltsAfter),
    spreadV:
      data.lowestV === null || data.highestV === null ? undefined : Math.max(0, data.highestV - data.lowestV),
  }));
  const alone = build.packs.length === 1 ? rides.filter((r) => r.on !== '') : [];
  const capacities = !counted
    ? []
    : [
        ...own.flatMap(({ data }): CapacityTold[] => {
          const told = capacityTold(pack, data.chargeAh, data.voltsBefore, data.voltsAfter);
          return told === undefined ? [] : [{ on: data.on, ...told, by: 'charge' }];
        }),
        ...alone.flatMap((ride): CapacityTold[] => {
          const told = capacityTold(pack, ride.chargeAh, ride.voltsAfter, ride.voltsBefore);
          return told === undefined ? [] : [{ on: ride.on, ...told, by: 'ride' }];
        }),
      ].toSorted((a, b) => a.on.localeCompare(b.on));
  const last = capacities.slice(-TAKEN);
  const weight = last.reduce((sum, c) => sum + 1 / c.sd ** 2, 0);
  const stopped = own.flatMap(({ data }) => (data.untilPct === null ? [] : [data.untilPct]));
  return {
    rows,
    capacities,
    resistances: alone
      .flatMap((r) => (r.packMohm === null ? [] : [{ on: r.on, mohm: r.packMohm }]))
      .toSorted((a, b) => a.on.localeCompare(b.on)),
    capacity:
      last.length === 0
        ? undefined
        : {
            ah: last.reduce((sum, c) => sum + c.ah / c.sd ** 2, 0) / weight,
            sd: 1 / Math.sqrt(weight),
            labelAh: labelled ? pack.capacityAh : undefined,
            from: last.length,
          },
    untilPct: stopped.length === 0 ? NaN : stopped.reduce((sum, p) => sum + p, 0) / stopped.length,
    partial: stopped.filter((p) => p <= PARTIAL_PCT).length,
  };
}
