import type { Known } from '../document/known-build.ts';
import type { Answer, PlannedAnswer } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import { independentBrakes } from '../document/brakes-left.ts';
import { asksWhatFollows } from '../document/help-follows.ts';
import { motorCount } from '../document/motors.ts';
import type { Machine } from '../machine/machine.ts';
import { firstOf } from '../quantity/first-of.ts';
import { lazily } from '../quantity/lazily.ts';
import { assistCorners, type RatioCorner } from './assist-curve.ts';
import {
  ASSUMED,
  moved,
  number,
  plannedYes,
  point,
  restingOn,
  told,
  worst,
  yesNo,
  type AnswerFact,
  type NumberFact,
} from './fact.ts';
import { cornersOf, wayOf, type Corners, type Way } from '../ride/corners.ts';
import type { AnswerFactName, NumberFactName } from './fact-names.ts';
import { inFairWeather } from './fair-weather.ts';
import { massError } from './measuring-error.ts';
import { peakWheelWatts } from './motor-alone.ts';
import { profilesOf } from './profile.ts';
import { FASTER, FASTER_AS_RIDDEN, HEAVIER, MORE_HELP, MORE_HELP_BY_TORQUE } from '../machine/span.ts';
import { alonePoint, assistEnd, byHand, drivesAlone, endOf, handSet, throttlePoint } from './speed-facts.ts';

/** Help per rider force against speed; no corners where the help does not follow the rider. */
export interface CurveFact {
  readonly kind: 'curve';
  readonly corners: readonly RatioCorner[] | undefined;
  readonly how: string;
  /** The same at the plausible ends of what is not known. */
  readonly unsure?: {
    readonly most: readonly RatioCorner[] | undefined;
    readonly least: readonly RatioCorner[] | undefined;
    readonly labels: readonly string[];
  };
}

/** Every fact that a rule may ask for, of one profile; a number that is not known is undefined. */
export type LawFacts = { readonly [N in NumberFactName]: NumberFact | undefined } & {
  readonly [N in AnswerFactName]: AnswerFact;
} & { readonly assistRatio: CurveFact };

/** The facts of one way the rider can have it. */
export interface ProfileFacts {
  readonly profile: string;
  /** False where nobody has looked whether the rider can have it so. */
  readonly sure?: boolean;
  /** It is planned that the rider cannot; nobody has looked. */
  readonly planned?: boolean;
  readonly facts: LawFacts;
}

const lit = ({ supply }: BuildDocument): Answer =>
  supply.accessories.some((a) => a.light) ? 'yes' : 'unknown';

const peakPoint = (way: Way): NumberFact =>
  point(
    peakWheelWatts(inFairWeather(way).machine),
    'worked',
    'simulated: throttle open, full charge, cold winding, best gear',
  );

const massPoint = ({ build, known, machine }: Way): NumberFact =>
  number(
    machine.machineMassKg,
    machine.machineMassKg,
    'worked',
    'donor, motor, pack, controller and fittings, without rider',
    { error: massError(build, known) },
  );

/** A fade that nobody has looked for is not there, and not away. */
function fades({ build, known }: Way): AnswerFact {
  if (!build.controller.limitsSpeed) return yesNo('no', 'no speed limit set');
  const { value, source } = known.controller.assistTaperKmh;
  if (source === 'unknown') return yesNo('unknown', 'whether the help fades is not known');
  const set = yesNo(value > 0 ? 'yes' : 'no', 'fade set in the controller');
  return source === 'assumed' ? { ...set, rests: ASSUMED } : set;
}

