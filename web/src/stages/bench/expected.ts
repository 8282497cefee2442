import {
  convert,
  formatQuantity,
  shownUnit,
  type Evidence,
  type Findings,
  type UnitSystem,
} from '@apple-cart/core';

type Readings = Extract<Evidence, { kind: 'readings' }>;

/** A value in the reader's unit, with the digits that a meter has. */
function shownReading(value: number, unit: Readings['unit'], system: UnitSystem): string {
  const to = shownUnit(unit, system);
  const shown = convert(value, unit, to);
  // As many decimals as it has, to hundredths: a spread of 0.05 V is not a tenth.
  const digits = [0, 1].find((n) => Math.abs(shown * 10 ** n - Math.round(shown * 10 ** n)) < 1e-6) ?? 2;
  return formatQuantity(shown, to, Math.abs(shown) < 100 ? digits : 0);
}

/** The same without its unit, as the first of a span. */
function bareReading(value: number, unit: Readings['unit'], system: UnitSystem): string {
  return shownReading(value, unit, system).split(/\s/)[0] ?? '';
}

/** What passes, in words and the reader's units. */
export function bandWords({ unit, low, high, spread, names }: Readings, system: UnitSystem): string {
  const told = (n: number): string => shownReading(n, unit, system);
  const apart = spread === null || names.length < 2 ? '' : `, apart by at most ${told(spread)}`;
  if (low !== null && high !== null) {
    const bare = bareReading(low, unit, system);
    return `${bare}${low < 0 ? ' to ' : '–'}${told(high)}${apart}`;
  }
  if (low !== null) return `at least ${told(low)}${apart}`;
  if (high !== null) return `at most ${told(high)}${apart}`;
  return apart === '' ? 'written down' : apart.slice(2);
}

/** What is asked of a step, short. */
export function askedWords(evidence: Evidence, system: UnitSystem): string {
  if (evidence.kind === 'readings') return bandWords(evidence, system);
  if (evidence.kind === 'ticks')
    return evidence.items.length === 1 ? 'seen' : `${String(evidence.items.length)} seen`;
  return 'in words';
}

/** What was found, short. */
export function foundWords(evidence: Evidence, found: Findings, system: UnitSystem): string {
  if (evidence.kind === 'readings') {
    const known = found.readings.filter((r) => r !== null);
    if (known.length === 0) return '';
    const [first = 0] = known;
    if (known.length === 1) return shownReading(first, evidence.unit, system);
    const [low, high] = [Math.min(...known), Math.max(...known)];
    return `${bareReading(low, evidence.unit, system)}–${shownReading(high, evidence.unit, system)}`;
  }
  if (evidence.kind === 'ticks') {
    const seen = found.ticks.filter(Boolean).length;
    return seen === evidence.items.length
      ? 'all seen'
      : `${String(seen)} of ${String(evidence.items.length)}`;
  }
  return found.words;
}
