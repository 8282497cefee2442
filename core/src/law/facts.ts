import type { Answer } from '../build/choices.ts';
import type { BuildDocument } from '../build/document.ts';
import type { KnownBuild, KnownSource } from '../build/known.ts';
import { supplyAt } from '../machine/battery.ts';
import type { Machine } from '../machine/machine.ts';
import { warmResistance } from '../machine/motor.ts';
import { msToKmh } from '../quantity/units.ts';
import { motorAlone, steadySpeed } from '../ride/steady.ts';

/** A number a clause is held against: a band where the instrument leaves conditions open. */
export interface NumberFact {
  readonly kind: 'number';
  readonly low: number;
  /** The end that counts. */
  readonly high: number;
  readonly source: KnownSource;
  readonly how: string;
}

export interface AnswerFact {
  readonly kind: 'answer';
  readonly answer: Answer;
  readonly how: string;
}

export interface LawFacts {
  readonly ratedPowerW: NumberFact | undefined;
  readonly assistEndKmh: NumberFact;
  readonly motorAloneKmh: NumberFact;
  readonly throttleAloneKmh: NumberFact;
  readonly wheelCount: NumberFact;
  readonly operablePedals: AnswerFact;
  readonly motorStopsWithPedals: AnswerFact;
  readonly helpFades: AnswerFact;
  readonly throttle: AnswerFact;
  readonly speedometer: AnswerFact;
  readonly classLabel: AnswerFact;
}

/** The federal test's operator: 170 lb, in kg, exact. 15 U.S.C. s.2085(b). */
export const FEDERAL_RIDER_KG = 170 * 0.45359237;
/**
 * The statute names no tyre, air or charge, so the test is run twice. Drag and rolling resistance this
 * much above and below the build's own; half charge and a warm motor against full charge and a cold one.
 */
const BAND = { drag: 0.15, rolling: 0.2 } as const;

/** Speed on the level by the motor alone with a 170 lb rider, slow and fast case, m/s. Derived. */
export function federalTestSpeeds(
  machine: Machine,
  controllerOhm: number,
): { readonly low: number; readonly high: number } {
  const alone = motorAlone(machine, machine.machineMassKg + FEDERAL_RIDER_KG);
  const run = (sign: 1 | -1, charge: number, circuitOhm: number): number => {
    const road = {
      ...alone.road,
      cdaM2: alone.road.cdaM2 * (1 + sign * BAND.drag),
      crr: alone.road.crr * (1 + sign * BAND.rolling),
    };
    const outcome = steadySpeed({ ...alone, road, circuitOhm }, supplyAt(machine.pack, charge), 0, 'best');
    return outcome.moves ? outcome.v : 0;
  };
  const cold = warmResistance(machine.motor.resistance20, 20) + controllerOhm;
  return { low: run(1, 0.5, machine.circuitOhm), high: run(-1, 1, cold) };
}

/** Unloaded speed at full charge in the tallest gear: no help is possible beyond it, m/s. */
export function noLoadSpeed(machine: Machine): number {
  const least = Math.min(...machine.gears.map((gear) => gear.motorRatio));
  return supplyAt(machine.pack, 1).openVolts / (machine.motor.kt * least);
}

const number = (low: number, high: number, source: KnownSource, how: string): NumberFact => ({
  kind: 'number',
  low,
  high,
  source,
  how,
});
const point = (value: number, source: KnownSource, how: string): NumberFact =>
  number(value, value, source, how);
const yesNo = (answer: Answer, how: string): AnswerFact => ({ kind: 'answer', answer, how });

function assistEnd(build: BuildDocument, known: KnownBuild, machine: Machine): NumberFact {
  const cutoff = known.controller.assistCutoffKmh;
  const bound = msToKmh(noLoadSpeed(machine));
  if (build.controller.limitsSpeed && cutoff.value <= bound) {
    return point(cutoff.value, cutoff.source, 'the cut-off set in the controller');
  }
  return point(
    bound,
    'worked',
    'no-load speed at full charge in the tallest gear: nothing else ends the help',
  );
}

function throttleAlone(build: BuildDocument, known: KnownBuild, federal: number): NumberFact {
  const { throttle } = build.controls;
  if (throttle === 'none') return point(0, 'worked', 'no hand control that drives the motor alone');
  if (throttle === 'full') return point(federal, 'worked', 'simulated on the level, the fast case');
  const walk = known.controls.walkCutoffKmh;
  const value = Math.min(walk.value, federal);
  return point(value, value === walk.value ? walk.source : 'worked', 'walk help ends here');
}

/** Every fact that a rule may ask for, worked out from the build. */
export function lawFacts(build: BuildDocument, known: KnownBuild, machine: Machine): LawFacts {
  const rated = known.drive.ratedPowerW;
  const speeds = federalTestSpeeds(machine, known.controller.resistanceMohm.value / 1000);
  const [low, high] = [msToKmh(speeds.low), msToKmh(speeds.high)];
  const alone = throttleAlone(build, known, high);
  const pedalsOnly = build.controls.throttle !== 'full';
  const { controls, controller } = build;
  return {
    ratedPowerW:
      rated.source === 'unknown' ? undefined : point(rated.value, rated.source, 'as rated for the motor'),
    assistEndKmh: assistEnd(build, known, machine),
    motorAloneKmh: pedalsOnly
      ? point(alone.high, 'worked', 'without a throttle the motor never drives alone beyond walk help')
      : number(low, high, 'worked', 'simulated: 77.11 kg rider, level, still air; half charge to full'),
    throttleAloneKmh: alone,
    wheelCount: point(build.donor.wheelCount, 'measured', 'wheels of the donor'),
    operablePedals: yesNo(build.donor.operablePedals, 'donor'),
    motorStopsWithPedals: yesNo(
      controls.assistSensor === 'none' ? 'no' : controls.motorStopsWithPedals,
      controls.assistSensor === 'none' ? 'no sensor at the pedals' : 'controls',
    ),
    helpFades: yesNo(
      controller.limitsSpeed && known.controller.assistTaperKmh.value > 0 ? 'yes' : 'no',
      controller.limitsSpeed ? 'fade set in the controller' : 'no speed limit set',
    ),
    throttle: yesNo(controls.throttle === 'full' ? 'yes' : 'no', 'controls'),
    speedometer: yesNo(controls.speedometer, 'controls'),
    classLabel: yesNo(controls.classLabel, 'controls'),
  };
}
