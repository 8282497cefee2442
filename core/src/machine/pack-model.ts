import { CHEMISTRIES } from '../document/chemistries.ts';
import {
  wholeCapacityAh,
  fullChargeVolts,
  peukertFactor,
  supplyOf,
  type Pack,
  type Supply,
} from './battery.ts';

/** A pack made ready to be asked at every step of a ride: what does not change with its charge is worked out once. */
export interface PackModel {
  readonly pack: Pack;
  readonly capacityAs: number;
  readonly fullVolts: number;
  readonly wiringOhm: number;
  /** At charges 0, 0.05 ... 1; between them both run straight, since their own tables do. */
  readonly volts: Float64Array;
  /** Of the cells alone, at 25 C. */
  readonly cellOhms: Float64Array;
}

/** Every step of the chemistry's tables falls on one of these. */
const STEPS = 20;

/** Makes a pack ready. Same values as `supplyAt` at every charge and temperature. */
export function packModel(pack: Pack): PackModel {
  const supply = supplyOf(pack, 25);
  const at = Array.from({ length: STEPS + 1 }, (_, i) => supply(i / STEPS));
  return {
    pack,
    capacityAs: wholeCapacityAh(pack) * 3600,
    fullVolts: fullChargeVolts(pack),
    wiringOhm: pack.wiringOhm,
    volts: new Float64Array(at.map((s) => s.openVolts)),
    cellOhms: new Float64Array(at.map((s) => s.ohm - pack.wiringOhm)),
  };
}

/** Writes the supply at a charge into `out`; `cold` is how much its cells' resistance has grown in the cold. */
export function readSupply(
  model: PackModel,
  charge: number,
  cold: number,
  out: { openVolts: number; ohm: number },
): Supply {
  const x = Math.max(0, Math.min(1, charge)) * STEPS;
  const i = Math.min(STEPS - 1, Math.floor(x));
  const t = x - i;
  out.openVolts = (model.volts[i] ?? 0) * (1 - t) + (model.volts[i + 1] ?? 0) * t;
  out.ohm = ((model.cellOhms[i] ?? 0) * (1 - t) + (model.cellOhms[i + 1] ?? 0) * t) * cold + model.wiringOhm;
  return out;
}

/** Charge lost in a second at a current, as a share of the whole: Peukert's law on the way out only. */
export function chargeRate(model: PackModel, amps: number): number {
  const lead = CHEMISTRIES[model.pack.chemistry].peukert !== 1 && amps > 0;
  return ((lead ? peukertFactor(model.pack, amps) : 1) * amps) / model.capacityAs;
}
