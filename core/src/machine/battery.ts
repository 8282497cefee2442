import { CHEMISTRIES } from '../document/chemistries.ts';
import type { Chemistry } from '../document/choices.ts';
import { ZERO_CELSIUS_K } from '../quantity/constants.ts';
import { interpolate } from '../quantity/numerics.ts';

const CHARGE_STEPS = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1];
const FACTOR_STEPS = [0, 0.1, 0.2, 0.5, 1];
const COLD_STEPS = [-20, -10, 0, 10, 25];
/** Resistance grows by this share of itself per share of capacity lost. From memory: about double at 75 %. */
const AGE_RESISTANCE = 4;

/** A pack, SI. `health` is the capacity left, 1 when new. */
export interface Pack {
  readonly chemistry: Chemistry;
  readonly cellsInSeries: number;
  readonly capacityAh: number;
  readonly health: number;
  readonly wiringOhm: number;
  /** One series group at half charge and 25 C, where it is known of the cells; else the chemistry's usual. */
  readonly groupOhm?: number;
  /** Of its cells, as a ride begins. */
  readonly temperatureC: number;
  /** How it warms by its own loss; absent where it stays as it is. */
  warms?: PackWarmth;
}

/** A pack as one body, SI: heat to warm it, heat to the air for each kelvin, and the air, C. */
export interface PackWarmth {
  readonly heatJK: number;
  readonly lossWK: number;
  readonly airC: number;
}

/** The pack at one state of charge: an ideal source behind a resistance. */
export interface Supply {
  readonly openVolts: number;
  readonly ohm: number;
  /** Several packs behind diodes, highest first; absent for one. */
  readonly behind?: readonly BehindDiode[];
  /** The same with one more of them: what stands at the terminals is the higher of both at every current. */
  readonly joined?: Supply | undefined;
}

/** A pack behind its diode: volts less the diode's drop. */
export interface BehindDiode {
  readonly openVolts: number;
  readonly ohm: number;
  /** Its protection carries this much, A. */
  readonly bmsA: number;
}

/** End-of-charge volts, for example ten lithium cells at 4.2 V: 42.0 V. */
export const fullChargeVolts = (pack: Pack): number => CHEMISTRIES[pack.chemistry].fullV * pack.cellsInSeries;

/** Whole capacity at the pack's age in Ah, as at 25 C; what the cold puts out of reach is left in it (see `leastCharge`). */
export const wholeCapacityAh = (pack: Pack): number => pack.capacityAh * pack.health;

/**
 * State of charge below which nothing is to be had at a cell temperature, whatever the current: 1 less the reach. A pack
 * that warms on the way gets that charge back; the sag in the cold is the resistance's.
 */
export const leastCharge = (chemistry: Chemistry, cellC: number): number =>
  1 - interpolate(COLD_STEPS, CHEMISTRIES[chemistry].coldReach, cellC);

/** How much the cells' resistance grows in the cold: exp(B (1/T - 1/298.15)). */
export const coldFactor = (chemistry: Chemistry, cellC: number): number =>
  Math.exp(CHEMISTRIES[chemistry].arrheniusK * (1 / (cellC + ZERO_CELSIUS_K) - 1 / 298.15));

/**
 * Temperature of a pack after `seconds` of an even loss in its cells, exactly: towards air + loss / (U A), with the
 * time constant m c / (U A). Derived.
 */
export function packWarmed({ warms }: Pack, fromC: number, lossW: number, seconds: number): number {
  if (warms === undefined) return fromC;
  const end = warms.airC + lossW / warms.lossWK;
  return end + (fromC - end) * Math.exp((-seconds * warms.lossWK) / warms.heatJK);
}

/**
 * Open-circuit volts and resistance at states of charge 0 to 1:
 * Rb = S (ohm of a group: its own, or ohm Ah / Ah) k(charge) exp(B (1/T - 1/298.15)) age + wiring.
 */
export function supplyOf(pack: Pack, cellC = pack.temperatureC): (charge: number) => Supply {
  const data = CHEMISTRIES[pack.chemistry];
  const cold = coldFactor(pack.chemistry, cellC);
  const age = 1 + AGE_RESISTANCE * Math.max(0, 1 - pack.health);
  const cells = pack.cellsInSeries * (pack.groupOhm ?? data.ohmAh / pack.capacityAh);
  return (charge) => ({
    openVolts: pack.cellsInSeries * interpolate(CHARGE_STEPS, data.openCircuit, charge),
    ohm: cells * interpolate(FACTOR_STEPS, data.chargeFactor, charge) * cold * age + pack.wiringOhm,
  });
}

/** The supply at one state of charge, and at a temperature of its cells. */
export const supplyAt = (pack: Pack, charge: number, cellC = pack.temperatureC): Supply =>
  supplyOf(pack, cellC)(charge);

/**
 * How much faster charge drains than the current says, by Peukert's law (1897) on the 20 h rate:
 * (I / I20)^(k - 1) above I20, otherwise 1.
 */
export function peukertFactor(pack: Pack, batteryA: number): number {
  const i20 = pack.capacityAh / 20;
  const exponent = CHEMISTRIES[pack.chemistry].peukert - 1;
  return exponent === 0 || batteryA <= i20 ? 1 : Math.pow(batteryA / i20, exponent);
}

/** Volts of a pack at rest at a state of charge, 0 to 1. */
export const openVoltsAt = ({ chemistry, cellsInSeries }: Pack, charge: number): number =>
  cellsInSeries * interpolate(CHARGE_STEPS, CHEMISTRIES[chemistry].openCircuit, charge);

/** State of charge of a pack by its volts at rest, 0 to 1; the ends beyond them. */
export function chargeAtRest(pack: Pack, volts: number): number {
  const { openCircuit } = CHEMISTRIES[pack.chemistry];
  return interpolate(openCircuit, CHARGE_STEPS, volts / pack.cellsInSeries);
}

/** The most that a pack gives is met by rounding, not only by arithmetic: this share of its volts squared. */
const ROUNDING = 1e-12;

/**
 * Battery amps for a power `watts` at the pack's terminals: 2P / (Voc + sqrt(Voc^2 - 4 Rb P)); Infinity beyond the most
 * that the pack can give, Voc^2 / (4 Rb).
 */
export function batteryAmps(supply: Supply, watts: number): number {
  const amps = ampsOfOne(supply, watts);
  return supply.joined === undefined ? amps : Math.min(amps, batteryAmps(supply.joined, watts));
}

function ampsOfOne(supply: Supply, watts: number): number {
  const square = supply.openVolts ** 2;
  const exact = square - 4 * supply.ohm * watts;
  const inside = exact < 0 && exact > -ROUNDING * square ? 0 : exact;
  return inside < 0 ? Infinity : (2 * watts) / (supply.openVolts + Math.sqrt(inside));
}
