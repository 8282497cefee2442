import { coldAgedCapacityAh, peukertFactor, supplyAt, type Pack, type Supply } from '../machine/battery.ts';
import { batteryAmps } from './operating-point.ts';

/** Two packs on one bus at a moment. */
export interface BusPoint {
  readonly volts: number;
  readonly firstA: number;
  readonly secondA: number;
}

/** Two sources in parallel as one (Millman's theorem). */
const together = (a: Supply, b: Supply): Supply => {
  const conductance = 1 / a.ohm + 1 / b.ohm;
  return { openVolts: (a.openVolts / a.ohm + b.openVolts / b.ohm) / conductance, ohm: 1 / conductance };
};

const onePack = (own: Supply, watts: number): { volts: number; amps: number } => {
  const amps = batteryAmps(own, watts);
  return { volts: own.openVolts - amps * own.ohm, amps };
};

/**
 * The bus of two packs that give `watts` together. Joined directly, charge may also flow from one into the
 * other; through ideal diodes each only gives, and one whose open volts lie below the bus gives nothing.
 * Millman's theorem with the constant-power load of the operating point; undefined where they cannot give it.
 */
export function busPoint(
  first: Supply,
  second: Supply,
  watts: number,
  join: 'combiner' | 'parallel',
): BusPoint | undefined {
  const both = onePack(together(first, second), watts);
  if (!Number.isFinite(both.amps)) return undefined;
  const split: BusPoint = {
    volts: both.volts,
    firstA: (first.openVolts - both.volts) / first.ohm,
    secondA: (second.openVolts - both.volts) / second.ohm,
  };
  if (join === 'parallel' || (split.firstA >= 0 && split.secondA >= 0)) return split;
  const alone = split.firstA < 0 ? onePack(second, watts) : onePack(first, watts);
  return split.firstA < 0
    ? { volts: alone.volts, firstA: 0, secondA: alone.amps }
    : { volts: alone.volts, firstA: alone.amps, secondA: 0 };
}

/** Which pack feeds along a discharge. */
interface SharePoint {
  readonly hours: number;
  readonly firstCharge: number;
  readonly secondCharge: number;
  readonly firstA: number;
  readonly secondA: number;
  readonly volts: number;
}

export interface Sharing {
  readonly steps: readonly SharePoint[];
  readonly hours: number;
  readonly firstCharge: number;
  readonly secondCharge: number;
  /** Given at the bus, and lost in the packs on the way, Wh. */
  readonly outWh: number;
  readonly lostWh: number;
  /** Drawn from the open-circuit volts of both, Wh. */
  readonly drawnWh: number;
}

/** A step takes this share of the charge of the pack that gives most. */
const STEP_CHARGE = 0.01;
/** A pack joined to another settles for this long at most, h. */
const LONGEST_STEP_H = 0.5;
const MOST_STEPS = 5000;

/**
 * Discharges two joined packs at a constant power until `holds` says no, one pack is empty and the other
 * cannot give it, or both are empty. Steps are explicit in charge, with the currents of the beginning of each
 * step; nothing is created or lost: drawn = out + lost, to rounding.
 */
export function sharePower(
  first: Pack,
  second: Pack,
  watts: number,
  join: 'combiner' | 'parallel',
  from: readonly [number, number],
  holds: (bus: Supply) => boolean,
): Sharing {
  const capacity = [coldAgedCapacityAh(first), coldAgedCapacityAh(second)] as const;
  let [q1, q2] = from;
  let [hours, outWh, lostWh, drawnWh] = [0, 0, 0, 0];
  const steps: SharePoint[] = [];
  const sources = (a: number, b: number) => [supplyAt(first, a), supplyAt(second, b)] as const;
  for (let i = 0; i < MOST_STEPS; i += 1) {
    const [s1, s2] = sources(q1, q2);
    const now = busPoint(usable(s1, q1), usable(s2, q2), watts, join);
    if (now === undefined || (q1 <= 0 && q2 <= 0)) break;
    const alone = now.firstA > 0 ? s1 : s2;
    const feeding = now.firstA > 0 && now.secondA > 0 ? together(s1, s2) : alone;
    if (!holds(feeding)) break;
    steps.push({ hours, firstCharge: q1, secondCharge: q2, ...now });
    const rate1 = (now.firstA * factor(first, now.firstA)) / capacity[0];
    const rate2 = (now.secondA * factor(second, now.secondA)) / capacity[1];
    // A pack that is full and still being charged is where a direct joint ends.
    if ((rate1 < 0 && q1 >= 1) || (rate2 < 0 && q2 >= 1)) break;
    const dt = Math.min(
      LONGEST_STEP_H,
      STEP_CHARGE / Math.max(Math.abs(rate1), Math.abs(rate2), 1e-9),
      room(q1, rate1),
      room(q2, rate2),
    );
    hours += dt;
    q1 = clean(q1 - rate1 * dt);
    q2 = clean(q2 - rate2 * dt);
    outWh += watts * dt;
    lostWh += (now.firstA ** 2 * s1.ohm + now.secondA ** 2 * s2.ohm) * dt;
    drawnWh += (now.firstA * s1.openVolts + now.secondA * s2.openVolts) * dt;
  }
  return { steps, hours, firstCharge: q1, secondCharge: q2, outWh, lostWh, drawnWh };
}

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
/** An empty pack is cut off by its protection: behind diodes it gives nothing. */
const usable = (supply: Supply, charge: number): Supply => (charge > 0 ? supply : { openVolts: 0, ohm: 1e9 });
/** Peukert's law is of discharge; on charge it has no say. */
const factor = (pack: Pack, amps: number): number => (amps > 0 ? peukertFactor(pack, amps) : 1);

/** The current that flows from one pack into the other when they are joined, A: the difference over both resistances. */
export function equalisingAmps(first: Pack, second: Pack, firstCharge: number, secondCharge: number): number {
  const [a, b] = [supplyAt(first, firstCharge), supplyAt(second, secondCharge)];
  return Math.abs(a.openVolts - b.openVolts) / (a.ohm + b.ohm);
}
