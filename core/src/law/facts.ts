import type { Answer, BrakeKind } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild, KnownSource } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import { assembleKnown } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { motorCount } from '../document/motors.ts';
import { throttleHeld } from '../document/throttle.ts';
import { firstOf } from '../quantity/first-of.ts';
import { lazily } from '../quantity/lazily.ts';
import { msToKmh } from '../quantity/units.ts';
import { assistCorners, type RatioCorner } from './assist-curve.ts';
import { federalTestSpeeds, noLoadSpeed, peakWheelWatts } from './motor-alone.ts';
import { profilesOf } from './profile.ts';
import type { AnswerFactName, NumberFactName } from './fact-names.ts';

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

/** Help per rider force against speed; no corners where the help does not follow the rider. */
export interface CurveFact {
  readonly kind: 'curve';
  readonly corners: readonly RatioCorner[] | undefined;
  readonly how: string;
}

/** Every fact that a rule may ask for, of one profile; a number that is not known is undefined. */
export type LawFacts = { readonly [N in NumberFactName]: NumberFact | undefined } & {
  readonly [N in AnswerFactName]: AnswerFact;
} & { readonly assistRatio: CurveFact };

/** The facts of one way the rider can have it. */
export interface ProfileFacts {
  readonly profile: string;
  readonly facts: LawFacts;
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
const told = (known: Known, how: string): NumberFact => point(known.value, known.source, how);

function assistEnd(build: BuildDocument, known: KnownBuild, machine: Machine): NumberFact {
  const byHand = build.controls.assistSensor === 'none' && throttleHeld(build);
  const cutoff = byHand ? known.controls.throttleCutoffKmh : known.controller.assistCutoffKmh;
  const bound = msToKmh(noLoadSpeed(machine));
  if ((build.controller.limitsSpeed || byHand) && cutoff.value <= bound) {
    return point(
      cutoff.value,
      cutoff.source,
      cutoff.source === 'worked'
        ? 'the cut-off set, by the true wheel instead of the one the controller holds'
        : 'the cut-off set in the controller',
    );
  }
  return point(
    bound,
    'worked',
    'no-load speed at full charge in the tallest gear: nothing else ends the help',
  );
}

/** Speeds without pedalling: by whatever hand control there is, and in the federal test. */
function alone(
  build: BuildDocument,
  known: KnownBuild,
  machine: Machine,
): { readonly throttle: NumberFact; readonly motor: NumberFact } {
  const { throttle } = build.controls;
  if (throttle === 'none' || throttle === 'pedalling') {
    const none = point(
      0,
      'worked',
      throttle === 'none'
        ? 'no hand control that drives the motor alone'
        : 'the throttle works only while the pedals turn',
    );
    return { throttle: none, motor: none };
  }
  const speeds = federalTestSpeeds(machine);
  const [low, high] = [msToKmh(speeds.low), msToKmh(speeds.high)];
  if (throttle === 'full') {
    const own = known.controls.throttleCutoffKmh;
    const open = throttleHeld(build) ? msToKmh(federalTestSpeeds(machine, 'open').high) : high;
    return {
      // The limit itself, where the motor would reach beyond it: a fade that ends earlier on the level proves nothing.
      throttle:
        throttleHeld(build) && own.value <= open
          ? told(own, 'the throttle’s own speed limit')
          : point(open, 'worked', 'simulated on the level, the fast case'),
      motor: number(low, high, 'worked', 'simulated: 77.11 kg rider, level, still air; half charge to full'),
    };
  }
  const walk = known.controls.walkCutoffKmh;
  const value = Math.min(walk.value, high);
  const by = point(value, value === walk.value ? walk.source : 'worked', 'walk help ends here');
  return { throttle: by, motor: by };
}

/**
 * The widest speed that any instrument leaves to walking beside the machine, km/h: the start-up mode of EN 15194 and the
 * laws that follow it. A key that drives it faster is a throttle.
 */
export const WALK_KMH = 6;

function drivesAlone({ build, known }: Way): AnswerFact {
  switch (build.controls.throttle) {
    case 'none':
    case 'pedalling':
      return yesNo('no', 'controls');
    case 'full':
      return yesNo('yes', 'controls');
    case 'walk': {
      const { value, source } = known.controls.walkCutoffKmh;
      if (source === 'unknown') return yesNo('unknown', 'how fast the walk key drives it is not known');
      return value > WALK_KMH
        ? yesNo('yes', 'the walk key drives it faster than a walk')
        : yesNo('no', 'the walk key ends at a walk');
    }
  }
}

/** Two brakes that work without each other: one a wheel, none of them the motor. */
function twoBrakes({ donor }: BuildDocument): Answer {
  const kinds: readonly BrakeKind[] = [donor.brakeFront, donor.brakeRear];
  if (kinds.includes('none')) return 'no';
  return kinds.includes('unknown') ? 'unknown' : 'yes';
}

const lit = ({ supply }: BuildDocument): Answer =>
  supply.accessories.some((a) => a.light) ? 'yes' : 'unknown';

/** What the facts of one way are worked out on. */
interface Way {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
}

/** A place asks for few of them, so each is worked out when it is asked for. */
function factsOf(way: Way): LawFacts {
  const { build } = way;
  const { controls, controller, donor } = build;
  const sensor = controls.assistSensor;
  const hand = lazily({ speeds: () => alone(build, way.known, way.machine) });
  return lazily<LawFacts>({
    ratedPowerW: () => {
      const rated = way.known.drive.ratedPowerW;
      if (rated.source === 'unknown') return undefined;
      const motors = motorCount(build);
      return motors === 1
        ? told(rated, 'as rated for the motor')
        : point(motors * rated.value, rated.source, 'the ratings of both motors together');
    },
    peakWheelW: () =>
      point(
        peakWheelWatts(way.machine),
        'worked',
        'simulated: throttle open, full charge, cold winding, best gear',
      ),
    assistEndKmh: () => assistEnd(build, way.known, way.machine),
    motorAloneKmh: () => hand.speeds.motor,
    throttleAloneKmh: () => hand.speeds.throttle,
    wheelCount: () => point(donor.wheelCount, 'measured', 'wheels of the donor'),
    massKg: () =>
      point(
        way.machine.machineMassKg,
        'worked',
        'donor, motor, pack, controller and fittings, without rider',
      ),
    nominalV: () => told(way.known.packs[0].nominalV, 'by the label of the pack'),
    widthMm: () => told(way.known.donor.widthMm, 'over the handlebar, or the widest part'),
    wheelbaseMm: () => told(way.known.donor.wheelbaseMm, 'between the axles'),
    wheelDiameterMm: () => {
      const { beadMm, tyreMm } = way.known.donor;
      return point(beadMm.value + 2 * tyreMm.value, beadMm.source, 'bead seat and tyre');
    },
    tyreWidthMm: () => told(way.known.donor.tyreMm, 'tyre of the donor'),
    operablePedals: () => yesNo(donor.operablePedals, 'donor'),
    motorStopsWithPedals: () =>
      yesNo(
        ...firstOf<[Answer, string]>(
          [
            [controls.throttle === 'full', ['no', 'the throttle drives it with the pedals still']],
            [sensor === 'none', ['no', 'no sensor at the pedals']],
          ],
          [controls.pedalHelpStops, 'controls'],
        ),
      ),
    pedalHelpStops: () =>
      yesNo(
        sensor === 'none' ? 'yes' : controls.pedalHelpStops,
        sensor === 'none' ? 'there is no pedal help' : 'controls',
      ),
    helpFades: () =>
      yesNo(
        controller.limitsSpeed && way.known.controller.assistTaperKmh.value > 0 ? 'yes' : 'no',
        controller.limitsSpeed ? 'fade set in the controller' : 'no speed limit set',
      ),
    throttle: () => drivesAlone(way),
    speedometer: () => yesNo(controls.speedometer, 'controls'),
    classLabel: () => yesNo(controls.classLabel, 'controls'),
    brakesCutMotor: () => yesNo(controls.brakeCutoffs, 'controls'),
    twoBrakes: () => yesNo(twoBrakes(build), 'brakes of the donor'),
    lights: () => yesNo(lit(build), 'lights on the pack'),
    assistRatio: () => ({
      kind: 'curve',
      corners: assistCorners(way.machine),
      how: 'most help per rider watt, with the efficiencies of motor and chain, and the fade',
    }),
  });
}

/** The law looks at the machine itself: a trailer would make it slower than it can be. */
export const untowed = (build: BuildDocument): BuildDocument =>
  build.brief.trailer === 'none' ? build : { ...build, brief: { ...build.brief, trailer: 'none' } };

/** Every fact that a rule may ask for, for each way the rider can have it; the build as set comes first. */
export const lawFacts = (
  build: BuildDocument,
  known: KnownBuild,
  machine: Machine,
): readonly ProfileFacts[] =>
  profilesOf(untowed(build)).map(({ name, build: own }) => {
    if (own === build) return { profile: name, facts: factsOf({ build, known, machine }) };
    const way: Way = lazily<Way>({
      build: () => own,
      known: () => knownBuild(own),
      machine: () => assembleKnown(own, way.known),
    });
    return { profile: name, facts: factsOf(way) };
  });
