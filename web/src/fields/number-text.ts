import {
  firstOf,
  convert,
  otherUnit,
  parseQuantity,
  shownUnit,
  unitText,
  formatQuantity,
  isCounted,
  type QuantitySpec,
  type Unit,
  type UnitSystem,
} from '@apple-cart/core';

/** What a typed text means for a field: a usable value in the document's unit, or why not. */
export type Typed =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly why: string };

/** " in kg"; cells are counted " in series" as they stand. */
function inUnit(unit: Unit): string {
  const text = unitText(unit);
  if (text === 'in') return ' in inches';
  return text.startsWith('in ') ? ` ${text}` : ` in ${text}`;
}

/** Reads a field's text in the reader's units and holds it against the hard limits of the spec. */
export function readTyped(text: string, spec: QuantitySpec, system: UnitSystem): Typed {
  const unit = shownUnit(spec.unit, system);
  const parsed = parseQuantity(text, spec.unit, unit);
  if (!parsed.ok) {
    const issue = parsed.issues[0];
    if (issue?.code === 'missing') return { ok: false, why: 'Empty: type a value, or mark it unknown.' };
    if (issue?.code === 'unit')
      return {
        ok: false,
        why: unitText(unit) === '' ? 'This is a number without a unit.' : `This is measured${inUnit(unit)}.`,
      };
    return {
      ok: false,
      why: `Not a number that can be read. Try 12${isCounted(spec) ? '' : ', 12.5 or 3/8'}${unitText(unit) === '' ? '' : `,${inUnit(unit)}`}.`,
    };
  }
  const value = parsed.value;
  if (value < spec.min || value > spec.max) {
    const low = formatQuantity(convert(spec.min, spec.unit, unit), unit);
    const high = formatQuantity(convert(spec.max, spec.unit, unit), unit);
    return { ok: false, why: `Must be ${low} to ${high}. The value from before stays in force.` };
  }
  if (isCounted(spec) && !Number.isInteger(value))
    return { ok: false, why: 'A whole number: it is counted. The value from before stays in force.' };
  return { ok: true, value };
}

const trim = (text: string): string =>
  text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text;

/** A value for a field: as many decimals as it has, at most four significant ones beyond the step. */
export function fieldText(value: number, spec: QuantitySpec, system: UnitSystem): string {
  const unit = shownUnit(spec.unit, system);
  const shown = convert(value, spec.unit, unit);
  const digits = firstOf(
    [
      [unit === spec.unit, 6],
      [Math.abs(shown) >= 100, 1],
    ],
    2,
  );
  const text = trim(shown.toFixed(digits));
  return text === '-0' ? '0' : text;
}

/** A value that nobody typed, as it stands in its field and is taken over from there: no default is known better than to four digits. */
export const asDefault = (value: number): number => Number(value.toPrecision(4));

/** The same value in the other system, for the line under a field in focus; undefined where trade has one unit. */
export function otherText(value: number, spec: QuantitySpec, system: UnitSystem): string | undefined {
  const other = otherUnit(spec.unit, system);
  return other === shownUnit(spec.unit, system)
    ? undefined
    : formatQuantity(convert(value, spec.unit, other), other);
}

/** One nudge up or down in the reader's unit, landing on whole steps, within the limits; in the document's unit. */
export function nudged(value: number, direction: number, spec: QuantitySpec, system: UnitSystem): number {
  const unit = shownUnit(spec.unit, system);
  const shown = convert(value, spec.unit, unit);
  const next = Math.round((shown + direction * spec.step) / spec.step) * spec.step;
  const clean = Number(next.toPrecision(12));
  return Math.min(spec.max, Math.max(spec.min, convert(clean, unit, spec.unit)));
}
