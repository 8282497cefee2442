import type { Known } from '../document/known-build.ts';
import { couldTurn } from '../machine/span.ts';
import type { Subject } from './subject.ts';

/** Wheel torque above which a hub counts as strong, N m. Common practice, no source. */
export const STRONG_NM = 40;

/** Most torque between one axle and its dropouts, driving, N m: all the phase current at standstill. */
export function axleTorqueNm({ machine }: Subject): number {
  const { motor, limits, gears, wheelRadius, efficiency } = machine;
  const turns = (gears[0]?.motorRatio ?? 0) * wheelRadius;
  return (Math.max(0, motor.kt * limits.phaseA - motor.hysteresisNm) * turns * efficiency) / machine.motors;
}

/** The same when the motor brakes: core drag adds, and gears lose the other way round. */
export function brakingTorqueNm({ machine }: Subject): number {
  const { motor, limits, gears, wheelRadius, efficiency } = machine;
  const turns = (gears[0]?.motorRatio ?? 0) * wheelRadius;
  return ((motor.kt * limits.phaseA + motor.hysteresisNm) * turns) / efficiency / machine.motors;
}

/** What nobody has read and what decides whether that is a strong motor: torque goes with the amps, and with one over Kv. */
export function unsaidStrength(s: Subject): readonly Known[] {
  const { controller, drive } = s.known;
  const torque = axleTorqueNm(s);
  const strong = (times: number): boolean => torque * times > STRONG_NM;
  return [
    ...couldTurn(controller.phaseCurrentA, (amps) => strong(amps / controller.phaseCurrentA.value)),
    ...couldTurn(drive.kvRpmPerV, (kv) => strong(drive.kvRpmPerV.value / kv)),
    ...couldTurn(drive.reduction, (turns) => strong(turns / drive.reduction.value)),
  ];
}
