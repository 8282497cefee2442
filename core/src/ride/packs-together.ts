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

/** How full and how warm the packs of a machine are. */
export interface PacksState {
  /** 0 to 1. */
  readonly charges: readonly number[];
  /** Of their cells, C. */
  readonly cellsC: readonly number[];
}

export interface Sharing extends PacksState {
  readonly steps: readonly SharePoint[];
  readonly hours: number;
  readonly metres: number;
  /** Given at the bus, and lost in packs and diodes on the way, Wh. */
  readonly outWh: number;
  readonly lostWh: number;
  /** Drawn from the open-circuit volts of all, Wh. */
  readonly drawnWh: number;
}

/** A step takes this share of the charge of the pack that gives most: fine enough to be drawn. */
const STEP_CHARGE = 0.02;
/** Where only the end is asked for: it is found within a thousandth of what steps half as long find. */
export const LONG_STEP = 0.05;
/** The end is found to this share of a step. */
const LAST_STEP = 1 / 128;
/** A pack joined directly to another settles for this long at most, h; behind diodes none does. */
const LONGEST_STEP_H = 0.5;
const MOST_STEPS = 5000;
/** Where nothing is asked a step is as long as it would take to give so much of the charge in an hour. */
const LEAST_RATE = 1e-9;
/** Charge that is nothing but rounding. */
const SLIVER = 1e-9;

/** The packs as a ride begins. */
export const atFirst = (aboard: readonly PackAboard[]): PacksState => ({
  charges: aboard.map(({ charge }) => charge),
  cellsC: aboard.map(({ pack }) => pack.temperatureC),
});

/** Charge of each that is still to be had; nothing or less where it is empty. */
const left = (aboard: readonly PackAboard[], { charges, cellsC }: PacksState): readonly number[] =>
  aboard.map(
    ({ pack }, k) => (charges[k] ?? 0) - leastCharge(pack.chemistry, cellsC[k] ?? pack.temperatureC),
  );

/** None of them has more to give than so much of its charge. */
export const allEmpty = (aboard: readonly PackAboard[], state: PacksState, most = SLIVER): boolean =>
  left(aboard, state).every((share) => share <= most);

/** Packs on one bus in a state, and what they do there. */
interface Feeding extends PacksState {
  readonly watts: number;
  readonly v: number;
  readonly supplies: readonly Supply[];
  readonly now: BusPoint;
  /** Charge that each loses in an hour. */
  readonly rates: readonly number[];
}

/** What is asked of a bus, W, at which speed, m/s; undefined where it cannot be held, or nobody goes on. */
export type Load = (bus: Supply) => { readonly watts: number; readonly v: number } | undefined;

/**
 * Discharges joined packs until the load says no, the rest cannot give it, or all are empty. Steps are explicit in charge,
 * with the currents of their middle (second order), the last one halved until the end is found; nothing is created or
 * lost: drawn = out + lost, to rounding.
 * @param from where they stand; as they stand aboard where nothing is said
 * @param step charge of the pack that gives most, taken by one step
 */
