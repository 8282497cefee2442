import type { Answer, BrakeKind } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild, KnownSource } from '../document/known-build.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
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
import {
  FASTER,
  HEAVIER,
  MORE_HELP,
  anyPack,
  cornerOf,
  plausibleSpan,
  unknownOf,
  type Bearings,
} from './span.ts';
import { errorOf, massError, wheelError } from './measuring-error.ts';
import type { AnswerFactName, NumberFactName } from './fact-names.ts';

/** A number a clause is held against: a band where the instrument leaves conditions open. */
export interface NumberFact {
  readonly kind: 'number';
  readonly low: number;
  /** The end that counts. */
  readonly high: number;
  /** The worst source of what decides it. */
  readonly source: KnownSource;
  readonly how: string;
  /** How far it may be off by the way it was measured; 0 for what is set or printed. */
  readonly error?: number;
  /** Where unknown values decide: between what it lies at their plausible ends, and which they are. */
  readonly unsure?: Unsure | undefined;
}

interface Unsure {
  readonly low: number;
  readonly high: number;
  /** What is not known, the most telling first. */
  readonly labels: readonly string[];
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
  readonly facts: LawFacts;
}

const number = (
  low: number,
  high: number,
  source: KnownSource,
  how: string,
  more: Partial<Pick<NumberFact, 'error' | 'unsure'>> = {},
): NumberFact => ({
  kind: 'number',
  low,
  high,
  source,
  how,
  error: more.error ?? 0,
  unsure: more.unsure,
});
const point = (value: number, source: KnownSource, how: string): NumberFact =>
  number(value, value, source, how);
const yesNo = (answer: Answer, how: string): AnswerFact => ({ kind: 'answer', answer, how });

/** One quantity as it stands, with its own error, or with its plausible span where nobody has read it. */
function told(known: Known, how: string): NumberFact {
  const { value, source } = known;
  if (source !== 'unknown') return number(value, value, source, how, { error: errorOf(known) });
  const [low, high] = plausibleSpan(known);
  return number(value, value, source, how, { unsure: { low, high, labels: [known.label] } });
}

/** What a fact of the machine is worked out on, as it is entered and with unknown values at their plausible ends. */
interface Corners {
  readonly unknown: readonly Known[];
  readonly up: Way;
  readonly down: Way;
}

/** @param set what ends the speed in question: ridden and measured, it says nothing of the wheel that the controller holds */
function cornersOf({ build, known }: Way, bearings: Bearings, set?: Known): Corners {
  const unknown = unknownOf(build, known, bearings).filter(
    ({ path }) => path !== 'controller.setRolloutMm' || set?.source !== 'measured',
  );
  const at = (end: 'up' | 'down'): Way => {
    const own = cornerOf(build, unknown, bearings, end);
    return lazily<Way>({
      build: () => own,
      known: () => knownBuild(own),
      machine: () => assembleKnown(own, knownBuild(own)),
    });
  };
  return lazily<Corners>({ unknown: () => unknown, up: () => at('up'), down: () => at('down') });
}

const worst = (known: readonly Known[]): KnownSource => {
  const has = (source: KnownSource): boolean => known.some((k) => k.source === source);
  if (has('unknown')) return 'unknown';
  return has('assumed') ? 'assumed' : 'worked';
};

/** A fact of the whole machine: where unknown values move it, between what, and by which. */
function moved(fact: NumberFact, corners: Corners, of: (way: Way) => NumberFact): NumberFact {
  if (corners.unknown.length === 0) return fact;
  const [high, low] = [of(corners.up).high, of(corners.down).low];
  if (high <= fact.high && low >= fact.low) return fact;
  return {
    ...fact,
    source: 'unknown',
    unsure: {
      low: Math.min(low, fact.low),
      high: Math.max(high, fact.high),
      labels: corners.unknown.map((k) => k.label),
    },
  };
}

/** The quantity at which the controller ends the help: its own, or the throttle’s where there is no other help. */
function endOf({ build, known }: Way): Known | undefined {
  if (build.controls.assistSensor === 'none' && throttleHeld(build)) return known.controls.throttleCutoffKmh;
  return build.controller.limitsSpeed ? known.controller.assistCutoffKmh : undefined;
}

/** Whether the speed that is set is the speed on the road: the wheel that the controller reckons with is known, or it was ridden. */
const wheelKnown = ({ build: { controller } }: Way, set: Known): boolean =>
  controller.setRolloutMm.source !== 'unknown' || set.source === 'measured';

const SCALED = 'the cut-off set, by the true wheel instead of the one the controller holds';

