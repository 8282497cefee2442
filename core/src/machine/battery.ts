import type { Chemistry } from '../build/choices.ts';
import { ZERO_CELSIUS_K } from '../quantity/constants.ts';
import { interpolate } from '../quantity/numerics.ts';

/** What a chemistry is like, per cell (lead-acid: per 2 V cell). All values from memory; the data sheet wins. */
interface ChemistryData {
  readonly name: string;
  readonly nominalV: number;
  /** End-of-charge volts. */
  readonly fullV: number;
  /** Open-circuit volts at 0, 10 ... 100 %. */
  readonly openCircuit: readonly number[];
  /** Resistance times capacity, ohm Ah, at half charge and 25 C. */
  readonly ohmAh: number;
  /** Resistance factor at 0, 10, 20, 50, 100 %. */
  readonly chargeFactor: readonly number[];
  /** Temperature constant of the resistance, K. */
  readonly arrheniusK: number;
  /** Capacity at -20, -10, 0, 10, 25 C, as a share of the rated. */
  readonly coldCapacity: readonly number[];
  /** Peukert exponent on the 20 h rate; 1 for none. */
  readonly peukert: number;
}

export const CHEMISTRIES: Readonly<Record<Chemistry, ChemistryData>> = {
  nmc: {
    name: 'lithium, NMC or NCA',
    nominalV: 3.6,
    fullV: 4.2,
    openCircuit: [3.0, 3.34, 3.46, 3.54, 3.6, 3.67, 3.77, 3.87, 3.96, 4.06, 4.18],
    ohmAh: 0.11,
    chargeFactor: [2.2, 1.35, 1.1, 1, 1.05],
    arrheniusK: 2300,
    coldCapacity: [0.62, 0.77, 0.88, 0.95, 1],
    peukert: 1,
  },
  lfp: {
    name: 'lithium iron phosphate',
    nominalV: 3.2,
    fullV: 3.65,
    openCircuit: [2.6, 3.18, 3.23, 3.26, 3.28, 3.29, 3.3, 3.32, 3.33, 3.34, 3.42],
    ohmAh: 0.045,
    chargeFactor: [2.5, 1.4, 1.15, 1, 1.05],
    arrheniusK: 2900,
    coldCapacity: [0.5, 0.68, 0.83, 0.92, 1],
    peukert: 1,
  },
  'lead-acid': {
    name: 'sealed lead-acid',
    nominalV: 2,
    fullV: 2.4,
    openCircuit: [1.94, 1.965, 1.99, 2.01, 2.03, 2.048, 2.068, 2.088, 2.108, 2.128, 2.15],
    ohmAh: 0.072,
    chargeFactor: [3, 2.1, 1.7, 1.2, 1],
    arrheniusK: 1300,
    coldCapacity: [0.5, 0.65, 0.79, 0.89, 1],
    peukert: 1.2,
  },
};

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
  readonly temperatureC: number;
}

/** The pack at one state of charge: an ideal source behind a resistance. */
export interface Supply {
  readonly openVolts: number;
  readonly ohm: number;
}

/** End-of-charge volts, for example ten lithium cells at 4.2 V: 42.0 V. */
export const fullChargeVolts = (pack: Pack): number => CHEMISTRIES[pack.chemistry].fullV * pack.cellsInSeries;

/** Usable capacity in Ah at the pack's age and temperature, before the cut-off is considered. */
export const coldAgedCapacityAh = (pack: Pack): number =>
  pack.capacityAh *
  pack.health *
  interpolate(COLD_STEPS, CHEMISTRIES[pack.chemistry].coldCapacity, pack.temperatureC);

/**
 * Open-circuit volts and resistance at a state of charge 0 to 1:
 * Rb = S (ohm Ah / Ah) k(charge) exp(B (1/T - 1/298.15)) age + wiring.
 */
export function supplyAt(pack: Pack, charge: number): Supply {
  const data = CHEMISTRIES[pack.chemistry];
  const cold = Math.exp(data.arrheniusK * (1 / (pack.temperatureC + ZERO_CELSIUS_K) - 1 / 298.15));
  const age = 1 + AGE_RESISTANCE * Math.max(0, 1 - pack.health);
  const cells = (pack.cellsInSeries * data.ohmAh) / pack.capacityAh;
  return {
    openVolts: pack.cellsInSeries * interpolate(CHARGE_STEPS, data.openCircuit, charge),
    ohm: cells * interpolate(FACTOR_STEPS, data.chargeFactor, charge) * cold * age + pack.wiringOhm,
  };
}

/**
 * How much faster charge drains than the current says, by Peukert's law (1897) on the 20 h rate:
 * (I / I20)^(k - 1) above I20, otherwise 1.
 */
export function peukertFactor(pack: Pack, batteryA: number): number {
  const i20 = pack.capacityAh / 20;
  const exponent = CHEMISTRIES[pack.chemistry].peukert - 1;
  return exponent === 0 || batteryA <= i20 ? 1 : Math.pow(batteryA / i20, exponent);
}
