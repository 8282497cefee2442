import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import type { Machine } from '../machine/machine.ts';
import type { Demand } from './demand.ts';
import { leadAmps, plugAmps } from './leads.ts';
import type { Limits } from './link.ts';

/** Plugs and leads stand this much more for some minutes, by the heat they store. From memory. */
export const MINUTES = 1.25;
/** What the links are made from. */
export interface Scene {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
  readonly battery: Demand;
  readonly phase: Demand;
}

/** How a remedy begins. */
export const LOWER = 'Lower the controller to what it carries, or ';

/** A lead is never in cooler air than this for long: it lies beside others, in the sun, under a cover, C. Common practice. */
const WARM_AIR_C = 30;

/** A lead of a size in the build's metal and insulation. */
export function leadLimits({ build, known: { cabling, brief } }: Scene, mm2: number): Limits {
  const air = Math.max(WARM_AIR_C, brief.temperatureC.value);
  const amps = leadAmps(build.cabling.conductor, mm2, cabling.insulationC.value, air);
  return { continuousA: amps, peakA: amps * MINUTES };
}

/** Plugs of a rating, one or several side by side. */
export function plugLimits(amps: number, count: number): Limits {
  const together = plugAmps(amps, count);
  return { continuousA: together, peakA: together * MINUTES };
}