export function sharePower(
  aboard: readonly PackAboard[],
  load: Load,
  join: 'combiner' | 'parallel',
  diodeV = 0,
  from: PacksState = atFirst(aboard),
  step = STEP_CHARGE,
): Sharing {
  const packs = aboard.map(({ pack }) => pack);
  const capacity = packs.map(wholeCapacityAh);
  /** Undefined where they feed no more. */
  const feedingIn = (state: PacksState): Feeding | undefined => {
    if (allEmpty(aboard, state)) return undefined;
    const { charges, cellsC } = state;
    const supplies = packs.map((pack, k) => supplyAt(pack, charges[k] ?? 0, cellsC[k]));
    const asked = load(
      join === 'parallel' ? sideBySide(supplies) : diodesAt(aboard, charges, diodeV, cellsC),
    );
    if (asked === undefined) return undefined;
    const rest = left(aboard, state);
    const usable = supplies.map((supply, k) => ((rest[k] ?? 0) <= SLIVER ? EMPTY : supply));
    const now = busPoint(usable, asked.watts, join, diodeV);
    if (now === undefined) return undefined;
    const rates = packs.map((pack, k) => {
      const amps = now.amps[k] ?? 0;
      return (amps * factor(pack, amps)) / (capacity[k] ?? 1);
    });
    return { ...state, ...asked, supplies, now, rates };
  };
  const after = (
    { charges, cellsC }: PacksState,
    { rates, now, supplies }: Feeding,
    dt: number,
  ): PacksState => ({
    charges: charges.map((charge, k) => clean(charge - (rates[k] ?? 0) * dt)),
    cellsC: packs.map((pack, k) => {
      const lossW = (now.amps[k] ?? 0) ** 2 * ((supplies[k]?.ohm ?? 0) - pack.wiringOhm);
      return packWarmed(pack, cellsC[k] ?? 25, lossW, dt * 3600);
    }),
  });
  let [hours, metres, outWh, lostWh, drawnWh] = [0, 0, 0, 0, 0];
  const steps: SharePoint[] = [];
  let state = from;
  let here = feedingIn(state);
  let share = 1;
  while (here !== undefined && steps.length < MOST_STEPS && share >= LAST_STEP) {
    const { charges, rates, now } = here;
    // A pack that is full and still being charged is where a direct joint ends.
    if (rates.some((rate, k) => rate < 0 && (charges[k] ?? 0) >= 1)) {
      steps.push({ hours, charges, ...now });
      break;
    }
    const rest = left(aboard, state);
    const dt = Math.min(
      share * (join === 'parallel' ? LONGEST_STEP_H : Infinity),
      (share * step) / Math.max(...rates.map(Math.abs), LEAST_RATE),
      ...rates.map((rate, k) => room(charges[k] ?? 0, rest[k] ?? 0, rate)),
    );
    const middle = feedingIn(after(state, here, dt / 2));
    const end = middle && after(state, middle, dt);
    const next = end && feedingIn(end);
    const goes = end !== undefined && (next !== undefined || allEmpty(aboard, end) || share <= LAST_STEP);
    if (middle === undefined || end === undefined || !goes) {
      share /= 2;
      continue;
    }
    steps.push({ hours, charges, ...now });
    hours += dt;
    metres += middle.v * dt * 3600;
    outWh += middle.watts * dt;
    for (const [k, supply] of middle.supplies.entries()) {
      const amps = middle.now.amps[k] ?? 0;
      lostWh += amps * (amps * supply.ohm + (join === 'combiner' ? diodeV : 0)) * dt;
      drawnWh += amps * supply.openVolts * dt;
    }
    [state, here] = [end, next];
  }
  return { ...state, steps, hours, metres, outWh, lostWh, drawnWh };
}

/** An empty pack is cut off by its protection: it gives nothing. */
const EMPTY: Supply = { openVolts: 0, ohm: 1e9 };

/** Hours until a pack is empty, or full where it is being charged. */
function room(charge: number, left: number, rate: number): number {
  if (rate > 0) return left / rate;
  return rate < 0 ? (1 - charge) / -rate : Infinity;
}

/** Rounding must not leave a last sliver that takes for ever. */
const clean = (charge: number): number => {
  if (charge < SLIVER) return 0;
  return charge > 1 - SLIVER ? 1 : charge;
};
/** Peukert's law is of discharge; on charge it has no say. */
const factor = (pack: Pack, amps: number): number => (amps > 0 ? peukertFactor(pack, amps) : 1);

/** The current that flows from one pack into another when they are joined, A: the difference over both resistances. */
export function equalisingAmps(first: Pack, other: Pack, firstCharge: number, otherCharge: number): number {
  const [a, b] = [supplyAt(first, firstCharge), supplyAt(other, otherCharge)];
  return Math.abs(a.openVolts - b.openVolts) / (a.ohm + b.ohm);
}
