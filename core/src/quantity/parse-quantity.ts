import { fail, ok, type Result } from './result.ts';
import { awgAreaMm2 } from './wire-gauge.ts';
import { UNIT_SYMBOLS, convert, sameDimension, type Unit } from './units.ts';

/** Spellings a builder types, beside the symbols themselves. Lower case; `c` and `f` only meet temperatures. */
const SPELLINGS: Readonly<Record<string, Unit>> = {
  '"': 'in',
  inch: 'in',
  inches: 'in',
  "'": 'ft',
  foot: 'ft',
  feet: 'ft',
  lbs: 'lb',
  pounds: 'lb',
  kmh: 'km/h',
  kph: 'km/h',
  miles: 'mi',
  mile: 'mi',
  watts: 'W',
  volts: 'V',
  amps: 'A',
  ohms: 'ohm',
  '°c': 'C',
  '°f': 'F',
  'm²': 'm2',
  'mm²': 'mm2',
  µf: 'uF',
  grams: 'g',
  nm: 'N m',
  hours: 'h',
  hour: 'h',
  teeth: 'T',
  minutes: 'min',
};

/** As they are written: milli and mega differ by their case alone. */
const WRITTEN: Readonly<Record<string, Unit>> = { Ω: 'ohm', mΩ: 'mohm', MΩ: 'Mohm' };

function unitFromText(typed: string): Unit | undefined {
  // The sign of the ohm is its own letter in Unicode, and means the Greek one.
  const text = typed.replaceAll('\u2126', 'Ω');
  const exact = UNIT_SYMBOLS.find((u) => u === text) ?? WRITTEN[text];
  if (exact !== undefined) return exact;
  const lower = text.toLowerCase();
  return SPELLINGS[lower] ?? UNIT_SYMBOLS.find((u) => u.toLowerCase() === lower);
}

/** A comma is a thousands mark before exactly three digits ("1,400"), otherwise a decimal comma ("7,5"). */
function numberFromText(text: string): number | undefined {
  const fraction = /^([+-]?)(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(text);
  if (fraction !== null) {
    const [, sign, whole = '0', top, bottom] = fraction;
    if (Number(bottom) === 0) return undefined;
    return (sign === '-' ? -1 : 1) * (Number(whole) + Number(top) / Number(bottom));
  }
  const plain = /^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/.test(text)
    ? text.replaceAll(',', '')
    : text.replace(',', '.');
  return /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : undefined;
}

/**
 * Reads what a builder typed: a number, decimal or fraction ("3/32", "1 1/2"), with or without a unit
 * ("26 in", "15 mph", "12 AWG"). Without a unit the number is in `assumed`; the result is in `wanted`.
 * Gives an issue for empty text, text that is no number, and a unit of another kind.
 */
export function parseQuantity(text: string, wanted: Unit, assumed: Unit = wanted): Result<number> {
  const trimmed = text.trim().replace(/[−–]/g, '-');
  if (trimmed === '')
    return fail({ code: 'missing', path: '', actual: text, limit: `a number in ${assumed}` });
  const split = /^([+-]?[\d.,\s/]*\d[\d.,]*(?:e[+-]?\d+)?)\s*(.*)$/i.exec(trimmed);
  const value = split === null ? undefined : numberFromText((split[1] ?? '').trim());
  if (split === null || value === undefined || !Number.isFinite(value)) {
    return fail({ code: 'type', path: '', actual: text, limit: `a number in ${assumed}` });
  }
  const unitText = (split[2] ?? '').trim();
  if (unitText === '') return ok(convert(value, assumed, wanted));
  if (wanted === 'mm2' && /^(awg|ga|gauge)$/i.test(unitText)) return ok(awgAreaMm2(value));
  const unit = unitFromText(unitText);
  if (unit === undefined || !sameDimension(unit, wanted)) {
    return fail({ code: 'unit', path: '', actual: unitText, limit: `a unit like ${wanted}` });
  }
  return ok(convert(value, unit, wanted));
}
