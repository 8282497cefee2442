import type { Gear } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import type { PowerSource } from './power-source.ts';

/**
 * Phase current, 0 or below, with which the motor brakes up to `brakeN` newtons at the tyre beyond its own drag.
 * It is the least of what is wanted, the phase limit, the current at which most comes back, (E - 0.3) / 2R, and what
 * the pack may take: nothing where it is as good as full, else at most the regeneration limit and its full volts, P = I (Voc + I Rb). From P the phase current
 * is the smaller root of (E - 0.3) I - R I^2 = P + standby, without cancellation. Derived.
 */
export function brakingAmps(
  machine: Machine,
  gear: Gear,
  source: PowerSource,
  v: number,
  brakeN: number,
): number {
  const { regeneration, motor, circuitOhm, limits } = machine;
  const emf = motor.kt * gear.motorRatio * v - machine.dropV;
  if (regeneration === undefined || brakeN <= 0 || emf <= 0 || !source.takes) return 0;
  const { openVolts, ohm } = source.supply;
  const intoPack = Math.min(regeneration.batteryA, Math.max(0, (source.fullVolts - openVolts) / ohm));
  const watts = intoPack * (openVolts + intoPack * ohm) + limits.standbyW;
  const inside = emf * emf - 4 * circuitOhm * watts;
  const byPack = inside > 0 ? (2 * watts) / (emf + Math.sqrt(inside)) : Infinity;
  const wanted = (brakeN * machine.efficiency) / (gear.motorRatio * motor.kt);
  return -Math.min(wanted, limits.phaseA, emf / (2 * circuitOhm), byPack);
}
