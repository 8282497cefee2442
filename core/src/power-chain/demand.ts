import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import type { Machine } from '../machine/machine.ts';
import { plausibleSpan } from '../machine/span.ts';
import type { ClimbOutcome } from '../ride/climb.ts';
import { HILL_KNOWN, type HillOpen } from './hill-open.ts';

/** Amps that nobody has said, and the most that they could be; undefined where nothing bounds them. */
interface Open {
  readonly unknown: readonly Known[];
  readonly mostA: number | undefined;
  /** The most that they could be on the hill, where that is not known either. */
  readonly hillA?: number;
}

/** Amps asked of a link. */
export interface Demand {
  /** On the test hill, minute after minute. */
  readonly continuousA: number;
  /** At full throttle, as long as it lasts. */
  readonly peakA: number;
  /** Moving off, at standstill. */
  readonly startA: number;
  /** Where these are a default’s: nothing is fine by them that would not be fine at the most. */
  readonly open: Open | undefined;
  /** What the hill’s amps rest on that nobody has read, in the machine’s amps: this is a share of them, and at most so many. */
  readonly hill: {
    readonly open: HillOpen;
    readonly by: 'batteryA' | 'phaseA';
    readonly share: number;
    readonly mostA?: number;
  };
}

/** Each value that nobody has read, and what the hill asks by another usual one of it, A; none where that cannot be more than so many. */
const hillReaches = ({ hill: { open, by, share, mostA = Infinity } }: Demand, amps: number) =>
  share * mostA > amps
    ? open.reaches.map((reach) => ({
        known: reach.known,
        isBeyond: () => share * Math.min(reach[by] ?? Infinity, mostA) > amps,
      }))
    : [];

/** Values that nobody has read, by another usual one of which the hill asks more than so many amps. */
export const hillBeyond = (demand: Demand, amps: number): readonly Known[] =>
  hillReaches(demand, amps)
    .filter(({ isBeyond }) => isBeyond())
    .map(({ known }) => known);

/** Whether there is any such value; the others are not ridden once one is found. */
export const isHillBeyond = (demand: Demand, amps: number): boolean =>
  hillReaches(demand, amps).some(({ isBeyond }) => isBeyond());

/** What a branch is asked that carries a share of it. */
export const partOfDemand = (whole: Demand, share: number): Demand => {
  const { continuousA, peakA, startA, open, hill } = whole;
  return {
    continuousA: share * continuousA,
    peakA: share * peakA,
    startA: share * startA,
    open: open && {
      ...open,
      mostA: open.mostA && share * open.mostA,
      ...(open.hillA === undefined ? {} : { hillA: share * open.hillA }),
    },
    hill: { ...hill, share: hill.share * share },
  };
};

/**
 * Effective phase current of a three-phase motor per ampere of its direct-current equivalent: equal copper
 * loss, I^2 R = 3 Ieff^2 R / 2 with R between two lines. Derived.
 */
const EFFECTIVE = Math.sqrt(2 / 3);

/**
 * Battery amps that nobody has said, neither as amps nor by watts at the lowest volts.
 * @param mostA the controller's limit in amps, as said or as usually found
 * @param byPowerA what its limit in watts lets through; Infinity without one
 */
function openAmps(
  { controller: { limitsPower } }: BuildDocument,
  { controller: { batteryCurrentA, powerLimitW, lowVoltageCutoffV } }: KnownBuild,
  mostA: number,
  byPowerA: number,
): Open | undefined {
  const said = batteryCurrentA.source === 'unknown' ? undefined : mostA;
  if (!limitsPower) return said === undefined ? { unknown: [batteryCurrentA], mostA: undefined } : undefined;
  // Amps that are said, and are the less whatever the watts.
  if (said !== undefined && said <= byPowerA) return undefined;
  if (powerLimitW.source === 'unknown')
    return said === undefined
      ? { unknown: [batteryCurrentA, powerLimitW], mostA: undefined }
      : { unknown: [powerLimitW], mostA: said, hillA: said };
  if (lowVoltageCutoffV.source !== 'unknown') return undefined;
  const [lowest] = plausibleSpan(lowVoltageCutoffV);
  const mostByPowerA = (byPowerA * lowVoltageCutoffV.value) / lowest;
  return { unknown: [lowVoltageCutoffV], mostA: Math.min(said ?? Infinity, mostByPowerA) };
}

/** The lowest volts at which a controller works: never below a cut-off that was read, V. */
const lowestVolts = ({ controller: { lowVoltageCutoffV }, packs }: KnownBuild): number =>
  lowVoltageCutoffV.source === 'unknown'
    ? Math.min(packs[0].nominalV.value, lowVoltageCutoffV.value)
    : lowVoltageCutoffV.value;

/** Battery amps: on the hill what the climb takes, at most the controller's limit. */
export function batteryDemand(
  build: BuildDocument,
  known: KnownBuild,
  climb: ClimbOutcome,
  machine: Machine,
  hill: HillOpen = HILL_KNOWN,
): Demand {
  const { controller, packs } = known;
  const [pack] = packs;
  const { motors } = machine;
  const most = motors * controller.batteryCurrentA.value;
  const byPower = build.controller.limitsPower
    ? // The lower the volts, the more amps a limit in watts lets through: what the links must carry is that.
      (motors * controller.powerLimitW.value) / lowestVolts(known)
    : Infinity;
  const open = openAmps(build, known, most, byPower);
  // A limit in watts that somebody has said is enough: whatever the amps are, they are no more than it lets through.
  const bounded = build.controller.limitsPower && controller.powerLimitW.source !== 'unknown';
  const peakA =
    bounded && controller.batteryCurrentA.source === 'unknown' ? byPower : Math.min(most, byPower);
  // A hill that is not climbed asks for all there is.
  const continuousA = climb.climbs ? Math.min(peakA, climb.batteryA) : peakA;
  // At standstill only the copper loss is drawn: I^2 R at the phase limit.
  const startA = Math.min(
    peakA,
    (machine.limits.phaseA ** 2 * machine.circuitOhm + machine.limits.standbyW) / pack.nominalV.value,
  );
  return {
    continuousA,
    peakA,
    startA,
    open,
    hill: { open: hill, by: 'batteryA', share: 1, mostA: peakA },
  };
}

/** Phase amps are two to three times the battery’s, and hardly ever more than so many times. Common practice, no source. */
const MOST_OVER_BATTERY = 4;

/** The most that a label of the motor or its battery amps come to, A. */
const mostByLabel = (phase: Known): number => (phase.spread === undefined ? 0 : plausibleSpan(phase)[1]);

/** Phase amps of one motor, effective: on the hill by the climb, at most and moving off the phase limit. */
export function phaseDemand(
  climb: ClimbOutcome,
  machine: Machine,
  { controller }: KnownBuild,
  hill: HillOpen = HILL_KNOWN,
): Demand {
  // A brushed motor's two leads carry the whole of its current.
  const effective = machine.motor.brushes === undefined ? EFFECTIVE : 1;
  const share = effective / machine.motors;
  const most = machine.limits.phaseA * share;
  const { phaseCurrentA, batteryCurrentA } = controller;
  const mostA =
    batteryCurrentA.source === 'unknown'
      ? undefined
      : effective * Math.max(MOST_OVER_BATTERY * batteryCurrentA.value, mostByLabel(phaseCurrentA));
  const open = phaseCurrentA.source === 'unknown' ? { unknown: [phaseCurrentA], mostA } : undefined;
  return {
    continuousA: climb.climbs ? climb.phaseA * share : most,
    peakA: most,
    startA: most,
    open,
    hill: { open: hill, by: 'phaseA', share },
  };
}
