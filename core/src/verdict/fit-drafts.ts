import type { BuildDocument } from '../build/document.ts';
import { knownBuild } from '../build/known.ts';
import type { Sourced } from '../build/quantity-spec.ts';
import type { ClauseVerdict } from '../law/judge-clause.ts';
import { peakWheelWatts } from '../law/motor-alone.ts';
import { LIFTED, profilesOf } from '../law/profile.ts';
import type { CurveClause, NumberClause } from '../law/rule-schema.ts';
import { assemble, assembleKnown } from '../machine/machine.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { convert } from '../quantity/units.ts';

/** A change that may bring a clause in, to be tried on any build. */
export interface FitDraft {
  readonly id: string;
  readonly what: Phrase;
  /** A setting of the controller, something to buy or fit, or a paper. */
  readonly effort: 'setting' | 'part' | 'paper';
  readonly apply: (build: BuildDocument) => BuildDocument;
}

const assumed = (value: number): Sourced => ({ source: 'assumed', value });

/** The highest tenth that an upper limit lets through; a strict limit is not met at equality. */
function tenthBelow(limit: number, strict: boolean): number {
  const tenth = Math.floor(limit * 10 + 1e-9) / 10;
  return strict && tenth >= limit ? Math.round(tenth * 10 - 1) / 10 : tenth;
}

/** Upper limit of a clause on a speed, km/h, as a setting of a controller that may hold another wheel. */
function settingFor(build: BuildDocument, clause: NumberClause): number {
  const { controller, donor } = knownBuild(build);
  const set = controller.setRolloutMm;
  const wheel = set.source === 'unknown' ? 1 : donor.rolloutMm.value / set.value;
  return tenthBelow(convert(clause.limit, clause.unit, 'km/h') / wheel, clause.op === '<');
}

/** The true roll-out into the controller, where its speeds are read on a wheel that is not there and that is all. */
function wheelSize(build: BuildDocument, meets: (build: BuildDocument) => boolean): FitDraft | undefined {
  const { controller, donor } = knownBuild(build);
  const set = controller.setRolloutMm;
  const rollout = Math.round(donor.rolloutMm.value);
  if (set.source === 'unknown' || Math.abs(set.value - rollout) < 1) return undefined;
  const apply = (b: BuildDocument): BuildDocument => ({
    ...b,
    controller: { ...b.controller, setRolloutMm: assumed(rollout) },
  });
  if (!meets(apply(build))) return undefined;
  return {
    id: 'wheel-size',
    what: ['Set the roll-out in the controller to ', qty(rollout, 'mm', 0)],
    effort: 'setting',
    apply,
  };
}

/** Slower than this no controller helps, and no limit asks it of the settings. */
const LEAST_CUTOFF_KMH = 3;

function cutoff(build: BuildDocument, clause: NumberClause): FitDraft | undefined {
  const kmh = settingFor(build, clause);
  if (kmh < LEAST_CUTOFF_KMH) return undefined;
  return {
    id: 'speed-limit',
    what: ['Speed limit to ', qty(kmh, 'km/h', 1)],
    effort: 'setting',
    apply: (b) => ({
      ...b,
      controller: { ...b.controller, limitsSpeed: true, assistCutoffKmh: assumed(kmh) },
    }),
  };
}

const throttleOff: FitDraft = {
  id: 'throttle-off',
  what: ['Take the throttle off'],
  effort: 'setting',
  apply: (b) => ({ ...b, controls: { ...b.controls, throttle: 'none' } }),
};

/** A hand control that only helps to push, to the clause's limit. */
function walkHelp(build: BuildDocument, clause: NumberClause): FitDraft | undefined {
  const kmh = settingFor(build, clause);
  if (kmh <= 0) return undefined;
  return {
    id: 'walk-help',
    what: ['Hand control as walk help to ', qty(kmh, 'km/h', 1)],
    effort: 'setting',
    apply: (b) => ({ ...b, controls: { ...b.controls, throttle: 'walk', walkCutoffKmh: assumed(kmh) } }),
  };
}

/** Faster than this by hand control alone is not pushing any more. */
const WALKING_KMH = 8;
const LEAST_RING = 24;

