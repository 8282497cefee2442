import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import type { Machine } from '../machine/machine.ts';
import type { ClimbOutcome } from '../ride/climb.ts';

/** Amps asked of a link. */
export interface Demand {
  /** On the test hill, minute after minute. */
  readonly continuousA: number;
  /** At full throttle, as long as it lasts. */
  readonly peakA: number;
  /** Moving off, at standstill. */
  readonly startA: number;
}

/** What a branch is asked that carries a share of it. */
export const partOfDemand = ({ continuousA, peakA, startA }: Demand, share: number): Demand => ({
  continuousA: share * continuousA,
  peakA: share * peakA,
  startA: share * startA,
});

/**
 * Effective phase current of a three-phase motor per ampere of its direct-current equivalent: equal copper
 * loss, I^2 R = 3 Ieff^2 R / 2 with R between two lines. Derived.
 */
const EFFECTIVE = Math.sqrt(2 / 3);

/** Battery amps: on the hill what the climb takes, at most the controller's limit. */
export function batteryDemand(
  build: BuildDocument,
  known: KnownBuild,
  climb: ClimbOutcome,
  machine: Machine,
): Demand {
  const { controller, packs } = known;
  const [pack] = packs;
  const { motors } = machine;
  const byPower = build.controller.limitsPower
    ? // The lower the volts, the more amps a limit in watts lets through: what the links must carry is that.
      (motors * controller.powerLimitW.value) /
      Math.min(pack.nominalV.value, controller.lowVoltageCutoffV.value)
    : Infinity;
  const peakA = Math.min(motors * controller.batteryCurrentA.value, byPower);
  // A hill that is not climbed asks for all there is.
  const continuousA = climb.climbs ? Math.min(peakA, climb.batteryA) : peakA;
  // At standstill only the copper loss is drawn: I^2 R at the phase limit.
  const startA = Math.min(
    peakA,
    (machine.limits.phaseA ** 2 * machine.circuitOhm + machine.limits.standbyW) / pack.nominalV.value,
  );
  return { continuousA, peakA, startA };
}

/** Phase amps of one motor, effective: on the hill by the climb, at most and moving off the phase limit. */
export function phaseDemand(climb: ClimbOutcome, machine: Machine): Demand {
  // A brushed motor's two leads carry the whole of its current.
  const effective = machine.motor.brushes === undefined ? EFFECTIVE : 1;
  const share = effective / machine.motors;
  const most = machine.limits.phaseA * share;
  return { continuousA: climb.climbs ? climb.phaseA * share : most, peakA: most, startA: most };
}
