import { supplyAt, type Supply } from '../machine/battery.ts';
import { supplyOn } from '../machine/diodes.ts';
import type { Machine } from '../machine/machine.ts';
import { magnetShare, unloadedSpeed, warmResistance } from '../machine/motor.ts';
import { motorAlone, steadySpeed, tractionInAnyRatio } from '../ride/steady.ts';
import { traction } from '../ride/traction.ts';

/** The federal test's operator: 170 lb, in kg, exact. 15 U.S.C. s.2085(b). */
export const FEDERAL_RIDER_KG = 170 * 0.45359237;
/**
 * The statute names no tyre, air or charge, so the test is run twice. Drag and rolling resistance this
 * much above and below the build's own; half charge and a warm motor against full charge and a cold one.
 */
const BAND = { drag: 0.15, rolling: 0.2 } as const;

/** What drives it with every pack charged alike, whatever each is charged to by habit. */
const charged = (machine: Machine, charge: number): Supply =>
  supplyOn({ ...machine, others: machine.others.map((other) => ({ ...other, charge })) }, charge);

/** The machine with a cold winding, which gives the most. */
const cold = (machine: Machine): Machine => ({ ...machine, circuitOhm: coldOhm(machine) });

const coldOhm = ({ motor, controllerOhm }: Machine): number =>
  warmResistance(motor.resistance20, 20) + controllerOhm;

/**
 * Speed on the level by the motor alone with a 170 lb rider, slow and fast case, m/s. Derived.
 * @param hand `open`: as if the throttle had no limit of its own
 */
export function federalTestSpeeds(
  machine: Machine,
  hand: 'as-set' | 'open' = 'as-set',
): { readonly low: number; readonly high: number } {
  const open = motorAlone(machine, machine.machineMassKg + FEDERAL_RIDER_KG);
  const handCutoff = hand === 'as-set' ? machine.limits.handCutoff : 0;
  // Whoever drives it by the hand is held by the hand's own limit.
  const alone = handCutoff > 0 ? { ...open, limits: { ...open.limits, handCutoff } } : open;
  const run = (sign: 1 | -1, charge: number, on: Machine): number => {
    const road = {
      ...on.road,
      cdaM2: on.road.cdaM2 * (1 + sign * BAND.drag),
      crr: on.road.crr * (1 + sign * BAND.rolling),
    };
    const outcome = steadySpeed({ ...on, road }, charged(on, charge), 0, 'best');
    return outcome.moves ? outcome.v : 0;
  };
  return { low: run(1, 0.5, alone), high: run(-1, 1, cold(alone)) };
}

/**
 * Unloaded speed in the tallest gear, where the net torque is nought: no help is possible beyond it, m/s. On full packs, unless
 * told otherwise.
 */
export function noLoadSpeed(machine: Machine, supply: Supply = charged(machine, 1)): number {
  const least = Math.min(...machine.gears.map((gear) => gear.motorRatio));
  const { weakening } = machine;
  // Weakened, the magnets hold back so much less: an upper bound, as all of this.
  const faster = weakening === undefined ? 1 : 1 / (1 - weakening.amps / weakening.cancelA);
  return (faster * unloadedSpeed(machine.motor, supply.openVolts, coldOhm(machine) + supply.ohm)) / least;
}

/** As hot as magnets get on a long ride, C. From memory. */
const HOT_C = 80;

/** The same with hot magnets: without load the motor turns as much faster as they are weaker. */
export const hotNoLoadSpeed = (machine: Machine): number =>
  noLoadSpeed(machine) / magnetShare(machine.motor, HOT_C);

/** The same on the highest of its packs, whichever drives it as set, m/s. */
export const fastestUnloaded = (machine: Machine): number =>
  Math.max(
    noLoadSpeed(machine),
    ...machine.others.map(({ pack }) => noLoadSpeed(machine, supplyAt(pack, 1))),
  );

export interface PowerAtSpeed {
  readonly v: number;
  readonly watts: number;
}

/** Points of the curve: fine enough for its peak to be within one per cent. */
const STEPS = 40;

/**
 * Most mechanical power that the motor gives at the tyre, against speed, W: throttle open whatever is fitted, full
 * charge, cold winding, the best gear at each speed. Derived from the operating point.
 */
export function wheelPowerCurve(machine: Machine): readonly PowerAtSpeed[] {
  const open = cold(motorAlone(machine, machine.road.massKg));
  const supply = charged(open, 1);
  const end = Math.min(noLoadSpeed(open), open.limits.cutoff);
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const v = (end * i) / STEPS;
    return { v, watts: Math.max(0, v * traction(open, supply, v, 'best').motorN) };
  });
}

/**
 * The peak of that curve, W. The watts of a motor go with its own turns, so that one ratio has what another has at another speed: of a
 * gearing that nobody has read only those about the best are looked at.
 */
export function peakWheelWatts(machine: Machine): number {
  const peak = wheelPowerCurve(machine).reduce((best, one) => (one.watts > best.watts ? one : best));
  if (machine.anyRatio === undefined) return peak.watts;
  const open = cold(motorAlone(machine, machine.road.massKg));
  const supply = charged(open, 1);
  const tried = traction(open, supply, peak.v, 'best');
  return Math.max(peak.watts, peak.v * tractionInAnyRatio(open, supply, peak.v, tried).motorN);
}
