import {
  type Unit,
  formatChange,
  convert,
  formatNumber,
  phraseText,
  shownUnit,
  unitText,
  usualDigits,
  type Figure,
  type UnitSystem,
} from '@apple-cart/core';

/** A figure's value for reading: number and unit apart, so that the unit can be set lighter. */
export interface FigureText {
  readonly value: string;
  readonly unit: string;
  readonly condition: string;
}

/** A band needs no more decimals than tell its ends apart. */
const bandDigits = (low: number, high: number): number => (high - low >= 5 ? 0 : 1);

/** A figure in the reader's units. */
export function figureText(figure: Figure, system: UnitSystem): FigureText {
  const condition = phraseText(figure.condition, system);
  if (figure.words !== undefined || figure.value === undefined) {
    return { value: figure.words ?? 'Not known', unit: '', condition };
  }
  const unit = shownUnit(figure.unit, system);
  const value = convert(figure.value, figure.unit, unit);
  if (figure.upTo === undefined) {
    return { value: formatNumber(value, usualDigits(value, unit)), unit: unitText(unit), condition };
  }
  const far = convert(figure.upTo, figure.unit, unit);
  const digits = bandDigits(value, far);
  return {
    value: `${formatNumber(value, digits)}–${formatNumber(far, digits)}`,
    unit: unitText(unit),
    condition,
  };
}

/** The difference from the pinned figure: a signed number, or the words it had before. */
export type FigureDelta =
  | { readonly kind: 'number'; readonly up: boolean; readonly text: string }
  | { readonly kind: 'words'; readonly text: string };

const middle = (figure: Figure): number | undefined =>
  figure.value === undefined ? undefined : (figure.value + (figure.upTo ?? figure.value)) / 2;

/** Decimals of a change: those of the figure itself. */
function changeDigits(now: Figure, value: number, unit: Unit): number {
  if (now.id === 'price') return 0;
  return now.upTo === undefined ? usualDigits(value, unit) : bandDigits(now.value ?? 0, now.upTo);
}

/**
 * What changed between the pinned figure and the present one, in the reader's units; undefined when
 * nothing shows at the decimals in use. A band is compared by its middle, a price by its amount.
 */
export function figureDelta(
  now: Figure,
  pinned: Figure | undefined,
  system: UnitSystem,
): FigureDelta | undefined {
  if (pinned === undefined) return undefined;
  const [a, b] = [middle(pinned), middle(now)];
  if (a === undefined || b === undefined) {
    const before = figureText(pinned, system);
    const same = before.value === figureText(now, system).value;
    return same
      ? undefined
      : { kind: 'words', text: `was ${before.value}${before.unit === '' ? '' : ` ${before.unit}`}` };
  }
  const unit = shownUnit(now.unit, system);
  const change = b - a;
  const digits = changeDigits(now, b, unit);
  const text = formatChange(change, now.unit, unit, digits);
  return text === undefined ? undefined : { kind: 'number', up: change > 0, text };
}
