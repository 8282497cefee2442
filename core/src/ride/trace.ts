import type { Limit } from '../machine/limits.ts';

/** What decided the step: a limit at full throttle, or the rider: the speed wished for, rolling, braking, standing. */
export const BINDINGS_OF_RIDER = ['wish', 'rolling', 'braking', 'standing'] as const;
export type Binding = Limit | (typeof BINDINGS_OF_RIDER)[number];

/** A ride written down now and then, column by column. */
export interface Trace {
  readonly seconds: number[];
  readonly metres: number[];
  /** m/s, and what the road rises, %. */
  readonly speed: number[];
  readonly gradePct: number[];
  /** Motor and rider at the tyre, brakes left out, N. */
  readonly wheelN: number[];
  /** At the pack's terminals, and what flows there. */
  readonly volts: number[];
  readonly batteryA: number[];
  readonly phaseA: number[];
  /** 0 to 1. */
  readonly charge: number[];
  readonly windingC: number[];
  readonly shellC: number[];
  /** The controller's case. */
  readonly caseC: number[];
  /** What the rider gives at the pedals, W. */
  readonly riderW: number[];
  readonly cadenceRpm: number[];
  readonly cogTeeth: number[];
  /** Gear of a hub gear, counted from 1; null without one. */
  readonly hubGear: (number | null)[];
  /** Taken from the pack's terminals, W. */
  readonly batteryW: number[];
  readonly binding: Binding[];
}

export const emptyTrace = (): Trace => ({
  seconds: [],
  metres: [],
  speed: [],
  gradePct: [],
  wheelN: [],
  volts: [],
  batteryA: [],
  phaseA: [],
  charge: [],
  windingC: [],
  shellC: [],
  caseC: [],
  riderW: [],
  cadenceRpm: [],
  cogTeeth: [],
  hubGear: [],
  batteryW: [],
  binding: [],
});
