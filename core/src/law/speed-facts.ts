import type { BuildDocument } from '../document/document.ts';
import type { Known } from '../document/known-build.ts';
import { handLimit, helpLimit, throttleHeld } from '../document/throttle.ts';
import { msToKmh } from '../quantity/units.ts';
import { moved, number, point, restingOn, yesNo, type AnswerFact, type NumberFact } from './fact.ts';
import type { Corners, Way } from '../ride/corners.ts';
import { inFairWeather } from './fair-weather.ts';
import { errorOf, wheelError } from './measuring-error.ts';
import { federalTestSpeeds, hotNoLoadSpeed, noLoadSpeed } from './motor-alone.ts';
import { FASTER } from '../machine/span.ts';

/** The quantity at which all help ends: the controller’s, or the throttle’s where it is the higher or the only one. */
export const endOf = ({ build, known }: Way): Known | undefined => helpLimit(build, known);

/** Whether the speed that is set is the speed on the road: the wheel that the controller reckons with is known, or it was ridden. */
const wheelKnown = ({ build: { controller } }: Way, set: Known): boolean =>
  controller.setRolloutMm.source !== 'unknown' || set.source === 'measured';

const SCALED = 'the cut-off set, by the true wheel instead of the one the controller holds';

function endPoint(way: Way): NumberFact {
  const end = endOf(way);
  const least = msToKmh(noLoadSpeed(way.machine));
  // What is reached in the cold is reached.
  const bound =
    end !== undefined && end.value <= least ? least : msToKmh(hotNoLoadSpeed(inFairWeather(way).machine));
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
    'no-load speed at full charge in the tallest gear, its magnets hot: nothing else ends the help',
  );
}

export function assistEnd(way: Way, corners: Corners): NumberFact {
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

/** Speeds on a fair day, km/h; as the day of the brief has them where a limit is reached even so. */
function reaching(
  way: Way,
  speeds: (way: Way) => { readonly low: number; readonly high: number },
  limit: Known | undefined,
): { readonly low: number; readonly high: number } {
  const inKmh = (on: Way): { readonly low: number; readonly high: number } => {
    const { low, high } = speeds(on);
    return { low: msToKmh(low), high: msToKmh(high) };
  };
  const here = inKmh(way);
  return limit !== undefined && limit.value <= here.high ? here : inKmh(inFairWeather(way));
}

export function throttlePoint(way: Way): NumberFact {
  const { controls } = way.build;
  const none = NO_HAND[controls.throttle];
  if (none !== undefined) return point(0, 'worked', none);
  if (controls.throttle === 'walk') return walkPoint(way);
  const limit = handLimit(way.build, way.known);
  const freely = ({ machine }: Way): { readonly low: number; readonly high: number } =>
    federalTestSpeeds({ ...machine, limits: { ...machine.limits, cutoff: Infinity } }, 'open');
  const { low, high } = reaching(way, freely, limit);
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

function walkPoint(way: Way): NumberFact {
  const { known } = way;
  const walk = known.controls.walkCutoffKmh;
  const { high } = reaching(way, ({ machine }) => federalTestSpeeds(machine), walk);
  const how = 'walk help ends here';
  return walk.value <= high
    ? number(walk.value, walk.value, walk.source, how, {
        error: walk.source === 'worked' ? wheelError(known) * walk.value : errorOf(walk),
      })
    : point(high, 'worked', how);
}

export function alonePoint(way: Way): NumberFact {
  const { throttle } = way.build.controls;
  const none = NO_HAND[throttle];
  if (none !== undefined) return point(0, 'worked', none);
  if (throttle === 'walk') return walkPoint(way);
  const speeds = federalTestSpeeds(inFairWeather(way).machine);
  const limit = handLimit(way.build, way.known)?.value;
  // Held at a limit it is as fast as the limit, not a hair less.
  const end = (v: number): number =>
    limit !== undefined && Math.abs(msToKmh(v) - limit) < AT_LIMIT_KMH ? limit : msToKmh(v);
  return number(
    end(speeds.low),
    end(speeds.high),
    'worked',
    'simulated: 77.11 kg rider, level, still air of 15 °C or more; half charge to full',
  );
}

/** What ends the hand’s speed: the walk key, or what holds the throttle. */
export const handSet = (way: Way): Known | undefined =>
  way.build.controls.throttle === 'walk' ? way.known.controls.walkCutoffKmh : handLimit(way.build, way.known);

/** A speed by the hand alone, with what unknown values do to it; a limit that is known and reached stands. */
export function byHand(way: Way, corners: Corners, of: (way: Way) => NumberFact): NumberFact {
  const fact = of(way);
  const { throttle } = way.build.controls;
  if (NO_HAND[throttle] !== undefined) return fact;
  const limit = handSet(way);
  const set =
    limit !== undefined && limit.source !== 'unknown' && wheelKnown(way, limit) && fact.high === limit.value;
  return set ? fact : restingOn(moved(fact, corners, of), way, FASTER);
}

/**
 * The widest speed that any instrument leaves to walking beside the machine, km/h: the start-up mode of EN 15194 and the
 * laws that follow it. A key that drives it faster is a throttle.
 */
export const WALK_KMH = 6;

export function drivesAlone({ build }: Way, alone: NumberFact | undefined): AnswerFact {
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
