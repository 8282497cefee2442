import { CHEMISTRIES } from '../document/chemistries.ts';
import {
  coldAgedCapacityAh,
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
  readonly ohms: Float64Array;
}

/** Every step of the chemistry's tables falls on one of these. */
const STEPS = 20;

/** Makes a pack ready. Same values as `supplyAt` at every charge. */
export function packModel(pack: Pack): PackModel {
  const supply = supplyOf(pack);
  const at = Array.from({ length: STEPS + 1 }, (_, i) => supply(i / STEPS));
  return {
    pack,
    capacityAs: coldAgedCapacityAh(pack) * 3600,
    fullVolts: fullChargeVolts(pack),
    wiringOhm: pack.wiringOhm,
    volts: new Float64Array(at.map((s) => s.openVolts)),
    ohms: new Float64Array(at.map((s) => s.ohm)),
  };
}

/** Writes the supply at a charge into `out`. */
export function readSupply(
  model: PackModel,
  charge: number,
  out: { openVolts: number; ohm: number },
): Supply {
  const x = Math.max(0, Math.min(1, charge)) * STEPS;
  const i = Math.min(STEPS - 1, Math.floor(x));
  const t = x - i;
  out.openVolts = (model.volts[i] ?? 0) * (1 - t) + (model.volts[i + 1] ?? 0) * t;
  out.ohm = (model.ohms[i] ?? 0) * (1 - t) + (model.ohms[i + 1] ?? 0) * t;
  return out;
}

/** Charge lost in a second at a current, as a share of the whole: Peukert's law on the way out only. */
export function chargeRate(model: PackModel, amps: number): number {
  const lead = CHEMISTRIES[model.pack.chemistry].peukert !== 1 && amps > 0;
  return ((lead ? peukertFactor(model.pack, amps) : 1) * amps) / model.capacityAs;
}
