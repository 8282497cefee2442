import type { Chemistry } from './choices.ts';

/** What a chemistry is like, per cell (lead-acid: per 2 V cell). All values from memory; the data sheet wins. */
export interface ChemistryData {
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
  /** Charge within reach at any current at -20, -10, 0, 10, 25 C, as a share of that at 25 C. */
  readonly coldReach: readonly number[];
  /** Peukert exponent on the 20 h rate; 1 for none. */
  readonly peukert: number;
}

const NMC_VOLTS = [3.0, 3.34, 3.46, 3.54, 3.6, 3.67, 3.77, 3.87, 3.96, 4.06, 4.18];

export const CHEMISTRIES: Readonly<Record<Chemistry, ChemistryData>> = {
  nmc: {
    name: 'lithium, NMC or NCA',
    nominalV: 3.6,
    fullV: 4.2,
    openCircuit: NMC_VOLTS,
    ohmAh: 0.11,
    chargeFactor: [2.2, 1.35, 1.1, 1, 1.05],
    arrheniusK: 2300,
    coldReach: [0.75, 0.86, 0.93, 0.97, 1],
    peukert: 1,
  },
  'nmc-power': {
    name: 'lithium, NMC power cells',
    nominalV: 3.6,
    fullV: 4.2,
    openCircuit: NMC_VOLTS,
    ohmAh: 0.055,
    chargeFactor: [2.2, 1.35, 1.1, 1, 1.05],
    arrheniusK: 2300,
    coldReach: [0.75, 0.86, 0.93, 0.97, 1],
    peukert: 1,
  },
  lmo: {
    name: 'lithium manganese',
    nominalV: 3.7,
    fullV: 4.2,
    openCircuit: [3.0, 3.55, 3.68, 3.76, 3.82, 3.87, 3.92, 3.97, 4.02, 4.08, 4.18],
    ohmAh: 0.07,
    chargeFactor: [2.2, 1.35, 1.1, 1, 1.05],
    arrheniusK: 2300,
    coldReach: [0.75, 0.86, 0.93, 0.97, 1],
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
    coldReach: [0.65, 0.79, 0.89, 0.95, 1],
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
    coldReach: [0.55, 0.68, 0.81, 0.91, 1],
    peukert: 1.2,
  },
};
