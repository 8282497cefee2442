import { noLoadSpeed } from '../law/motor-alone.ts';
import { supplyAt, type Pack } from '../machine/battery.ts';
import { coreDrag } from '../machine/motor.ts';
import { kmhToMs, msToKmh } from '../quantity/units.ts';
import type { Study } from './study.ts';

/** What the motor itself does: constants and a few points that explain the rest. */
export interface MotorFacts {
  /** Torque per phase ampere, N m/A: 60 / (2 pi Kv). */
  readonly torqueConstant: number;
  /** At the shaft of one motor with all its phase current, N m. */
  readonly shaftNm: number;
  /** At the motor's own output, behind its reduction, N m. */
  readonly outputNm: number;
  /**
   * Road speed in the tallest gear at which the net torque is nought, km/h, on each pack at the charge it is filled to: an
   * upper bound.
   */
  readonly noLoadKmh: readonly [number, ...number[]];
  /** Motor turns at the brief's speed, rpm, in the gear used there. */
  readonly cruiseRpm: number | undefined;
  /** Shaft watts over pack watts on the test hill. */
  readonly hillEfficiency: number | undefined;
}

/** The motor's facts, derived from the equivalent circuit. */
export function motorFacts({ machine, known, climb, range }: Study): MotorFacts {
  const { motor, limits } = machine;
  const unloaded = (pack: Pack, charge: number): number =>
    msToKmh(noLoadSpeed(machine, supplyAt(pack, charge)));
  const others = machine.others.map(({ pack, charge }) => unloaded(pack, charge));
  const shaftNm = Math.max(0, motor.kt * limits.phaseA - coreDrag(motor, 1e-9)) / machine.motors;
  const cruise = kmhToMs(known.brief.cruiseSpeedKmh.value);
  return {
    torqueConstant: motor.kt,
    shaftNm,
    outputNm: shaftNm * known.drive.reduction.value * known.drive.efficiency.value,
    noLoadKmh: [unloaded(machine.pack, known.packs[0].chargeLimitPct.value / 100), ...others],
    cruiseRpm: range.holds ? (range.motorRatio * cruise * 30) / Math.PI : undefined,
    hillEfficiency: climb.climbs && climb.batteryW > 0 ? climb.motorW / climb.batteryW : undefined,
  };
}
