import type { Supply } from '../machine/battery.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Limit, Limits } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { coreDrag, packShare, wheelForce } from '../machine/motor.ts';
import { spinOutFactor } from '../machine/rider.ts';
import { fieldAmps, plainAmps, weakenedAmps } from './weakening.ts';

/** The motor at one speed in one gear. */
export interface OperatingPoint {
  readonly phaseA: number;
  /** Motor's force at the tyre, N; negative when a motor without a freewheel drags. */
  readonly forceN: number;
  readonly limit: Limit;
}

interface Bound {
  readonly amps: number;
  readonly limit: Limit;
}

/**
 * Battery amps that the low-voltage cut-off leaves of `amps`. It fades evenly over the fold above the cut-off:
 * I = amps (V - Vlow) / fold with V = Voc - I Rb, solved for I (derived); without a fold it keeps V at Vlow.
 */
function currentAtCutoff(supply: Supply, limits: Limits, amps: number): number {
  const above = Math.max(0, supply.openVolts - limits.lowVolts);
  if (limits.foldVolts === 0) return above / supply.ohm;
  if (supply.openVolts - amps * supply.ohm >= limits.lowVolts + limits.foldVolts) return amps;
  return (amps * above) / (limits.foldVolts + amps * supply.ohm);
}

/** The battery side as a bound on battery amps: the least of controller, cut-off and pack. */
function batteryBound(machine: Machine, supply: Supply): Bound {
  const { limits } = machine;
  let amps = limits.batteryA;
  let limit: Limit = 'battery-current';
  const toCutoff = currentAtCutoff(supply, limits, amps);
  if (toCutoff < amps) {
    amps = toCutoff;
    limit = 'low-voltage';
  }
  const mostPower = supply.openVolts / (2 * supply.ohm);
  if (mostPower < amps) {
    amps = mostPower;
    limit = 'pack-power';
  }
  return { amps, limit };
}

/**
 * Full-throttle operating point in closed form: the phase current is the least of the voltage, battery,
 * phase, assist and speed bounds, and the least one is the binding limit.
 * The battery bound solves P = (E' + I R) I for I without cancellation: I = 2P / (E' + sqrt(E'^2 + 4 R P)).
 * @param v road speed, m/s, 0 or more
 */
export function operatingPoint(machine: Machine, gear: Gear, supply: Supply, v: number): OperatingPoint {
  const point = pointOn(machine, gear, supply, v);
  if (supply.joined === undefined) return point;
  // Behind diodes more packs feed where that gives more.
  const more = operatingPoint(machine, gear, supply.joined, v);
  return more.phaseA > point.phaseA ? more : point;
}

function pointOn(machine: Machine, gear: Gear, supply: Supply, v: number): OperatingPoint {
  const { motor, limits, circuitOhm } = machine;
  if (machine.control === 'none') {
    return {
      phaseA: 0,
      forceN: wheelForce(motor, gear.motorRatio, machine.efficiency, 0, v),
      limit: 'no-motor',
    };
  }
  const omega = gear.motorRatio * v;
  const emf = motor.kt * omega;

  let amps = limits.phaseA;
  let limit: Limit = 'phase-current';

  // Switched on all the time, a chopper's diode carries nothing.
  const byVoltage = plainAmps(machine, supply, emf);
  if (byVoltage < amps) {
    amps = byVoltage;
    limit = 'voltage';
  }

  const battery = batteryBound(machine, supply);
  let watts = battery.amps * (supply.openVolts - battery.amps * supply.ohm);
  let wattsLimit = battery.limit;
  if (limits.powerW < watts) {
    watts = limits.powerW;
    wattsLimit = 'power-limit';
  }
  watts = Math.max(0, watts - limits.standbyW) / packShare(motor, supply.openVolts);
  const e = emf + machine.dropV;
  const byPower = (2 * watts) / (e + Math.sqrt(e * e + 4 * circuitOhm * watts));
  if (byPower < amps) {
    amps = byPower;
    limit = wattsLimit;
  }
  if (limit === 'voltage' && machine.weakening !== undefined) {
    const most = weakenedAmps(machine, supply, emf, amps, watts + limits.standbyW);
    amps = most.amps;
    limit = most.limit === 'watts' ? wattsLimit : most.limit;
  }

  const asked = askedOf(machine, gear, v, { amps, limit });
  const { amps: phaseA } = asked;
  return {
    phaseA,
    forceN: wheelForce(motor, gear.motorRatio, machine.efficiency, phaseA, v),
    limit: asked.limit,
  };
}

/** What the controls ask for of all that the machine can give: the greater of hand and pedals, at a moment. */
function askedOf(machine: Machine, gear: Gear, v: number, most: Bound): Bound {
  const { handCutoff, cutoff } = machine.limits;
  // The hand goes as far as the pedals: then it always asks for as much.
  if (handCutoff >= cutoff) return byHand(machine, gear, v, most);
  const pedals = byPedals(machine, gear, v, most);
  if (handCutoff === 0) return pedals;
  const hand = byHand(machine, gear, v, most);
  return hand.amps > 0 && hand.amps >= pedals.amps ? hand : pedals;
}

