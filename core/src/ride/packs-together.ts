import {
  leastCharge,
  packWarmed,
  peukertFactor,
  supplyAt,
  wholeCapacityAh,
  type Pack,
  type Supply,
} from '../machine/battery.ts';
import { diodesAt, sideBySide } from '../machine/diodes.ts';
import type { PackAboard } from '../machine/machine.ts';

/** Several packs on one bus at a moment. */
export interface BusPoint {
  readonly volts: number;
  /** What each gives, A, in the order of the packs; negative where it is charged. */
  readonly amps: readonly number[];
}

/**
 * The bus of packs that give `watts` together. Joined directly, charge may also flow from one into another; through
 * diodes each only gives, and one whose open volts less the diode's drop lie below the bus gives nothing: with the
 * packs sorted by those volts, the first k of them that hold the bus above the next one's are the ones that feed,
 * V = (J + sqrt(J^2 - 4 G P)) / 2G with G = sum 1/R and J = sum (Voc - Vd)/R (Millman's theorem with a load of constant
 * power; derived). Undefined where they cannot give it.
 */
export function busPoint(
  supplies: readonly Supply[],
  watts: number,
  join: 'combiner' | 'parallel',
  diodeV = 0,
): BusPoint | undefined {
  const dropV = join === 'combiner' ? diodeV : 0;
  const order = supplies.map((supply, i) => ({ i, volts: supply.openVolts - dropV, ohm: supply.ohm }));
  order.sort((a, b) => b.volts - a.volts);
  let [conductance, current] = [0, 0];
  for (const [k, { volts, ohm }] of order.entries()) {
    conductance += 1 / ohm;
    current += volts / ohm;
    const last = k === order.length - 1;
    if (join === 'parallel' && !last) continue;
    const inside = current * current - 4 * conductance * watts;
    if (inside < 0) {
      if (last) return undefined;
      continue;
    }
    const bus = (current + Math.sqrt(inside)) / (2 * conductance);
    if (!last && bus < (order[k + 1]?.volts ?? 0)) continue;
    const amps = supplies.map(() => 0);
    for (const one of order.slice(0, k + 1)) amps[one.i] = (one.volts - bus) / one.ohm;
    return { volts: bus, amps };
  }
  return undefined;
}

/** Which packs feed along a discharge. */
interface SharePoint extends BusPoint {
  readonly hours: number;
  readonly charges: readonly number[];
}

export interface Sharing {
  readonly steps: readonly SharePoint[];
  readonly hours: number;
  /** Left in each, 0 to 1. */
  readonly charges: readonly number[];
  /** Given at the bus, and lost in packs and diodes on the way, Wh. */
  readonly outWh: number;
  readonly lostWh: number;
  /** Drawn from the open-circuit volts of all, Wh. */
  readonly drawnWh: number;
}

/** A step takes this share of the charge of the pack that gives most. */
const STEP_CHARGE = 0.01;
/** A pack joined to another settles for this long at most, h. */
const LONGEST_STEP_H = 0.5;
const MOST_STEPS = 5000;

/**
 * Discharges joined packs at a constant power until `holds` says no, the rest cannot give it, or all are empty. Steps
 * are explicit in charge, with the currents of the beginning of each step; nothing is created or lost: drawn = out +
 * lost, to rounding.
 */
export function sharePower(
  aboard: readonly PackAboard[],
  watts: number,
  join: 'combiner' | 'parallel',
  holds: (bus: Supply) => boolean,
  diodeV = 0,
): Sharing {
  const packs = aboard.map(({ pack }) => pack);
  const capacity = packs.map(wholeCapacityAh);
  let charges = aboard.map(({ charge }) => charge);
  let cellsC = packs.map((pack) => pack.temperatureC);
  const isEmpty = (k: number): boolean => {
    const pack = packs[k];
    return pack === undefined || (charges[k] ?? 0) <= leastCharge(pack.chemistry, cellsC[k] ?? 25);
  };
  let [hours, outWh, lostWh, drawnWh] = [0, 0, 0, 0];
  const steps: SharePoint[] = [];
  for (let i = 0; i < MOST_STEPS; i += 1) {
    const supplies = packs.map((pack, k) => supplyAt(pack, charges[k] ?? 0, cellsC[k]));
    const usable = supplies.map((supply, k) => (isEmpty(k) ? EMPTY : supply));
    const now = busPoint(usable, watts, join, diodeV);
    if (now === undefined || packs.every((_, k) => isEmpty(k))) break;
    const bus = join === 'parallel' ? sideBySide(supplies) : diodesAt(aboard, charges, diodeV, cellsC);
    if (!holds(bus)) break;
    steps.push({ hours, charges, ...now });
    const rates = packs.map((pack, k) => {
      const amps = now.amps[k] ?? 0;
      return (amps * factor(pack, amps)) / (capacity[k] ?? 1);
    });
    // A pack that is full and still being charged is where a direct joint ends.
    if (rates.some((rate, k) => rate < 0 && (charges[k] ?? 0) >= 1)) break;
    const dt = Math.min(
      LONGEST_STEP_H,
      STEP_CHARGE / Math.max(...rates.map(Math.abs), 1e-9),
      ...rates.map((rate, k) => room(charges[k] ?? 0, rate)),
    );
    hours += dt;
    outWh += watts * dt;
    for (const [k, supply] of supplies.entries()) {
      const amps = now.amps[k] ?? 0;
      lostWh += amps * (amps * supply.ohm + (join === 'combiner' ? diodeV : 0)) * dt;
      drawnWh += amps * supply.openVolts * dt;
    }
    charges = charges.map((charge, k) => clean(charge - (rates[k] ?? 0) * dt));
    cellsC = packs.map((pack, k) => {
      const lossW = (now.amps[k] ?? 0) ** 2 * ((supplies[k]?.ohm ?? 0) - pack.wiringOhm);
      return packWarmed(pack, cellsC[k] ?? 25, lossW, dt * 3600);
    });
  }
  return { steps, hours, charges, outWh, lostWh, drawnWh };
}

/** An empty pack is cut off by its protection: it gives nothing. */
const EMPTY: Supply = { openVolts: 0, ohm: 1e9 };

/** Hours until a pack is empty, or full where it is being charged. */
function room(charge: number, rate: number): number {
  if (rate > 0) return charge / rate;
  return rate < 0 ? (1 - charge) / -rate : Infinity;
}

/** Rounding must not leave a last sliver that takes for ever. */
const clean = (charge: number): number => {
  if (charge < 1e-9) return 0;
  return charge > 1 - 1e-9 ? 1 : charge;
};
/** Peukert's law is of discharge; on charge it has no say. */
const factor = (pack: Pack, amps: number): number => (amps > 0 ? peukertFactor(pack, amps) : 1);

/** The current that flows from one pack into another when they are joined, A: the difference over both resistances. */
export function equalisingAmps(first: Pack, other: Pack, firstCharge: number, otherCharge: number): number {
  const [a, b] = [supplyAt(first, firstCharge), supplyAt(other, otherCharge)];
  return Math.abs(a.openVolts - b.openVolts) / (a.ohm + b.ohm);
}