function endPoint(way: Way): NumberFact {
  const end = endOf(way);
  const bound = msToKmh(noLoadSpeed(way.machine));
  if (end !== undefined && end.value <= bound)
    return number(
      end.value,
      end.value,
      end.source,
      end.source === 'worked' ? SCALED : 'the cut-off set in the controller',
      { error: end.source === 'worked' ? wheelError(way.known) * end.value : errorOf(end) },
    );
  return point(
    bound,
    'worked',
    'no-load speed at full charge in the tallest gear: nothing else ends the help',
  );
}

function assistEnd(way: Way, corners: Corners): NumberFact {
  const fact = endPoint(way);
  const end = endOf(way);
  // What is set, or was ridden, stands; a motor that cannot reach it might with values that nobody has read.
  const set =
    end !== undefined && end.source !== 'unknown' && wheelKnown(way, end) && fact.high === end.value;
  return set ? fact : moved(fact, corners, endPoint);
}

const NO_HAND: Partial<Record<BuildDocument['controls']['throttle'], string>> = {
  none: 'no hand control that drives the motor alone',
  pedalling: 'the throttle works only while the pedals turn',
};

/** So near to a limit that it is the limit that ends it, km/h: a root that is found to a hair decides nothing. */
const AT_LIMIT_KMH = 0.05;

/** What holds the hand: its own limit, else that of all help; undefined where nothing does. */
function handLimit({ build, known }: Way): Known | undefined {
  if (throttleHeld(build)) return known.controls.throttleCutoffKmh;
  return build.controller.limitsSpeed ? known.controller.assistCutoffKmh : undefined;
}

function throttlePoint(way: Way): NumberFact {
  const { controls } = way.build;
  const none = NO_HAND[controls.throttle];
  if (none !== undefined) return point(0, 'worked', none);
  if (controls.throttle === 'walk') return walkPoint(way);
  const limit = handLimit(way);
  const free = federalTestSpeeds(
    { ...way.machine, limits: { ...way.machine.limits, cutoff: Infinity } },
    'open',
  );
  const [low, high] = [msToKmh(free.low), msToKmh(free.high)];
  // The limit itself, where the motor would reach beyond it: a fade that ends earlier on the level proves nothing.
  if (limit !== undefined && limit.value <= high)
    return number(
      limit.value,
      limit.value,
      limit.source,
      throttleHeld(way.build) ? 'the throttle’s own speed limit' : 'the speed limit set in the controller',
      {
        error: limit.source === 'worked' ? wheelError(way.known) * limit.value : errorOf(limit),
      },
    );
  return number(low, high, 'worked', 'simulated on the level, slow and fast case');
}

function walkPoint({ known, machine }: Way): NumberFact {
  const walk = known.controls.walkCutoffKmh;
  const high = msToKmh(federalTestSpeeds(machine).high);
  const how = 'walk help ends here';
  return walk.value <= high
    ? number(walk.value, walk.value, walk.source, how, {
        error: walk.source === 'worked' ? wheelError(known) * walk.value : errorOf(walk),
      })
    : point(high, 'worked', how);
}

function alonePoint(way: Way): NumberFact {
  const { throttle } = way.build.controls;
  const none = NO_HAND[throttle];
  if (none !== undefined) return point(0, 'worked', none);
  if (throttle === 'walk') return walkPoint(way);
  const speeds = federalTestSpeeds(way.machine);
  const limit = handLimit(way)?.value;
  // Held at a limit it is as fast as the limit, not a hair less.
  const end = (v: number): number =>
    limit !== undefined && Math.abs(msToKmh(v) - limit) < AT_LIMIT_KMH ? limit : msToKmh(v);
  return number(
    end(speeds.low),
    end(speeds.high),
    'worked',
    'simulated: 77.11 kg rider, level, still air; half charge to full',
  );
}

/** What ends the hand’s speed: the walk key, or what holds the throttle. */
const handSet = (way: Way): Known | undefined =>
  way.build.controls.throttle === 'walk' ? way.known.controls.walkCutoffKmh : handLimit(way);

/** A speed by the hand alone, with what unknown values do to it; a limit that is known and reached stands. */
function byHand(way: Way, corners: Corners, of: (way: Way) => NumberFact): NumberFact {
  const fact = of(way);
  const { throttle } = way.build.controls;
  if (NO_HAND[throttle] !== undefined) return fact;
  const limit = handSet(way);
  const set =
    limit !== undefined && limit.source !== 'unknown' && wheelKnown(way, limit) && fact.high === limit.value;
  return set ? fact : restingOn(moved(fact, corners, of), way, FASTER);
}

