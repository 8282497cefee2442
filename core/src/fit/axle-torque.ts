import type { Known } from '../document/known-build.ts';
import { plausibleSpan } from '../machine/span.ts';
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

/**
 * What nobody has read and what decides whether that is a strong motor, all at once: torque goes with the amps and the reduction,
 * and with one over Kv.
 */
export function unsaidStrength(s: Subject): readonly Known[] {
  const { controller, drive } = s.known;
  const bearing = [
    { known: controller.phaseCurrentA, times: (amps: number) => amps / controller.phaseCurrentA.value },
    { known: drive.kvRpmPerV, times: (kv: number) => drive.kvRpmPerV.value / kv },
    { known: drive.reduction, times: (turns: number) => turns / drive.reduction.value },
  ].filter(({ known }) => known.source === 'unknown');
  const ends = bearing.map(({ known, times }) => plausibleSpan(known).map(times));
  const torque = axleTorqueNm(s);
  const least = ends.reduce((nm, of) => nm * Math.min(...of), torque);
  const most = ends.reduce((nm, of) => nm * Math.max(...of), torque);
  return least > STRONG_NM === most > STRONG_NM ? [] : bearing.map(({ known }) => known);
}
