import type { Gear } from '../machine/driveline.ts';
import { caseCooling, foldAmps } from '../machine/controller-heat.ts';
import { supplyOn } from '../machine/diodes.ts';
import type { Machine } from '../machine/machine.ts';
import { copperGrowth, coreDrag, magnetShare, type Motor } from '../machine/motor.ts';
import { airCooling, steadyWarmth, type SteadyHeat } from '../machine/thermal.ts';
import { lastTrue } from '../quantity/numerics.ts';
import { circuitAt } from './circuit.ts';
import { STATED_CHARGE } from './stated.ts';
import { fieldAmps } from './weakening.ts';

/** What a motor holds for ever at a speed. */
export interface Continuous {
  readonly v: number;
  readonly phaseA: number;
  /** What sets it: the winding, or the controller's own heat. */
  readonly by: 'motor' | 'controller';
  /** Mechanical, at its shaft, W. */
  readonly motorW: number;
  /** At the tyre, N. */
  readonly forceN: number;
  readonly shellC: number;
}

/** What burns at the brushes, W, half in the rotor and half in the shell, and their friction, N m: all in the shell. */
const atBrushes = ({ brushes, hysteresisNm }: Motor, phaseA: number) =>
  brushes === undefined ? NO_BRUSHES : { brushW: brushes.brushV * phaseA, rubNm: hysteresisNm };
const NO_BRUSHES = { brushW: 0, rubNm: 0 } as const;

/** Losses of an even phase current at a speed, W; copper as at 20 C. */
export function heatOf(machine: Machine, gear: Gear, v: number, phaseA: number): SteadyHeat {
  const { motor } = machine;
  const omega = gear.motorRatio * v;
  const drag = phaseA === 0 && motor.freewheel ? 0 : coreDrag(motor, omega);
  const shaftW = Math.max(0, motor.kt * phaseA - drag) * omega;
  const { brushW, rubNm } = atBrushes(motor, phaseA);
  const rubW = drag === 0 ? 0 : rubNm * omega;
  return {
    copper20W: (phaseA ** 2 + fieldAmps(machine, gear, phaseA, v) ** 2) * motor.resistance20,
    coreW: drag * omega - rubW + brushW / 2,
    shellW: shaftW * (1 - machine.gearEfficiency) + rubW + brushW / 2,
  };
}

/** The winding temperature that is borne for ever: where the controller begins to hold back, or below damage. */
export const bearableC = ({ thermal }: Machine): number =>
  Math.min(thermal.rollbackStartC, thermal.damageC - 10);

/** A current is found to this share of the most that is looked at. */
const FOUND_TO = 2 ** -20;

/** The most amps up to `most` that are borne; what is borne is so with fewer as well. */
const mostBorne = (bears: (amps: number) => boolean, most: number): number =>
  bears(most) ? most : lastTrue(bears, 0, most, most * FOUND_TO);

/**
 * Phase current that the controller's own heat bears for ever. Of a plain one with three leads in closed form. What is spent on the
 * field, the diode of a chopper and the shell that it sits in follow the amps: there it is looked for.
 */
function caseAmps(machine: Machine, gear: Gear, v: number, most: number): number {
  const { controllerHeat: h, thermal, airC, controllerOhm, limits, accessoryW, motor, weakening } = machine;
  const inShell = h.shellWK > 0;
  if (!inShell && weakening === undefined && motor.brushes === undefined)
    return foldAmps(h, controllerOhm, limits.standbyW - accessoryW, v, airC, airC);
  if (h.foldStartC === Infinity) return Infinity;
  const cooling = airCooling(thermal, v);
  const supply = supplyOn(machine, STATED_CHARGE);
  const own = caseCooling(h, v) * (h.foldStartC - airC);
  // What a controller in the motor's shell loses falls there too.
  const shellC = (amps: number, caseW: number): number => {
    const heat = heatOf(machine, gear, v, amps);
    return (
      steadyWarmth(thermal, { ...heat, shellW: heat.shellW + caseW }, cooling, airC)?.shellC ??
      bearableC(machine)
    );
  };
  const bears = (amps: number): boolean => {
    // Faster than the volts reach a chopper would have to give something back: standby is lost all the same.
    const controllerW = Math.max(
      limits.standbyW - accessoryW,
      circuitAt(machine, gear, v, amps, supply).controllerW,
    );
    return controllerW <= own + (inShell ? h.shellWK * (h.foldStartC - shellC(amps, controllerW)) : 0);
  };
  return mostBorne(bears, most);
}

/**
 * Phase current that brings the winding in the end to what it bears and no further, at an even speed, and the force that magnets
 * as warm as the shell then make of it. With copper = a I^2, core and gear losses the balance
 * Tw = Ta + (copper + core + shell)/h + (copper + core)/G is quadratic in I and solved in closed form (derived). What gears lose
 * and what is spent on the field is taken with magnets at 20 C, which is a little too much. 0 where drag alone is too much.
 */
export function continuousAt(machine: Machine, gear: Gear, v: number): Continuous {
  const { motor, thermal, airC } = machine;
  const limitC = bearableC(machine);
  const cooling = airCooling(thermal, v);
  const omega = gear.motorRatio * v;
  const drag = coreDrag(motor, omega);
  const lost = 1 - machine.gearEfficiency;
  const path = 1 / cooling + 1 / thermal.coupleWK;
  const a = motor.resistance20 * (1 + copperGrowth * (limitC - 20)) * path;
  const { brushW: perAmp, rubNm } = atBrushes(motor, 1);
  const b = (motor.kt * omega * lost) / cooling + (perAmp / 2) * (path + 1 / cooling);
  // Friction of the brushes never reaches the winding: it takes the way from the shell alone.
  const rub = (rubNm * omega) / thermal.coupleWK;
  const c = drag * omega * path - rub - (drag * omega * lost) / cooling - (limitC - airC);
  const unweakened = c >= 0 ? 0 : (-2 * c) / (b + Math.sqrt(b * b - 4 * a * c));
  // What is spent on the field heats as well, and grows with the current that is sought: by rounds it would swing to and fro.
  const borne = (amps: number): boolean =>
    a * (amps ** 2 + fieldAmps(machine, gear, amps, v) ** 2) + b * amps + c <= 0;
  const byMotor = machine.weakening === undefined ? unweakened : mostBorne(borne, unweakened);
  const byCase = caseAmps(machine, gear, v, byMotor);
  const phaseA = Math.min(byMotor, byCase);
  const shellC = steadyWarmth(thermal, heatOf(machine, gear, v, phaseA), cooling, airC)?.shellC ?? limitC;
  const torque = Math.max(0, motor.kt * magnetShare(motor, shellC) * phaseA - drag);
  return {
    v,
    phaseA,
    by: byCase < byMotor ? 'controller' : 'motor',
    motorW: torque * omega,
    forceN: torque * gear.motorRatio * machine.efficiency,
    shellC,
  };
}