/** A fact of the whole machine is as sure as the least sure value that it rests on. */
function restingOn(fact: NumberFact, { build, known }: Way, bearings: Bearings): NumberFact {
  if (fact.source !== 'worked') return fact;
  const paths = new Set(bearings.map(([path]) => path));
  const on = knownInUse(build, known).filter((k) => paths.has(anyPack(k.path)));
  return worst(on) === 'assumed' ? { ...fact, source: 'assumed' } : fact;
}

/**
 * The widest speed that any instrument leaves to walking beside the machine, km/h: the start-up mode of EN 15194 and the
 * laws that follow it. A key that drives it faster is a throttle.
 */
export const WALK_KMH = 6;

function drivesAlone({ build }: Way, alone: NumberFact | undefined): AnswerFact {
  switch (build.controls.throttle) {
    case 'none':
    case 'pedalling':
      return yesNo('no', 'controls');
    case 'full':
      return yesNo('yes', 'controls');
    case 'walk': {
      const { low = 0, high = Infinity } = alone?.unsure ?? alone ?? {};
      if (high <= WALK_KMH) return yesNo('no', 'the walk key ends at a walk');
      return low > WALK_KMH
        ? yesNo('yes', 'the walk key drives it faster than a walk')
        : yesNo('unknown', 'how fast the walk key drives it is not known');
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

const peakPoint = ({ machine }: Way): NumberFact =>
  point(peakWheelWatts(machine), 'worked', 'simulated: throttle open, full charge, cold winding, best gear');

const massPoint = ({ build, known, machine }: Way): NumberFact =>
  number(
    machine.machineMassKg,
    machine.machineMassKg,
    'worked',
    'donor, motor, pack, controller and fittings, without rider',
    { error: massError(known, motorCount(build)) },
  );

/** A fade that nobody has looked for is not there, and not away. */
function fades({ build, known }: Way): AnswerFact {
  if (!build.controller.limitsSpeed) return yesNo('no', 'no speed limit set');
  const { value, source } = known.controller.assistTaperKmh;
  if (source === 'unknown') return yesNo('unknown', 'whether the help fades is not known');
  return yesNo(value > 0 ? 'yes' : 'no', 'fade set in the controller');
}

/** A place asks for few of them, so each is worked out when it is asked for. */
function factsOf(way: Way): LawFacts {
  const { build } = way;
  const { controls, donor } = build;
  const sensor = controls.assistSensor;
  const hand = lazily({ alone: () => byHand(way, corners.hand, throttlePoint) });
  const corners = lazily({
    end: () => cornersOf(way, FASTER, endOf(way)),
    hand: () => cornersOf(way, FASTER, handSet(way)),
    heavy: () => cornersOf(way, HEAVIER),
    help: () => cornersOf(way, MORE_HELP),
  });
  return lazily<LawFacts>({
    ratedPowerW: () => {
      const rated = way.known.drive.ratedPowerW;
      if (rated.source === 'unknown') return undefined;
      const motors = motorCount(build);
      return motors === 1
        ? told(rated, 'as rated for the motor')
        : point(motors * rated.value, rated.source, 'the ratings of both motors together');
    },
    peakWheelW: () => restingOn(moved(peakPoint(way), corners.end, peakPoint), way, FASTER),
    assistEndKmh: () => assistEnd(way, corners.end),
    motorAloneKmh: () => byHand(way, corners.hand, alonePoint),
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
    helpFades: () => fades(way),
    throttle: () => drivesAlone(way, hand.alone),
    speedometer: () => yesNo(controls.speedometer, 'controls'),
    classLabel: () => yesNo(controls.classLabel, 'controls'),
    brakesCutMotor: () => yesNo(controls.brakeCutoffs, 'controls'),
    twoBrakes: () => yesNo(twoBrakes(build), 'brakes of the donor'),
    lights: () => yesNo(lit(build), 'lights on the pack'),
    assistRatio: () => ({
      kind: 'curve',
      corners: assistCorners(way.machine),
      ...(corners.help.unknown.length === 0
        ? {}
        : {
            unsure: {
              most: assistCorners(corners.help.up.machine),
              least: assistCorners(corners.help.down.machine),
              labels: corners.help.unknown.map((k) => k.label),
            },
          }),
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
  profilesOf(untowed(build)).map(({ name, build: own, sure = true }) => {
    if (own === build) return { profile: name, sure, facts: factsOf({ build, known, machine }) };
    const way: Way = lazily<Way>({
      build: () => own,
      known: () => knownBuild(own),
      machine: () => assembleKnown(own, way.known),
    });
    return { profile: name, sure, facts: factsOf(way) };
  });
