import type { HoldPoint } from '../workshop/bench/hold-point.ts';

/**
 * Something that measures at a hold point: a meter on a lead, a board that tells its groups, a counter at the wheel. A real one would
 * answer the same question; the ones that ship say that they are simulated wherever their value stands.
 */
export interface BenchInstrument {
  readonly name: string;
  readonly simulated: boolean;
  /** A reading for each name of the point, in its unit; undefined where this instrument does not measure that. */
  readonly read: (point: HoldPoint) => readonly number[] | undefined;
}

/** What writes settings into a controller, and shows what it has then. */
export interface Programmer {
  readonly name: string;
  readonly simulated: boolean;
  /** Settings by key with what is to be written; gives what the controller shows afterwards. */
  readonly write: (settings: Readonly<Record<string, number>>) => Readonly<Record<string, number>>;
}

/** Faults that the simulated instruments can be asked to have found. */
export const SIMULATED_FAULTS = [
  'none',
  'weak-group',
  'bridged-breaker',
  'high-throttle',
  'pinched-lead',
  'slow-motor',
] as const;
export type SimulatedFault = (typeof SIMULATED_FAULTS)[number];

export const FAULT_NAMES: Readonly<Record<SimulatedFault, string>> = {
  none: 'none',
  'weak-group': 'one weak group or block',
  'bridged-breaker': 'breaker bridged: the lead is live',
  'high-throttle': 'throttle too high at rest',
  'pinched-lead': 'a lead pinched on the frame',
  'slow-motor': 'another winding: slower than its label',
};
