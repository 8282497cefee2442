import { batteryAmps } from '../machine/battery.ts';
import { boardOpensAfter, supplyOn } from '../machine/diodes.ts';
import { cadenceRpm } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { coreDrag } from '../machine/motor.ts';
import { electricalWatts } from './operating-point.ts';
import { steadySpeed } from './steady.ts';
import { fieldAmps } from './weakening.ts';
import type { GearChoice } from './traction.ts';

/** A hill ridden at its steady speed. */
interface Climb {
  readonly climbs: true;
  readonly v: number;
  readonly seconds: number;
  readonly limit: Limit;
  readonly cogTeeth: number;
  readonly hubGear: number | null;
  readonly cadenceRpm: number;
  readonly phaseA: number;
  readonly batteryA: number;
  readonly batteryW: number;
  /** Mechanical, at the motor's shaft. */
  readonly motorW: number;
  /** At the tyre, motor and rider. */
  readonly wheelW: number;
  readonly copperW: number;
  /** Lost in core, gears, bridge and standby. */
  readonly otherLossW: number;
  /** From the rider, at the tyre. */
  readonly riderW: number;
  /** From the pack for the whole hill. */
  readonly energyWh: number;
  readonly motorN: number;
  readonly riderN: number;
  /** Seconds until the pack's protection opens at what the hill takes; undefined where it carries it. */
  readonly cutsOutAfter: number | undefined;
}

export type ClimbOutcome = Climb | { readonly climbs: false; readonly forceN: number; readonly limit: Limit };

/**
 * The hill at its steady speed: full help, constant grade, entry speed and warming of the motor left out.
 * @param lengthM along the road, m
 */
export function climb(
  machine: Machine,
  charge: number,
  lengthM: number,
  gradePct: number,
  choice: GearChoice,
): ClimbOutcome {
  const supply = supplyOn(machine, charge);
  const steady = steadySpeed(machine, supply, gradePct, choice);
  if (!steady.moves) return { climbs: false, forceN: steady.traction.totalN, limit: steady.traction.limit };
  const { v, traction: t } = steady;
  const omega = t.gear.motorRatio * v;
  const batteryW = electricalWatts(machine, t.gear, t.phaseA, v, supply);
  const batteryA = batteryAmps(supply, batteryW);
  // Lamps and standby alone are more than the pack can give: nothing runs that was to help.
  if (batteryA === Infinity) return { climbs: false, forceN: t.totalN, limit: 'pack-power' };
  const fieldA = fieldAmps(machine, t.gear, t.phaseA, v, supply);
  const copperW = (t.phaseA ** 2 + fieldA ** 2) * machine.circuitOhm;
  const seconds = lengthM / v;
  return {
    climbs: true,
    v,
    seconds,
    limit: t.limit,
    cogTeeth: t.gear.cogTeeth,
    hubGear: t.gear.hubGear,
    cadenceRpm: cadenceRpm(t.gear, v),
    phaseA: t.phaseA,
    batteryA,
    batteryW,
    motorW: Math.max(0, machine.motor.kt * t.phaseA - coreDrag(machine.motor, omega)) * omega,
    wheelW: t.totalN * v,
    copperW,
    otherLossW: batteryW - copperW - t.motorN * v,
    riderW: t.riderN * v,
    energyWh: (batteryW * seconds) / 3600,
    motorN: t.motorN,
    riderN: t.riderN,
    cutsOutAfter: boardOpensAfter(supply, machine.limits.bmsA, batteryA),
  };
}
