/**
 * Units the product reads and shows. Every factor is exact by definition:
 * inch 25.4 mm, mile 1609.344 m, pound 0.45359237 kg (international yard and pound agreement, 1959);
 * mechanical horsepower 550 ft lbf/s = 745.69987158227022 W.
 */
interface UnitInfo {
  readonly dimension: string;
  /** Value in the dimension's first unit = value * factor + offset. */
  readonly factor: number;
  readonly offset?: number;
}

const UNITS = {
  kg: { dimension: 'mass', factor: 1 },
  lb: { dimension: 'mass', factor: 0.45359237 },
  mm: { dimension: 'length', factor: 0.001 },
  cm: { dimension: 'length', factor: 0.01 },
  in: { dimension: 'length', factor: 0.0254 },
  m: { dimension: 'length', factor: 1 },
  ft: { dimension: 'length', factor: 0.3048 },
  km: { dimension: 'length', factor: 1000 },
  mi: { dimension: 'length', factor: 1609.344 },
  'm/s': { dimension: 'speed', factor: 1 },
  'km/h': { dimension: 'speed', factor: 1 / 3.6 },
  mph: { dimension: 'speed', factor: 0.44704 },
  W: { dimension: 'power', factor: 1 },
  kW: { dimension: 'power', factor: 1000 },
  hp: { dimension: 'power', factor: 745.6998715822702 },
  V: { dimension: 'voltage', factor: 1 },
  mV: { dimension: 'voltage', factor: 0.001 },
  A: { dimension: 'current', factor: 1 },
  mA: { dimension: 'current', factor: 0.001 },
  Ah: { dimension: 'charge', factor: 1 },
  Wh: { dimension: 'energy', factor: 1 },
  ohm: { dimension: 'resistance', factor: 1 },
  mohm: { dimension: 'resistance', factor: 0.001 },
  Mohm: { dimension: 'resistance', factor: 1e6 },
  'Wh/km': { dimension: 'consumption', factor: 1 },
  'Wh/mi': { dimension: 'consumption', factor: 1 / 1.609344 },
  C: { dimension: 'temperature', factor: 1 },
  F: { dimension: 'temperature', factor: 5 / 9, offset: -160 / 9 },
  N: { dimension: 'force', factor: 1 },
  lbf: { dimension: 'force', factor: 4.4482216152605 },
  'N m': { dimension: 'torque', factor: 1 },
  'N m s': { dimension: 'drag torque', factor: 1 },
  rpm: { dimension: 'rotation', factor: 1 },
  'rpm/V': { dimension: 'speed constant', factor: 1 },
  '%': { dimension: 'share', factor: 1 },
  s: { dimension: 'time', factor: 1 },
  min: { dimension: 'time', factor: 60 },
  h: { dimension: 'time', factor: 3600 },
  years: { dimension: 'age', factor: 1 },
  g: { dimension: 'mass', factor: 0.001 },
  uF: { dimension: 'capacitance', factor: 1 },
  J: { dimension: 'work', factor: 1 },
  m2: { dimension: 'area', factor: 1 },
  mm2: { dimension: 'conductor', factor: 1 },
  P: { dimension: 'cells in parallel', factor: 1 },
  'kg/m3': { dimension: 'density', factor: 1 },
  T: { dimension: 'teeth', factor: 1 },
  S: { dimension: 'cells in series', factor: 1 },
  'J/K': { dimension: 'heat capacity', factor: 1 },
  'W/K': { dimension: 'heat conductance', factor: 1 },
  deg: { dimension: 'angle', factor: 1 },
  '1': { dimension: 'number', factor: 1 },
} as const satisfies Record<string, UnitInfo>;

export type Unit = keyof typeof UNITS;

const info = (unit: Unit): UnitInfo => UNITS[unit];

/** True when the two units measure the same kind of thing. */
export const sameDimension = (a: Unit, b: Unit): boolean => info(a).dimension === info(b).dimension;

/** Every unit symbol, for parsers and tests. */
export const UNIT_SYMBOLS = Object.keys(UNITS) as readonly Unit[];

/**
 * Converts a value between two units of one dimension, exactly by definition.
 * @throws TypeError when the units measure different things (a programmer's error).
 */
export function convert(value: number, from: Unit, to: Unit): number {
  if (from === to) return value;
  if (!sameDimension(from, to)) throw new TypeError(`cannot convert ${from} to ${to}`);
  const a = info(from);
  const b = info(to);
  return (value * a.factor + (a.offset ?? 0) - (b.offset ?? 0)) / b.factor;
}

/** km/h to m/s. */
export const kmhToMs = (kmh: number): number => kmh / 3.6;
/** m/s to km/h. */
export const msToKmh = (ms: number): number => ms * 3.6;
