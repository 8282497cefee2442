/** A stretch of volts. */
export type Volts = readonly [low: number, high: number];

/** What a meter may show of a pin against ground: standing still, and the lowest and highest while it is worked. */
export interface PinSpan {
  readonly rest: Volts;
  readonly lowest: Volts;
  readonly highest: Volts;
}

/** What the wire of an unknown plug may do. `p0` and `p1` are one pulse line that stands low or high. */
export const PIN_ROLES = [
  'ground',
  'supply5',
  'throttle',
  'cutoff',
  'torque',
  'p0',
  'p1',
  'heat',
  'lamp12',
  'pack',
  'lock',
  'sends',
  'hears',
] as const;
export type PinRole = (typeof PIN_ROLES)[number];

const still = (rest: Volts): PinSpan => ({ rest, lowest: rest, highest: rest });

/**
 * Volts of each role against ground, the key on. Common practice, no source: hall throttles and sensors of 5 V, cut-off lines that
 * are pulled to ground, serial lines that idle high.
 * @param pack volts of the pack from empty to full
 */
export function spansOf(pack: Volts): Readonly<Record<PinRole, PinSpan>> {
  const low: Volts = [0, 0.5];
  const high: Volts = [3.9, 5.3];
  return {
    ground: still([0, 0]),
    supply5: still([4.3, 5.3]),
    throttle: { rest: [0.6, 1.15], lowest: [0.6, 1.15], highest: [3.1, 4.5] },
    cutoff: { rest: [3, 5.3], lowest: [0, 0.5], highest: [3, 5.3] },
    torque: { rest: [0.7, 1.8], lowest: [0.7, 1.8], highest: [1.9, 3.6] },
    p0: { rest: low, lowest: low, highest: high },
    p1: { rest: high, lowest: low, highest: high },
    heat: still([0.3, 3.3]),
    lamp12: { rest: [0, 0.6], lowest: [0, 0.6], highest: [11, 13] },
    pack: still(pack),
    lock: still(pack),
    sends: { rest: [1.5, 5.3], lowest: [0, 0.6], highest: [1.5, 5.3] },
    hears: { rest: [3, 5.3], lowest: [0, 0.6], highest: [3, 5.3] },
  };
}
