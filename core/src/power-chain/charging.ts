import type { Chemistry } from '../document/choices.ts';
import { fullChargeVolts, openVoltsAt, wholeCapacityAh, supplyAt, type Pack } from '../machine/battery.ts';

/** A lithium charger's volts have to meet the pack's within this share. Common practice: a few tenths of a volt. */
const CHARGER_BAND = 0.006;
/** Lead-acid is charged at anything from float to absorption, volts a cell: 13.5 to 14.7 V a block. Common practice. */
const LEAD_SPAN = [2.25, 2.45] as const;

/** Its volts are stated for 25 C: a cell below it wants so much more for each degree. Common practice. */
const [STATED_AT_C, COLD_V_PER_K] = [25, 0.004] as const;

/** What all cells of a lead-acid pack together want above their stated volts where they are charged cold, V. */
export const coldChargeVolts = (pack: Pack, cellC: number): number =>
  Math.max(0, STATED_AT_C - cellC) * COLD_V_PER_K * pack.cellsInSeries;

/**
 * The volts that a charger for a pack may end at.
 * @param chargedTo the share to which it is meant to be charged: a charger may end there by its volts. Lead-acid is always filled
 */
export function endSpan(pack: Pack, chargedTo = 1): readonly [number, number] {
  if (pack.chemistry === 'lead-acid')
    return [LEAD_SPAN[0] * pack.cellsInSeries, LEAD_SPAN[1] * pack.cellsInSeries];
  const full = fullChargeVolts(pack);
  const least = chargedTo < 1 ? Math.min(full, openVoltsAt(pack, chargedTo)) : full;
  return [least * (1 - CHARGER_BAND), full * (1 + CHARGER_BAND)];
}

/** Whether a charger that ends at these volts goes on charging a pack that is full. */
export const overcharges = (volts: number, pack: Pack): boolean => volts > endSpan(pack)[1] + 1e-6;

/** What the wall gives to the pack. */
export interface Charger {
  readonly volts: number;
  readonly amps: number;
  /** Share of the wall's energy that reaches the pack. */
  readonly efficiency: number;
}

/** One moment of a charge. */
interface ChargeStep {
  readonly hours: number;
  readonly charge: number;
  readonly amps: number;
  readonly volts: number;
}

/** How far a charge went, moment by moment. */
interface Charged {
  readonly hours: number;
  readonly steps: readonly ChargeStep[];
}

export type ChargeOutcome =
  | (Charged & {
      readonly arrives: true;
      /** Put into the pack, and taken from the wall, Wh. */
      readonly packWh: number;
      readonly wallWh: number;
      readonly ah: number;
      /** State of charge at which the current begins to fall. */
      readonly taperFrom: number;
    })
  /** The charger ends before the wanted charge. */
  | (Charged & { readonly arrives: false; readonly endsAt: number })
  /** It never ends: nobody may charge with it, and no hours are told. */
  | { readonly arrives: false; readonly endsAt: undefined };

/**
 * Under charge a cell stands higher above its resting volts than its resistance alone says: ions lag behind.
 * So many times the resistance. From memory.
 */
const LAG = { nmc: 2.5, 'nmc-power': 2.5, lmo: 2.5, lfp: 2.5, 'lead-acid': 4 } as const;
/**
 * Lead-acid takes at most this much of what is missing per hour (Mas, Journal of the Electrochemical Society,
 * 1967: acceptance falls as the charge comes in; the rate is from memory), and a little beyond, when full.
 */
const ACCEPTS_PER_H = 0.5;
const GASSES = 0.04;
/** Charge returned for charge taken: lead-acid gasses. From memory. */
const COULOMBIC = { nmc: 1, 'nmc-power': 1, lmo: 1, lfp: 1, 'lead-acid': 0.87 } as const;
/** The charger ends when the current has fallen to this share of the pack's amp-hours per hour. Common practice. */
const END_OF_TAPER = 0.015;
const STEPS = 200;

/**
 * Constant current until the charger's volts are reached, then constant volts with a falling current
 * I = (V - Voc) / (lag R), from one state of charge to another in equal steps of charge. Derived; the lag is
 * from memory, so the taper is an estimate and the constant-current part is exact.
 */
export function chargeRun(pack: Pack, charger: Charger, from: number, to: number): ChargeOutcome {
  if (overcharges(charger.volts, pack)) return { arrives: false, endsAt: undefined };
  const capacity = wholeCapacityAh(pack);
  const lag = LAG[pack.chemistry];
  const amps = (charge: number): number => {
    const { openVolts, ohm } = supplyAt(pack, charge);
    const accepts =
      pack.chemistry === 'lead-acid' ? ACCEPTS_PER_H * (1 + GASSES - charge) * capacity : Infinity;
    return Math.min(charger.amps, accepts, Math.max(0, charger.volts - openVolts) / (ohm * lag));
  };
  const least = Math.min(charger.amps, END_OF_TAPER * capacity) * 0.999;
  const dq = (to - from) / STEPS;
  const steps: ChargeStep[] = [];
  let [hours, packWh, ah, taperFrom] = [0, 0, 0, to];
  for (let i = 0; i < STEPS; i += 1) {
    const middle = from + (i + 0.5) * dq;
    const current = amps(middle);
    if (current < least) return { arrives: false, endsAt: from + i * dq, hours, steps };
    if (current < charger.amps * 0.999 && taperFrom === to) taperFrom = from + i * dq;
    const { openVolts, ohm } = supplyAt(pack, middle);
    const volts = Math.min(charger.volts, openVolts + current * ohm * lag);
    const put = (dq * capacity) / COULOMBIC[pack.chemistry];
    steps.push({ hours, charge: middle, amps: current, volts });
    hours += put / current;
    packWh += put * volts;
    ah += put;
  }
  return { arrives: true, hours, packWh, wallWh: packWh / charger.efficiency, ah, taperFrom, steps };
}

/** How long cells last by habit, against charging to full each time. Common practice, no source. */
export const HABITS = [
  { id: 'full', name: 'full to empty', from: 1, to: 0, life: 'the usual cycle life' },
  { id: 'most', name: 'charged to 85 %', from: 0.85, to: 0, life: 'about twice the cycles' },
  { id: 'middle', name: 'the middle 60 %', from: 0.8, to: 0.2, life: 'about three times the cycles' },
] as const;

/** A 12 V lead-acid block is at its best when always full: a partial habit harms it. */
export const likesFull = (chemistry: Chemistry): boolean => chemistry === 'lead-acid';
