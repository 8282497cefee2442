import { batteryAmps, type Supply } from '../machine/battery.ts';
import { supplyOn, terminalVolts } from '../machine/diodes.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import { illinois, lastTrue } from '../quantity/numerics.ts';
import { STATED_CHARGE } from './stated.ts';

/** The volts sag by what flows and what flows rises as they sag: so many rounds settle it to a ten-thousandth. */
const ROUNDS = 4;
/** Currents are found to this, A. */
const TOLERANCE_A = 1e-6;

/**
 * The least current against the magnets with which a torque current fits under the volts, A; undefined where none does.
 * With X = E / Ich, (R Iq + E - X d)^2 + (R d + X Iq)^2 = V^2 is quadratic in d; exact for a round rotor (the usual
 * equations of a machine with permanent magnets in d and q axes). Derived.
 * @param emf back EMF, V
 * @param cancelA the current that would cancel the magnets, Ich
 */
export function againstMagnets(
  emf: number,
  ohm: number,
  cancelA: number,
  torqueA: number,
  volts: number,
): number | undefined {
  const x = emf / cancelA;
  const over = (ohm * torqueA + emf) ** 2 + (x * torqueA) ** 2 - volts ** 2;
  if (over <= 0) return 0;
  const z2 = ohm * ohm + x * x;
  const inside = (x * emf) ** 2 - z2 * over;
  return inside < 0 ? undefined : over / (x * emf + Math.sqrt(inside));
}

/** Watts from the pack for a torque current and one against the magnets: E' Iq + R (Iq^2 + d^2) and standby. */
const wattsWith = (machine: Machine, emf: number, torqueA: number, d: number): number =>
  (emf + machine.dropV) * torqueA +
  machine.circuitOhm * (torqueA * torqueA + d * d) +
  machine.limits.standbyW;

/** The same with the sag that it brings; undefined where the volts do not reach. */
function settled(machine: Machine, supply: Supply, emf: number, torqueA: number): number | undefined {
  const { weakening, circuitOhm } = machine;
  if (weakening === undefined) return 0;
  let d = 0;
  for (let i = 0; i < ROUNDS; i += 1) {
    const amps = batteryAmps(supply, wattsWith(machine, emf, torqueA, d));
    if (amps === Infinity) return undefined;
    const volts = terminalVolts(supply, amps);
    const next = againstMagnets(emf, circuitOhm, weakening.cancelA, torqueA, volts);
    if (next === undefined) return undefined;
    d = next;
  }
  return d;
}

/** The most torque current that the volts alone allow, without weakening, A: (V - E - Vb) / (R + Rpack). */
export const plainAmps = (machine: Machine, supply: Supply, emf: number): number =>
  Math.max(
    0,
    (supply.openVolts - emf - (machine.motor.brushes?.brushV ?? 0)) / (machine.circuitOhm + supply.ohm),
  );

/** Slow, the volts hold nothing back that a weaker field could give. */
const isSlow = (supply: Supply, emf: number): boolean => emf < supply.openVolts / 2;

/** Amps that were found as the most that the volts allow are off by so much of themselves at another rounding. */
const ROUNDED = 1e-3;

/** Current against the magnets that goes with a torque current at a speed, A; 0 where nothing is weakened. */
export function fieldAmps(machine: Machine, gear: Gear, torqueA: number, v: number, supply?: Supply): number {
  const { weakening } = machine;
  if (weakening === undefined || torqueA <= 0) return 0;
  const from = supply ?? supplyOn(machine, STATED_CHARGE);
  const emf = machine.motor.kt * gear.motorRatio * v;
  // What the volts allow by themselves asks for no weakening; nor does what is above it by the rounding of a root.
  const plain = plainAmps(machine, from, emf);
  if (isSlow(from, emf) || torqueA <= plain + ROUNDED * Math.max(1, plain)) return 0;
  const d = settled(machine, from, emf, torqueA) ?? mostField(machine, from, emf, plain, torqueA);
  return Math.min(d, weakening.amps);
}

/** What goes with the last torque current that volts and field together reach, for one beyond it that they do not, A. */
function mostField(machine: Machine, supply: Supply, emf: number, plain: number, torqueA: number): number {
  const reaches = (amps: number): boolean => settled(machine, supply, emf, amps) !== undefined;
  return settled(machine, supply, emf, lastTrue(reaches, plain, torqueA, TOLERANCE_A)) ?? 0;
}

/** What else binds a weakened motor. */
export interface WeakenedMost {
  readonly amps: number;
  readonly limit: 'voltage' | 'watts' | 'phase-current';
}

/**
 * The most torque current with the field weakened as little as it takes: up to what weakening reaches, within the phase
 * limit as Iq^2 + d^2 and the watts of the battery side.
 * @param plain what the volts alone allow, A
 * @param watts most from the pack, W
 */
export function weakenedAmps(
  machine: Machine,
  supply: Supply,
  emf: number,
  plain: number,
  watts: number,
): WeakenedMost {
  const { weakening, limits } = machine;
  let limit: WeakenedMost['limit'] = 'voltage';
  if (weakening === undefined || isSlow(supply, emf) || plain >= limits.phaseA) return { amps: plain, limit };
  /** What is in hand, as a share of each bound; the least counts. */
  const inHand = (torqueA: number): number => {
    const d = settled(machine, supply, emf, torqueA);
    if (d === undefined) return -1;
    const volts = 1 - d / weakening.amps;
    const phase = 1 - (torqueA ** 2 + d * d) / limits.phaseA ** 2;
    const power = 1 - wattsWith(machine, emf, torqueA, d) / watts;
    const least = Math.min(volts, phase, power);
    limit = 'voltage';
    if (least === phase) limit = 'phase-current';
    if (least === power) limit = 'watts';
    return least;
  };
  if (inHand(plain) <= 0) return { amps: plain, limit };
  const end = illinois(inHand, plain, limits.phaseA, TOLERANCE_A);
  const amps = end.found ? end.x : plain;
  // Where more field sags the pack further than it wins, what is in hand falls off all at once: just before it is what is had.
  if (inHand(amps) > -TOLERANCE_A) return { amps, limit };
  return {
    amps: lastTrue((a) => inHand(a) >= 0, plain, limits.phaseA, TOLERANCE_A),
    limit: 'voltage',
  };
}