/** A smaller chainring under a mid-drive, the first that is slow enough. */
function smallerRing(build: BuildDocument, meets: (build: BuildDocument) => boolean): FitDraft | undefined {
  if (build.drive.kind !== 'mid-drive') return undefined;
  const now = knownBuild(build).gearing.ringTeeth.value;
  for (let teeth = now - 2; teeth >= LEAST_RING; teeth -= 2) {
    const tried = { ...build, gearing: { ...build.gearing, ringTeeth: assumed(teeth) } };
    if (meets(tried))
      return {
        id: 'ring',
        what: ['Chainring of ', qty(teeth, 'T', 0)],
        effort: 'part',
        apply: (b) => ({ ...b, gearing: { ...b.gearing, ringTeeth: assumed(teeth) } }),
      };
  }
  return undefined;
}

/** Battery amps turned down until the peak at the wheel is within the limit. */
function lessCurrent(build: BuildDocument, clause: NumberClause): FitDraft | undefined {
  const limit = convert(clause.limit, clause.unit, 'W');
  const turned = (amps: number): BuildDocument => ({
    ...build,
    controller: { ...build.controller, batteryCurrentA: assumed(amps) },
  });
  const meets = (amps: number): boolean => {
    const peak = peakWheelWatts(assemble(turned(amps)));
    return clause.op === '<' ? peak < limit : peak <= limit;
  };
  const now = knownBuild(build).controller.batteryCurrentA.value;
  // In half amps, as such settings go.
  let [low, high] = [0, Math.ceil(now * 2)];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (meets(middle / 2)) low = middle;
    else high = middle;
  }
  if (low < 2) return undefined;
  const amps = low / 2;
  return {
    id: 'current',
    what: ['Battery current limit to ', qty(amps, 'A', 1)],
    effort: 'setting',
    apply: (b) => ({ ...b, controller: { ...b.controller, batteryCurrentA: assumed(amps) } }),
  };
}

/** Help in proportion to the rider, under the corners of a curve that is level and then falls to nothing. */
function proportional(build: BuildDocument, clause: CurveClause): FitDraft | undefined {
  const [first] = clause.corners;
  const level = clause.corners.findLast((c) => c.ratio === first?.ratio);
  const end = clause.corners.at(-1);
  if (first === undefined || level === undefined || end === undefined) return undefined;
  const machine = assembleKnown(build, knownBuild(build));
  const ratio = tenthBelow((first.ratio * machine.chainEfficiency) / machine.efficiency, false);
  const kmh = tenthBelow(end.kmh, true);
  const fade = Math.round((end.kmh - level.kmh) * 10) / 10;
  const torque = build.controls.assistSensor === 'torque';
  return {
    id: 'proportional',
    what: [
      torque ? 'Help of at most ' : 'Torque sensor, help of at most ',
      `${ratio.toFixed(1)} times the rider’s, fading over the last `,
      qty(fade, 'km/h', 1),
      ' to ',
      qty(kmh, 'km/h', 1),
    ],
    effort: torque ? 'setting' : 'part',
    apply: (b) => ({
      ...b,
      controls: {
        ...b.controls,
        assistSensor: 'torque',
        throttle: b.controls.throttle === 'full' ? 'none' : b.controls.throttle,
        assistRatio: assumed(ratio),
      },
      controller: {
        ...b.controller,
        limitsSpeed: true,
        assistCutoffKmh: assumed(kmh),
        assistTaperKmh: assumed(fade),
      },
    }),
  };
}

const USUAL_FADE_KMH = 1.5;

const fades: FitDraft = {
  id: 'fade',
  what: ['Let the help fade over the last ', qty(USUAL_FADE_KMH, 'km/h', 1)],
  effort: 'setting',
  apply: (b) => ({ ...b, controller: { ...b.controller, assistTaperKmh: assumed(USUAL_FADE_KMH) } }),
};

