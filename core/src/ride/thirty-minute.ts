import { supplyOn } from '../machine/diodes.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import { coreDrag } from '../machine/motor.ts';
import { airCooling, warmthAfter } from '../machine/thermal.ts';
import { bearableC, heatOf } from './continuous.ts';
import { operatingPoint } from './operating-point.ts';
import { motorAlone } from './steady.ts';

/** What the motor holds for half an hour from cold, at its shaft. */
export interface ThirtyMinutes {
  readonly watts: number;
  /** Road speed at which it gives most, m/s. */
  readonly v: number;
  readonly phaseA: number;
  /** True where the winding sets it; false where the controller or the volts do. */
  readonly heat: boolean;
}

const HALF_HOUR_S = 1800;
/** Speeds tried between standstill and no load. */
const SPEEDS = 24;
/** Halvings of the current: a thousandth of the phase limit. */
const HALVINGS = 10;

/** Shaft power at a phase current, W. */
const shaftW = (machine: Machine, gear: Gear, v: number, phaseA: number): number => {
  const omega = gear.motorRatio * v;
  return Math.max(0, machine.motor.kt * phaseA - coreDrag(machine.motor, omega)) * omega;
};

/** Winding after half an hour of an even phase current, from the air's temperature, C. */
const windingAfter = (machine: Machine, gear: Gear, v: number, phaseA: number): number => {
  const { thermal, airC } = machine;
  const cold = { windingC: airC, shellC: airC };
  const cooling = airCooling(thermal, v);
  return warmthAfter(thermal, cold, heatOf(machine, gear, v, phaseA), cooling, airC, HALF_HOUR_S).windingC;
};

function heldAt(machine: Machine, gear: Gear, v: number): ThirtyMinutes {
  const most = operatingPoint(machine, gear, supplyOn(machine, 0.5), v).phaseA;
  const limit = bearableC(machine);
  const bears = (amps: number): boolean => windingAfter(machine, gear, v, amps) <= limit;
  if (bears(most)) return { watts: shaftW(machine, gear, v, most), v, phaseA: most, heat: false };
  let [low, high] = [0, most];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (bears(middle)) low = middle;
    else high = middle;
  }
  return { watts: shaftW(machine, gear, v, low), v, phaseA: low, heat: true };
}

/**
 * The highest shaft power that the motor holds for thirty minutes within the controller's limits, winding from the
 * air's temperature to what it bears, at the speed that suits it best and half charge. The test's idea is that of the
 * maximum thirty-minute power of UNECE Regulation No 85; the heat values are the build's own, mostly estimates, so
 * this is a cross-check of a rating and never replaces one. Magnets are taken at 20 C, with which it gives the most.
 */
export function thirtyMinutePower(machine: Machine): ThirtyMinutes {
  const open = motorAlone(machine, machine.road.massKg);
  const unlimited = { ...open, limits: { ...open.limits, cutoff: Infinity, handCutoff: Infinity } };
  // Gears only change at which road speed the motor turns how fast; the wheel's own wind cools it.
  const gear = unlimited.gears.reduce((a, b) => (b.motorRatio < a.motorRatio ? b : a));
  const noLoad = supplyOn(open, 0.5).openVolts / (open.motor.kt * gear.motorRatio);
  return Array.from({ length: SPEEDS - 1 }, (_, i) =>
    heldAt(unlimited, gear, (noLoad * (i + 1)) / SPEEDS),
  ).reduce((a, b) => (b.watts > a.watts ? b : a));
}