/** A place asks for few of them, so each is worked out when it is asked for. */
function factsOf(way: Way): LawFacts {
  const { build } = way;
  const { controls, donor } = build;
  const sensor = controls.assistSensor;
  const hand = lazily({ alone: () => byHand(way, faster(handSet(way)), throttlePoint) });
  const corners = lazily({
    set: () => cornersOf(way, FASTER),
    ridden: () => cornersOf(way, FASTER_AS_RIDDEN),
    heavy: () => cornersOf(way, HEAVIER),
    help: () => cornersOf(way, mayFollowTorque(build) ? MORE_HELP_BY_TORQUE : MORE_HELP),
  });
  /** @param end what ends the speed in question */
  const faster = (end: Known | undefined): Corners =>
    end?.source === 'measured' ? corners.ridden : corners.set;
  return lazily<LawFacts>({
    ratedPowerW: () => {
      const rated = way.known.drive.ratedPowerW;
      if (rated.source === 'unknown') return undefined;
      const motors = motorCount(build);
      return motors === 1
        ? told(rated, 'as rated for the motor')
        : point(motors * rated.value, rated.source, 'the ratings of both motors together');
    },
    peakWheelW: () => restingOn(moved(peakPoint(way), faster(endOf(way)), peakPoint), way, FASTER),
    assistEndKmh: () => assistEnd(way, faster(endOf(way))),
    motorAloneKmh: () => byHand(way, faster(handSet(way)), alonePoint),
    throttleAloneKmh: () => hand.alone,
    wheelCount: () => point(donor.wheelCount, 'measured', 'wheels of the donor'),
    massKg: () => restingOn(moved(massPoint(way), corners.heavy, massPoint), way, HEAVIER),
    nominalV: () => told(way.known.packs[0].nominalV, 'by the label of the pack'),
    widthMm: () => told(way.known.donor.widthMm, 'over the handlebar, or the widest part'),
    wheelbaseMm: () => told(way.known.donor.wheelbaseMm, 'between the axles'),
    wheelDiameterMm: () => {
      const { beadMm, tyreMm } = way.known.donor;
      const [bead, tyre] = [told(beadMm, ''), told(tyreMm, '')];
      const sum = beadMm.value + 2 * tyreMm.value;
      const unsure = [bead, tyre].flatMap((one) => one.unsure ?? []);
      return number(sum, sum, worst([beadMm, tyreMm]), 'bead seat and tyre', {
        error: (bead.error ?? 0) + 2 * (tyre.error ?? 0),
        unsure:
          unsure.length === 0
            ? undefined
            : {
                low: (bead.unsure ?? bead).low + 2 * (tyre.unsure ?? tyre).low,
                high: (bead.unsure ?? bead).high + 2 * (tyre.unsure ?? tyre).high,
                labels: unsure.flatMap((one) => one.labels),
              },
      });
    },
    tyreWidthMm: () => told(way.known.donor.tyreMm, 'tyre of the donor'),
    operablePedals: () => yesNo(donor.operablePedals, 'donor'),
    motorStopsWithPedals: () =>
      plannedYes(
        ...firstOf<[PlannedAnswer, string]>(
          [
            [controls.throttle === 'full', ['no', 'the throttle drives it with the pedals still']],
            [sensor === 'none', ['no', 'no sensor at the pedals']],
          ],
          [controls.pedalHelpStops, 'controls'],
        ),
      ),
    pedalHelpStops: () =>
      plannedYes(
        sensor === 'none' ? 'yes' : controls.pedalHelpStops,
        sensor === 'none' ? 'there is no pedal help' : 'controls',
      ),
    helpFades: () => fades(way),
    throttle: () => drivesAlone(way, hand.alone),
    speedometer: () => plannedYes(controls.speedometer, 'controls'),
    classLabel: () => yesNo(controls.classLabel, 'controls'),
    brakesCutMotor: () => plannedYes(controls.brakeCutoffs, 'controls'),
    twoBrakes: () => yesNo(independentBrakes(build, way.known), 'brakes of the donor'),
    lights: () => yesNo(lit(build), 'lights on the pack'),
    assistRatio: () => helpCurve(way, corners.help),
  });
}

/** Help that follows the torque at the cranks, or of which nobody has said. */
const mayFollowTorque = (build: BuildDocument): boolean =>
  asksWhatFollows(build) && build.controls.helpFollows !== 'power';

const FOLLOWS = 'what the help follows, power or torque';

/** Help per rider force; where nobody has said what it follows, between what it is by power and by torque. */
function helpCurve(way: Way, { unknown, ups, downs }: Corners): CurveFact {
  const { build, machine } = way;
  const open = asksWhatFollows(build) && build.controls.helpFollows === 'unknown';
  const ends = [ups[0].machine, downs[0].machine].flatMap((at): readonly Machine[] =>
    open ? [at, { ...at, assistOf: 'torque' }] : [at],
  );
  const curves = ends.map(assistCorners).toSorted((a, b) => (b?.[0]?.ratio ?? 0) - (a?.[0]?.ratio ?? 0));
  const labels = [...(open ? [FOLLOWS] : []), ...unknown.map((k) => k.label)];
  return {
    kind: 'curve',
    corners: assistCorners(machine),
    ...(labels.length === 0 ? {} : { unsure: { most: curves[0], least: curves.at(-1), labels } }),
    how:
      machine.assistOf === 'torque'
        ? 'most help per rider watt in the tallest gear, with the efficiencies of motor and chain, and the fade'
        : 'most help per rider watt, with the efficiencies of motor and chain, and the fade',
  };
}

/** The law looks at the machine itself: a trailer would make it slower than it can be. */
export const untowed = (build: BuildDocument): BuildDocument =>
  build.brief.trailer === 'none' ? build : { ...build, brief: { ...build.brief, trailer: 'none' } };

/** Every fact that a rule may ask for, for each way the rider can have it; the build as set comes first. */
export const lawFacts = (set: Way): readonly ProfileFacts[] =>
  profilesOf(untowed(set.build)).map(({ name, build, sure = true, planned = false }) => ({
    profile: name,
    sure,
    planned,
    facts: factsOf(build === set.build ? set : wayOf(build)),
  }));
