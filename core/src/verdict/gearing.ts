import { supplyOn } from '../machine/diodes.ts';
import { cadenceRpm, developmentM, type Gear } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import { CHAIN_PITCH_MM } from '../quantity/constants.ts';
import { msToKmh } from '../quantity/units.ts';
import type { State } from '../check/state.ts';
import { traction } from '../ride/traction.ts';
import { STATED_CHARGE } from '../ride/stated.ts';
import type { Study } from './study.ts';

/** One gear at the brief's cadences. */
export interface GearRow {
  readonly cogTeeth: number;
  readonly hubGear: number | null;
  readonly developmentM: number;
  readonly kmhAtMin: number;
  readonly kmhAtMax: number;
  /** At the tyre at the low end of the cadence span, N: motor and rider, and each alone. */
  readonly forceN: number;
  readonly motorN: number;
  readonly riderN: number;
  /** Pull in the chain there, N; a hub motor's own force does not pass through it. */
  readonly chainN: number;
  readonly wear: State;
  /** Speed and force at the tyre over the gear's cadences, slowest first. */
  readonly curve: readonly { readonly kmh: number; readonly forceN: number }[];
}

/** Least breaking load of a bicycle chain, N (ISO 9633; from memory). */
const CHAIN_BREAKS_N = 8000;
/** Breaking load over pull: below the first a chain wears fast, below the second it is misused. Common practice. */
const [WEARS, MISUSED] = [6, 3];
/** Cogs as small as this carry the pull on few teeth. Common practice. */
const FEW_TEETH = 11;

/** How a pull in the chain, N, on a cog of so many teeth is to be judged. */
export function chainWear(pullN: number, cogTeeth: number): State {
  const factor = CHAIN_BREAKS_N / Math.max(1, pullN);
  if (factor < MISUSED) return 'stop';
  return factor < WEARS || (cogTeeth <= FEW_TEETH && factor < WEARS * 1.5) ? 'look' : 'fine';
}

/**
 * Pull in the chain in N for a force at the tyre that comes through it: wheel torque, brought to the cog by
 * the hub gear, over the cog's rolling radius N p / 2 pi, with the chain's own loss on top. Derived.
 */
export function chainPullN(machine: Machine, gear: Gear, ringTeeth: number, tyreN: number): number {
  // Crank turns per metre give the wheel's work per turn of the ring, whatever lies between.
  const ringRadius = (ringTeeth * CHAIN_PITCH_MM) / (2 * Math.PI) / 1000;
  const ringNm = tyreN / gear.crankRatio / machine.chainEfficiency;
  return ringNm / ringRadius;
}

const CURVE_POINTS = 13;

function row(machine: Machine, gear: Gear, ringTeeth: number): GearRow {
  const supply = supplyOn(machine, STATED_CHARGE);
  const perMs = cadenceRpm(gear, 1);
  const slow = machine.rider.cadenceMinRpm / perMs;
  const fast = machine.rider.cadenceMaxRpm / perMs;
  const at = traction(machine, supply, slow, gear);
  const through = machine.kind === 'mid-drive' ? at.totalN : at.riderN;
  const chainN = chainPullN(machine, gear, ringTeeth, through);
  return {
    cogTeeth: gear.cogTeeth,
    hubGear: gear.hubGear,
    developmentM: developmentM(gear),
    kmhAtMin: msToKmh(slow),
    kmhAtMax: msToKmh(fast),
    forceN: at.totalN,
    motorN: at.motorN,
    riderN: at.riderN,
    chainN,
    wear: chainWear(chainN, gear.cogTeeth),
    curve: Array.from({ length: CURVE_POINTS }, (_, i) => {
      const v = slow * 0.4 + ((fast - slow * 0.4) * i) / (CURVE_POINTS - 1);
      return { kmh: msToKmh(v), forceN: traction(machine, supply, v, gear).totalN };
    }),
  };
}

/** The gear table, lowest gear first, at half charge. */
export const gearTable = ({ machine, known }: Study): readonly GearRow[] =>
  machine.gears.map((gear) => row(machine, gear, known.gearing.ringTeeth.value));

/** Cadences of a mid-drive at full throttle and half charge, rpm. */
export interface MotorCadence {
  /** Up to here it gives all its pull: the phase current binds. */
  readonly fullPullTo: number;
  /** Here it gives the most power. */
  readonly mostPowerAt: number;
  readonly mostPowerW: number;
  /** Here it gives none. */
  readonly noneFrom: number;
}

const FASTEST_RPM = 200;
/** Pull counts as full within this share. */
const FULL = 0.98;

/** Where a mid-drive pulls best, by stepping through the cadences without a speed limit; undefined for others. */
export function motorCadence({ machine }: Study): MotorCadence | undefined {
  const gear = machine.gears[0];
  if (machine.kind !== 'mid-drive' || gear === undefined) return undefined;
  const free: Machine = {
    ...machine,
    control: 'throttle',
    limits: { ...machine.limits, cutoff: Infinity, handCutoff: Infinity },
  };
  const supply = supplyOn(machine, STATED_CHARGE);
  const perMs = cadenceRpm(gear, 1);
  const forceAt = (rpm: number): number => traction(free, supply, rpm / perMs, gear).motorN;
  const most = forceAt(1);
  let [fullPullTo, mostPowerAt, mostPowerW, noneFrom] = [0, 0, 0, FASTEST_RPM];
  for (let rpm = 1; rpm <= FASTEST_RPM; rpm += 1) {
    const force = forceAt(rpm);
    const watts = (force * rpm) / perMs;
    if (force >= FULL * most) fullPullTo = rpm;
    if (watts > mostPowerW) [mostPowerAt, mostPowerW] = [rpm, watts];
    if (force <= 0) {
      noneFrom = rpm;
      break;
    }
  }
  return { fullPullTo, mostPowerAt, mostPowerW, noneFrom };
}

/**
 * Mechanical angle between three Hall sensors added to a motor of so many pole pairs, degrees: 120
 * electrical degrees over the pole pairs. Derived.
 */
export const hallSpacingDeg = (polePairs: number): number => 120 / polePairs;
