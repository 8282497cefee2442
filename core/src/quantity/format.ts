import { firstOf } from './first-of.ts';
import { convert, type Unit } from './units.ts';

/** Decimals that a bench can use, per unit: never more than the model deserves. */
const DIGITS: Partial<Record<Unit, number>> = {
  kg: 1,
  lb: 1,
  mm: 0,
  in: 2,
  m: 0,
  ft: 0,
  km: 1,
  mi: 1,
  'km/h': 1,
  mph: 1,
  'm/s': 1,
  W: 0,
  V: 1,
  A: 1,
  Ah: 1,
  Wh: 0,
  ohm: 3,
  mohm: 0,
  'Wh/km': 1,
  'Wh/mi': 1,
  C: 0,
  F: 0,
  N: 0,
  lbf: 0,
  'N m': 2,
  'N m s': 4,
  rpm: 0,
  'rpm/V': 1,
  '%': 1,
  s: 0,
  min: 1,
  h: 2,
  m2: 2,
  'kg/m3': 3,
  T: 0,
  S: 0,
  P: 0,
  g: 0,
  mm2: 2,
  uF: 0,
  J: 0,
  'J/K': 0,
  'W/K': 2,
  deg: 0,
};

/** How a unit is written beside a number; a pure number has none. */
const WRITTEN: Partial<Record<Unit, string>> = {
  '1': '',
  C: '°C',
  F: '°F',
  m2: 'm²',
  'kg/m3': 'kg/m³',
  T: 'teeth',
  S: 'in series',
  P: 'in parallel',
  mm2: 'mm²',
  uF: 'µF',
  ohm: 'Ω',
  mohm: 'mΩ',
  Mohm: 'MΩ',
  deg: '°',
};

/** The unit's usual number of decimals; pure numbers get as many as their size asks for. */
export function usualDigits(value: number, unit: Unit): number {
  const digits = DIGITS[unit];
  if (digits !== undefined) return digits;
  const size = Math.abs(value);
  return firstOf(
    [
      [size >= 100 || size === 0, 0],
      [size >= 10, 1],
      [size >= 0.1, 2],
    ],
    4,
  );
}

export const unitText = (unit: Unit): string => WRITTEN[unit] ?? unit;

/** A formatter takes longer to make than to use some hundred times. */
const formatters = new Map<number, Intl.NumberFormat>();
function formatter(digits: number): Intl.NumberFormat {
  let found = formatters.get(digits);
  if (found === undefined) {
    found = new Intl.NumberFormat('en-GB', { minimumFractionDigits: digits, maximumFractionDigits: digits });
    formatters.set(digits, found);
  }
  return found;
}

/** A number for reading: thousands grouped, a true minus, and "over" rather than a wild figure. */
export function formatNumber(value: number, digits: number): string {
  if (!Number.isFinite(value)) return value > 0 ? 'no limit' : 'none';
  const text = formatter(digits).format(value);
  // "-0.0" would claim a direction that the digits shown do not carry.
  return /^-[0.,]*$/.test(text) ? text.slice(1) : text.replace('-', '−');
}

/** So many of a thing, in the singular where it is one: "1 day", "3 days". */
export const counted = (count: number, one: string, several = `${one}s`): string =>
  `${String(count)} ${count === 1 ? one : several}`;

/** Number and unit with a no-break space between. */
export function formatQuantity(value: number, unit: Unit, digits = usualDigits(value, unit)): string {
  const written = unitText(unit);
  return written === '' ? formatNumber(value, digits) : `${formatNumber(value, digits)}\u00a0${written}`;
}

/**
 * A change of a quantity for reading, with its sign, without its unit; undefined for one that the digits shown do not
 * carry. A difference of temperatures is one of degrees, whatever the zero of the scale.
 */
export function formatChange(
  change: number,
  unit: Unit,
  shown: Unit,
  digits = usualDigits(change, shown),
): string | undefined {
  const converted = convert(change, unit, shown) - convert(0, unit, shown);
  const text = formatNumber(Math.abs(converted), digits);
  if (Math.round(Math.abs(converted) * 10 ** digits) === 0) return undefined;
  return `${converted < 0 ? '−' : '+'}${text}`;
}