const stops = (build: BuildDocument): FitDraft =>
  build.controls.assistSensor === 'none'
    ? {
        id: 'pedal-sensor',
        what: ['Fit a sensor at the pedals that stops the motor with them'],
        effort: 'part',
        apply: (b) => ({
          ...b,
          controls: { ...b.controls, assistSensor: 'cadence', motorStopsWithPedals: 'yes' },
        }),
      }
    : {
        id: 'pedal-stop',
        what: ['Set the motor to stop with the pedals'],
        effort: 'setting',
        apply: (b) => ({ ...b, controls: { ...b.controls, motorStopsWithPedals: 'yes' } }),
      };

const fitted = (
  key: 'speedometer' | 'classLabel' | 'brakeCutoffs',
  what: string,
  effort: FitDraft['effort'],
): FitDraft => ({
  id: key,
  what: [what],
  effort,
  apply: (b) => ({ ...b, controls: { ...b.controls, [key]: 'yes' } }),
});

/** What takes a way of riding away that breaks the clause. */
function withoutProfile(build: BuildDocument, name: string): FitDraft {
  if (name === LIFTED)
    return {
      id: 'lock',
      what: ['Take the wire, jumper or menu that lifts the limit out of the rider’s reach'],
      effort: 'setting',
      apply: (b) => ({ ...b, controller: { ...b.controller, lifted: 'no' } }),
    };
  // Its place among the profiles, as more than one may bear a name.
  const index = profilesOf(build).findIndex((p) => p.name === name) - 1;
  const profile = build.controller.profiles.filter((p) => p.reach === 'rider')[index];
  return {
    id: `profile-${name}`,
    what: [`Take out the profile “${name}”`],
    effort: 'setting',
    apply: (b) => ({
      ...b,
      controller: { ...b.controller, profiles: b.controller.profiles.filter((p) => p !== profile) },
    }),
  };
}

function forNumber(
  build: BuildDocument,
  clause: NumberClause,
  meets: (build: BuildDocument) => boolean,
): readonly (FitDraft | undefined)[] {
  switch (clause.fact) {
    case 'assistEndKmh':
      return [wheelSize(build, meets), cutoff(build, clause), smallerRing(build, meets)];
    case 'throttleAloneKmh':
    case 'motorAloneKmh': {
      const walking = convert(clause.limit, clause.unit, 'km/h') <= WALKING_KMH;
      return walking
        ? [wheelSize(build, meets), walkHelp(build, clause), throttleOff]
        : [cutoff(build, clause), throttleOff, smallerRing(build, meets)];
    }
    case 'peakWheelW':
      return [lessCurrent(build, clause)];
    case 'ratedPowerW':
    case 'wheelCount':
    case 'massKg':
    case 'nominalV':
    case 'widthMm':
    case 'wheelbaseMm':
    case 'wheelDiameterMm':
    case 'tyreWidthMm':
      return [];
  }
}

/**
 * Changes that bring one clause in, the smallest first; empty where no setting and nothing simple to fit does.
 * @param meets whether the clause is met by a build
 */
export function draftsFor(
  build: BuildDocument,
  verdict: ClauseVerdict,
  meets: (build: BuildDocument) => boolean,
): readonly FitDraft[] {
  const { clause, profile } = verdict;
  if (profile !== '') return [withoutProfile(build, profile)];
  const drafts = (): readonly (FitDraft | undefined)[] => {
    switch (clause.kind) {
      case 'number':
        return forNumber(build, clause, meets);
      case 'curve':
        return [proportional(build, clause)];
      case 'one-of':
      case 'open':
        return [];
      case 'answer':
        switch (clause.fact) {
          case 'throttle':
            return [throttleOff];
          case 'helpFades':
            return [fades];
          case 'motorStopsWithPedals':
          case 'pedalHelpStops':
            return [stops(build)];
          case 'speedometer':
            return [fitted('speedometer', 'Fit a speedometer', 'part')];
          case 'classLabel':
            return [fitted('classLabel', 'Fit the label: the class sheet prints it', 'paper')];
          case 'brakesCutMotor':
            return [fitted('brakeCutoffs', 'Fit brake levers that cut the motor', 'part')];
          case 'operablePedals':
          case 'twoBrakes':
          case 'lights':
            return [];
        }
    }
  };
  return drafts().filter((d) => d !== undefined);
}
