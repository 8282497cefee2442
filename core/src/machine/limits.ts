import { batteryAmps, type Supply } from './battery.ts';

/** What can bind at a moment: the one that does is named with every result. */
export const LIMITS = [
  'voltage',
  'battery-current',
  'pack-protection',
  'low-voltage',
  'pack-power',
  'power-limit',
  'phase-current',
  'heat',
  'controller-heat',
  'speed-limit',
  'throttle-limit',
  'assist-ratio',
  'cadence',
  'no-motor',
] as const;
export type Limit = (typeof LIMITS)[number];

/** The controller's limits and the pack's, SI. */
export interface Limits {
  readonly batteryA: number;
  /** Carried by the protection for ever, A; Infinity without a board. It trips, and does not limit: see `trips.ts`. */
  readonly bmsA: number;
  readonly phaseA: number;
  /** Watts taken from the pack; Infinity when not limited. */
  readonly powerW: number;
  readonly lowVolts: number;
  /** The current fades evenly over this many volts above them; 0 where it only keeps the volts there. */
  readonly foldVolts: number;
  readonly standbyW: number;
  /** m/s at which help by the pedals has ended, and the width over which it fades; Infinity when not limited. */
  readonly cutoff: number;
  readonly taper: number;
  /** m/s at which the hand has stopped driving it, with the same fade: 0 without a throttle, Infinity without any limit. */
  readonly handCutoff: number;
  /** Most motor power at its shaft that turning pedals ask for, W (help in proportion to the rider); Infinity when not limited. */
  readonly assistW: number;
}

/** m/s at which all help has ended: that of the pedals, where they ask for any, and of the hand. */
export const helpEnd = ({ limits: { assistW, cutoff, handCutoff } }: { readonly limits: Limits }): number =>
  assistW === 0 ? handCutoff : Math.max(cutoff, handCutoff);

/** Watts that a controller takes at a pack's label: its amps there, or its limit of watts where that is less. */
export const labelWatts = ({ batteryA, powerW }: Limits, nominalV: number): number =>
  Math.min(nominalV * batteryA, powerW);

/** The most amps that a controller takes of a supply: its limit, or what its limit of watts comes to where that is less. */
export const mostAmps = ({ batteryA, powerW }: Limits, supply: Supply): number =>
  Math.min(batteryA, powerW === Infinity ? Infinity : batteryAmps(supply, powerW));
