import { convert, shownUnit, type Unit, type UnitSystem } from '@apple-cart/core';

/** A number that is typed in the reader's units, with its bounds in its own. */
export interface NumberField {
  readonly name: string;
  readonly unit: Unit;
  readonly min: number;
  readonly max: number;
}

/** A number as typed, with comma or point, in its own unit; null for nothing, undefined for what is none or beyond. */
export function numberIn(field: NumberField, text: string, system: UnitSystem): number | null | undefined {
  const plain = text.trim().replace(',', '.').replace('−', '-');
  if (plain === '') return null;
  const value = Number(plain);
  if (!Number.isFinite(value)) return undefined;
  const own = convert(value, shownUnit(field.unit, system), field.unit);
  return own >= field.min && own <= field.max ? own : undefined;
}

/** A number as it would be typed in the reader's units; empty for none. */
export const numberText = (value: number | null, unit: Unit, system: UnitSystem): string =>
  value === null ? '' : String(Math.round(convert(value, unit, shownUnit(unit, system)) * 1000) / 1000);
