import { type PinSpan, type Volts } from './spans.ts';

/** A reading between two wires, red lead on the first: standing still, or the lowest and highest while it is worked. */
export interface PinReading {
  readonly red: number;
  readonly black: number;
  readonly state: 'rest' | 'action';
  readonly low: number;
  readonly high: number;
}

/** What a meter is off by: a share of what it shows, and its last digits. Common practice, no source. */
const [METER_SHARE, METER_V] = [0.01, 0.03];

export const widened = ([low, high]: Volts): Volts => [
  low - METER_V - METER_SHARE * Math.abs(low),
  high + METER_V + METER_SHARE * Math.abs(high),
];
const less = (a: Volts, b: Volts): Volts => [a[0] - b[1], a[1] - b[0]];
const holds = ([low, high]: Volts, volts: number): boolean => volts >= low && volts <= high;
/** The lower, and the higher, of two values that are each somewhere in a stretch. */
const lower = (a: Volts, b: Volts): Volts => [Math.min(a[0], b[0]), Math.min(a[1], b[1])];
const higher = (a: Volts, b: Volts): Volts => [Math.max(a[0], b[0]), Math.max(a[1], b[1])];

/**
 * Where the difference of two pins may lie: standing still, or at its lowest and highest while they are worked. Two that move at
 * once get out of step, so that their ends meet; two that are worked in turn meet at rest.
 */
export function between(
  a: PinSpan,
  b: PinSpan,
  state: PinReading['state'],
  inTurn: boolean,
): { readonly low: Volts; readonly high: Volts } {
  if (state === 'rest') {
    const rest = less(a.rest, b.rest);
    return { low: rest, high: rest };
  }
  if (inTurn)
    return {
      low: lower(less(a.lowest, b.rest), less(a.rest, b.highest)),
      high: higher(less(a.highest, b.rest), less(a.rest, b.lowest)),
    };
  return { low: less(a.lowest, b.highest), high: less(a.highest, b.lowest) };
}

export function fits(a: PinSpan, b: PinSpan, { state, low, high }: PinReading, inTurn: boolean): boolean {
  const span = between(a, b, state, inTurn);
  return holds(widened(span.low), low) && holds(widened(span.high), high);
}