function byHand(machine: Machine, gear: Gear, v: number, most: Bound): Bound {
  const { handCutoff, cutoff, taper } = machine.limits;
  const turned = machine.control === 'pedals' ? inCadence(machine, gear, v, most) : most;
  return governed(
    turned,
    fade(handCutoff, taper, v),
    handCutoff === cutoff ? 'speed-limit' : 'throttle-limit',
  );
}

/**
 * Help in a gear, as a multiple of what is set: 1 where it follows the legs' power; where it follows the torque at the cranks the
 * turns of the wheel for one of them, P_motor / P_rider = k v / (r omega_crank). Derived.
 */
export const helpIn = ({ assistOf, wheelRadius }: Machine, gear: Gear): number =>
  assistOf === 'power' ? 1 : 1 / (wheelRadius * gear.crankRatio);

function byPedals(machine: Machine, gear: Gear, v: number, most: Bound): Bound {
  const assistW = machine.limits.assistW * helpIn(machine, gear);
  const { motor } = machine;
  const omega = gear.motorRatio * v;
  // Without a sensor nothing but the hand asks for anything, and it has stopped asking.
  if (assistW === 0) return { amps: 0, limit: 'throttle-limit' };
  const byAssist = omega > 0 ? (assistW / omega + coreDrag(motor, omega)) / motor.kt : Infinity;
  const helped: Bound = byAssist < most.amps ? { amps: byAssist, limit: 'assist-ratio' } : most;
  return governed(inCadence(machine, gear, v, helped), speedFactor(machine, v), 'speed-limit');
}

/** A motor in the middle helps by the pedals only where they can be turned. */
function inCadence(machine: Machine, gear: Gear, v: number, most: Bound): Bound {
  const factor = machine.kind === 'mid-drive' ? spinOutFactor(machine.rider, gear, v) : 1;
  return governed(most, factor, 'cadence');
}

const governed = (most: Bound, factor: number, limit: Limit): Bound =>
  factor < 1 ? { amps: most.amps * factor, limit } : most;

function fade(end: number, taper: number, v: number): number {
  if (v >= end) return 0;
  return taper > 0 ? Math.min(1, (end - v) / taper) : 1;
}

/** 1 below the fade, falling evenly to 0 at the cut-off speed; a fade of no width is a step. */
export const speedFactor = ({ limits }: Machine, v: number): number => fade(limits.cutoff, limits.taper, v);

/** Share of the way that is ridden by the hand at a speed: none where the throttle has stopped driving, all where nothing else does. */
export function handShare({ limits, throttleShare }: Machine, v: number): number {
  if (v >= limits.handCutoff) return 0;
  return v >= limits.cutoff ? 1 : throttleShare;
}

/**
 * Share of their power that legs give at a speed while the motor has force to spare. On the share of the way that is ridden
 * by the hand it is all of it: only a sensor of cadence lets them turn along.
 */
export function easeAt(machine: Machine, v: number): number {
  const { ease } = machine.rider;
  return ease + (1 - ease) * handShare(machine, v);
}

/**
 * Watts that motor and controller take from the pack at a phase current, standby included. Where the field is weakened,
 * or a chopper's diode takes its share, the volts count: those of `supply`, or of a pack at half charge.
 */
export function electricalWatts(
  machine: Machine,
  gear: Gear,
  phaseA: number,
  v: number,
  supply?: Supply,
): number {
  const { standbyW } = machine.limits;
  if (phaseA === 0) return standbyW;
  const circuitV = machine.motor.kt * gear.motorRatio * v + machine.dropV + machine.circuitOhm * phaseA;
  const share = supply === undefined ? machine.packShare : packShare(machine.motor, supply.openVolts);
  const watts = circuitV * phaseA * share + standbyW;
  if (machine.weakening === undefined) return watts;
  return watts + machine.circuitOhm * fieldAmps(machine, gear, phaseA, v, supply) ** 2;
}

/**
 * Phase current for a motor force `forceN` at the tyre at `v` m/s: I = (F / (n eta) + core drag) / Kt.
 * A freewheeling motor that is not needed rests; one without a freewheel takes what its own drag asks.
 */
export function partThrottleAmps(machine: Machine, gear: Gear, v: number, forceN: number): number {
  const { motor } = machine;
  if (forceN <= 0 && motor.freewheel) return 0;
  // Where the wheel drives the motor, its gears take their share on the way in.
  const geared = forceN >= 0 ? forceN / machine.efficiency : forceN * machine.efficiency;
  const torque = geared / gear.motorRatio + coreDrag(motor, gear.motorRatio * v);
  return Math.max(0, torque / motor.kt);
}
