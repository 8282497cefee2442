import { plannedUnlessTold } from '../../document/choices.ts';
import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import type { NumberClause } from '../../law/rule-schema.ts';
import { qty } from '../../quantity/phrase.ts';
import { convert } from '../../quantity/units.ts';
import { assumed, tenthBelow, type ComplyChange } from './change.ts';

/** Upper limit of a clause on a speed, km/h, as a setting of a controller that may hold another wheel. */
function settingFor(build: BuildDocument, clause: NumberClause): number {
  const { controller, donor } = knownBuild(build);
  const set = controller.setRolloutMm;
  const wheel = set.source === 'unknown' ? 1 : donor.rolloutMm.value / set.value;
  return tenthBelow(convert(clause.limit, clause.unit, 'km/h') / wheel, clause.op === '<');
}

/** The true roll-out into the controller, where its speeds are read on a wheel that is not there: mended before anything. */
export function wheelSize(build: BuildDocument): ComplyChange | undefined {
  const { controller, donor } = knownBuild(build);
  const set = controller.setRolloutMm;
  const rollout = Math.round(donor.rolloutMm.value);
  if (set.source === 'unknown' || Math.abs(set.value - rollout) < 1) return undefined;
  const apply = (b: BuildDocument): BuildDocument => ({
    ...b,
    controller: { ...b.controller, setRolloutMm: assumed(rollout) },
  });
  return {
    id: 'wheel-size',
    what: ['Set the roll-out in the controller to ', qty(rollout, 'mm', 0)],
    effort: 'setting',
    apply,
  };
}

/** Slower than this no controller helps, and no limit asks it of the settings. */
const LEAST_CUTOFF_KMH = 3;

export function cutoff(build: BuildDocument, clause: NumberClause): ComplyChange | undefined {
  const kmh = settingFor(build, clause);
  if (kmh < LEAST_CUTOFF_KMH) return undefined;
  return {
    id: 'speed-limit',
    what: ['Speed limit to ', qty(kmh, 'km/h', 1)],
    effort: 'setting',
    apply: (b) => ({
      ...b,
      controller: { ...b.controller, limitsSpeed: true, assistCutoffKmh: assumed(kmh) },
      controls: { ...b.controls, limitHoldsThrottle: plannedUnlessTold(b.controls.limitHoldsThrottle) },
    }),
  };
}

/** Where the throttle is all that asks for help, a sensor at the pedals takes its place: without one nothing would drive it. */
export const throttleOff = ({ controls }: BuildDocument): ComplyChange =>
  controls.assistSensor === 'none'
    ? {
        id: 'throttle-off+pedal-sensor',
        what: ['Fit a sensor at the pedals that stops the motor with them, in place of the throttle'],
        effort: 'part',
        apply: (b) => ({
          ...b,
          controls: { ...b.controls, throttle: 'none', assistSensor: 'cadence', pedalHelpStops: 'planned' },
        }),
      }
    : {
        id: 'throttle-off',
        what: ['Take the throttle off'],
        effort: 'setting',
        apply: (b) => ({ ...b, controls: { ...b.controls, throttle: 'none' } }),
      };

/** The throttle's own limit, to the clause's: the pedals go on helping beyond it. */
export function throttleLimit(build: BuildDocument, clause: NumberClause): ComplyChange | undefined {
  const kmh = settingFor(build, clause);
  if (kmh < LEAST_CUTOFF_KMH || build.controls.assistSensor === 'none') return undefined;
  return {
    id: 'throttle-limit',
    what: ['The throttle’s own limit to ', qty(kmh, 'km/h', 1)],
    effort: 'setting',
    apply: (b) => ({
      ...b,
      controls: { ...b.controls, throttleLimited: true, throttleCutoffKmh: assumed(kmh) },
    }),
  };
}

/** A hand control that only helps to push, to the clause's limit. */
export function walkHelp(build: BuildDocument, clause: NumberClause): ComplyChange | undefined {
  const kmh = settingFor(build, clause);
  // Walk help alone rides nowhere.
  if (kmh <= 0 || build.controls.assistSensor === 'none') return undefined;
  return {
    id: 'walk-help',
    what: ['Hand control as walk help to ', qty(kmh, 'km/h', 1)],
    effort: 'setting',
    apply: (b) => ({ ...b, controls: { ...b.controls, throttle: 'walk', walkCutoffKmh: assumed(kmh) } }),
  };
}

/** Faster than this by hand control alone is not pushing any more. */
export const WALKING_KMH = 8;
const LEAST_RING = 24;

/** A smaller chainring under a mid-drive, the first that is slow enough. */
export function smallerRing(
  build: BuildDocument,
  meets: (build: BuildDocument) => boolean,
): ComplyChange | undefined {
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
