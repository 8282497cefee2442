import type { Unit } from './units.ts';

/** How a reader wants quantities shown: what a trade names by size in millimetres (tyres, threads, shells) is words and stays. */
export type UnitSystem = 'metric' | 'imperial';

const IMPERIAL: Partial<Record<Unit, Unit>> = {
  kg: 'lb',
  'km/h': 'mph',
  'm/s': 'mph',
  km: 'mi',
  m: 'ft',
  mm: 'in',
  'Wh/km': 'Wh/mi',
  C: 'F',
  N: 'lbf',
};

/** The unit in which a quantity stored in `unit` is shown under the system. */
export const shownUnit = (unit: Unit, system: UnitSystem): Unit =>
  system === 'imperial' ? (IMPERIAL[unit] ?? unit) : unit;

/** The same quantity in the other system, or the same unit where trade uses only one. */
export const otherUnit = (unit: Unit, system: UnitSystem): Unit =>
  shownUnit(unit, system === 'imperial' ? 'metric' : 'imperial');
