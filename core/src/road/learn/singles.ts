import type { BuildDocument, QuantityPath } from '../../document/document.ts';
import { inUse, knownBuild } from '../../document/known.ts';
import { knownAt, withValue } from '../../document/quantity-at.ts';
import { assemble } from '../../machine/assemble.ts';
import { withMagnetsAt } from '../../machine/magnets.ts';
import type { Machine } from '../../machine/machine.ts';
import { warmResistance } from '../../machine/motor.ts';
import { firstPack } from '../../machine/packs-aboard.ts';
import { chargeAtRest, supplyAt } from '../../machine/battery.ts';
import { topSpeed } from '../../ride/steady.ts';
import { msToKmh } from '../../quantity/units.ts';
import { packOhmOf } from '../analysis.ts';
import { riddenAtLevel, trueRide } from '../as-ridden.ts';
import { capacityTold } from '../battery-book.ts';
import type { RideKind } from '../ride-record.ts';
import { prepared, type LearnRide, type Prepared } from './learn-ride.ts';
import { learntOf, type LearntValue, type NotApart } from './learnt.ts';

/** The mean of several readings, each weighed by its error. */
function weighed(
  all: readonly { readonly value: number; readonly sd: number }[],
): { value: number; sd: number } | undefined {
  if (all.length === 0) return undefined;
  const weight = all.reduce((sum, a) => sum + 1 / a.sd ** 2, 0);
  return { value: all.reduce((sum, a) => sum + a.value / a.sd ** 2, 0) / weight, sd: 1 / Math.sqrt(weight) };
}

/** A machine as warm as it was where a ride was fastest, if its winding was read; else as the plain figures take it. */
function asWarm(machine: Machine, ready: Prepared | undefined): Machine {
  if (ready?.windingC === undefined) return machine;
  const fastest = ready.v.reduce((best, v, i) => (v > (ready.v[best] ?? 0) ? i : best), 0);
  const windingC = ready.windingC[fastest] ?? NaN;
  if (Number.isNaN(windingC)) return machine;
  const circuitOhm = warmResistance(machine.motor.resistance20, windingC) + machine.controllerOhm;
  return { ...withMagnetsAt(machine, ready.magnetC(fastest)), circuitOhm };
}

interface Single {
  readonly path: QuantityPath;
  readonly name: string;
  readonly beforeShare: number;
  readonly found: { readonly value: number; readonly sd: number } | undefined;
  readonly toldBy: readonly RideKind[];
  readonly notApart: NotApart | undefined;
}

/** Capacity, leads and winding constant: each is read straight off the rides that tell it. */
function singles(build: BuildDocument, rides: readonly LearnRide[]): readonly Single[] {
  const known = knownBuild(build);
  const pack = firstPack(build, known);
  // Of several packs, or one whose cells nobody has counted, volts tell nothing.
  const alone = build.packs.length === 1 && known.packs[0].cellsInSeries.source !== 'unknown';
  const told = rides.flatMap(({ ride }) => {
    const one = alone ? capacityTold(pack, ride.chargeAh, ride.voltsAfter, ride.voltsBefore) : undefined;
    return one === undefined
      ? []
      : [{ value: one.ah / pack.health, sd: one.sd / pack.health, kind: ride.kind }];
  });
  const ohms = rides.flatMap(({ ride, recording }) => {
    const found = recording === undefined || !alone ? undefined : packOhmOf(recording);
    if (found === undefined) return [];
    const charge = ride.voltsBefore === null ? 0.7 : chargeAtRest(pack, ride.voltsBefore);
    const cells = supplyAt(pack, charge).ohm - pack.wiringOhm;
    // Cells that are colder than they are thought to be read like longer leads.
    const sd = Math.hypot(found.sd, 0.1 * cells);
    return [{ value: 1000 * Math.max(0, found.ohm - cells), sd: 1000 * sd, kind: ride.kind }];
  });
  const tops = rides.flatMap((one) => {
    const { ride, off } = trueRide(build, one.ride, one.recording !== undefined);
    if (ride.kind !== 'top-speed' || ride.topKmh === null) return [];
    const level = riddenAtLevel(build, ride);
    const day = ride.airC === null ? level : withValue(level, 'brief.temperatureC', ride.airC);
    const still = withValue(day, 'brief.headwindMs', ride.windFromDeg === null ? 0 : (ride.windMs ?? 0));
    const plain = assemble(ride.pedalled === 'no' ? withValue(still, 'brief.riderPowerW', 0) : still);
    const machine = asWarm(plain, prepared(build, one));
    const charge =
      ride.voltsBefore === null
        ? known.packs[0].chargeLimitPct.value / 100
        : chargeAtRest(pack, ride.voltsBefore);
    const top = topSpeed(machine, charge);
    // Where something else ends it first, nothing is told of the winding.
    if (!top.moves || top.traction.limit !== 'voltage') return [];
    const kv = known.drive.kvRpmPerV.value;
    return [{ value: (kv * ride.topKmh) / msToKmh(top.v), sd: Math.hypot(0.015, off) * kv, kind: ride.kind }];
  });
  const kinds = (all: readonly { readonly kind: RideKind }[]): readonly RideKind[] => [
    ...new Set(all.map((a) => a.kind)),
  ];
  const fromCells = build.packs[0].make === 'cells';
  return [
    {
      path: fromCells ? 'packs.0.cell.capacityAh' : 'packs.0.capacityAh',
      name: fromCells ? 'Capacity of a cell' : 'Capacity',
      beforeShare: 0.08,
      found: scaled(weighed(told), fromCells ? known.packs[0].cell.capacityAh.value / pack.capacityAh : 1),
      toldBy: kinds(told),
      notApart: undefined,
    },
    {
      path: 'packs.0.wiringMohm',
      name: 'Leads and board of the pack',
      beforeShare: 0.4,
      found: weighed(ohms),
      toldBy: kinds(ohms),
      notApart: ohms.length > 0 ? { from: 'how cold the cells were', share: 0.6 } : undefined,
    },
    {
      path: 'drive.kvRpmPerV',
      name: 'Motor’s turns for a volt',
      beforeShare: 0.05,
      found: weighed(tops),
      toldBy: kinds(tops),
      notApart: tops.length > 0 ? { from: 'drag', share: 0.5 } : undefined,
    },
  ];
}

const scaled = (found: { value: number; sd: number } | undefined, factor: number) =>
  found === undefined ? undefined : { value: found.value * factor, sd: found.sd * factor };

export function singleValues(build: BuildDocument, rides: readonly LearnRide[]): readonly LearntValue[] {
  const known = knownBuild(build);
  return singles(build, rides).flatMap(
    ({ path, name, beforeShare, found, toldBy, notApart }): LearntValue[] => {
      if (found === undefined || !inUse(build, path)) return [];
      const own = knownAt(known, path);
      const beforeSd = (own.spread ?? beforeShare) * own.value;
      return [
        learntOf(own, { path, name, beforeSd, after: found.value, sd: found.sd, toldBy, notApart, also: [] }),
      ];
    },
  );
}
