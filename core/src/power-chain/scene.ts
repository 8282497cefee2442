import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import type { Machine } from '../machine/machine.ts';
import { couldTurn } from '../machine/span.ts';
import type { Demand } from './demand.ts';
import { leadAmps, plugAmps } from './leads.ts';
import { bears, type Limits } from './link.ts';

/** Plugs and leads stand this much more for some minutes, by the heat they store. From memory. */
export const MINUTES = 1.25;
/** What the links are made from. */
export interface Scene {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
  readonly battery: Demand;
  readonly phase: Demand;
  /** What is asked of each pack behind diodes while all of them feed; undefined where they do not share. */
  readonly shared: readonly Demand[] | undefined;
  /** What those shares rest on that nobody has read. */
  readonly restsOn: readonly Known[];
}

/** How a remedy begins. */
export const LOWER = 'Lower the controller to what it carries, or ';

/** A lead is never in cooler air than this for long: it lies beside others, in the sun, under a cover, C. Common practice. */
export const WARM_AIR_C = 30;

/** A lead of a size in the build's metal and insulation. */
const leadLimits = ({ build, known: { brief } }: Scene, mm2: number, insulationC: number): Limits => {
  const air = Math.max(WARM_AIR_C, brief.temperatureC.value);
  const amps = leadAmps(build.cabling.conductor, mm2, insulationC, air);
  return { continuousA: amps, peakA: amps * MINUTES };
};

interface LeadBears {
  readonly limits: Limits;
  readonly turning: readonly Known[];
}

/**
 * What a lead carries, and what that rests on beside its size: an insulation that nobody has read, where another usual one would
 * bear what this does not, or the other way round.
 */
export function leadBears(scene: Scene, mm2: number, demand: Demand): LeadBears {
  const { insulationC } = scene.known.cabling;
  return {
    limits: leadLimits(scene, mm2, insulationC.value),
    turning: couldTurn(insulationC, (celsius) => bears(leadLimits(scene, mm2, celsius), demand)),
  };
}

/** A lead of the build in general: of a size that may not be known. */
export const leadOf = (scene: Scene, mm2: Known, demand: Demand) => ({
  ...leadBears(scene, mm2.value, demand),
  inputs: [mm2],
  demand,
});

/** Plugs of a rating, one or several side by side. */
export function plugLimits(amps: number, count: number): Limits {
  const together = plugAmps(amps, count);
  return { continuousA: together, peakA: together * MINUTES };
}
