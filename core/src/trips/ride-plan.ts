import { windShare } from '../machine/wind.ts';
import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import { assembleKnown } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { kmhToMs } from '../quantity/units.ts';
import { EVERYDAY, courseOf, type Course, type Pace, type Wind } from '../ride/course.ts';
import type { Legs } from '../ride/ways.ts';
import { rideCourse } from '../ride/route-ride.ts';
import type { Ride, RideOptions } from '../ride/ride.ts';
import type { Route } from '../route/route.ts';

/** How a route is ridden: at the speed wished for, or with all help that there is. */
export type Effort = 'cruise' | 'full';

/** Faster than anything here goes, m/s. */
const ALL_OUT = 40;

function paceOf({ brief }: KnownBuild, effort: Effort): Pace {
  const cruise = kmhToMs(brief.cruiseSpeedKmh.value);
  return {
    cruise: effort === 'full' ? ALL_OUT : cruise,
    descent: Math.max(cruise, kmhToMs(brief.descentKmh.value)),
    ...EVERYDAY,
  };
}

/** The brief's wind. */
const windOf = (build: BuildDocument, { brief }: KnownBuild, otherwise: Wind['otherwise']): Wind => ({
  otherwise,
  speed: brief.headwindMs.value * windShare(build),
  fromDeg: build.brief.windFromDeg.source === 'unknown' ? undefined : brief.windFromDeg.value,
});

/** Even ground that leads nowhere in particular stands for the steady figures, whose wind is ahead. */
export const isEven = ({ profile }: Route): boolean =>
  profile.length === 2 && profile[0]?.bearingDeg === null;

/** A build made ready to ride one route, again and again with other options. */
export interface RidePlan {
  readonly known: KnownBuild;
  readonly machine: Machine;
  readonly course: Course;
  readonly pace: Pace;
  /** The charge that the habit of charging begins a ride with, 0 to 1. */
  readonly charged: number;
  readonly reserve: number;
  readonly ride: (options?: Partial<RideOptions>) => Ride;
}

/**
 * Makes a build ready to ride a route. Legs help, at the speed wished for harder uphill; the gear is the held one, or the
 * rider's choice.
 * @param otherwise what the wind is where nobody knows from where it comes: on a road, from all sides; on even ground, and where all
 *   the help is asked for, ahead as in the steady figures
 */
export function ridePlan(
  build: BuildDocument,
  route: Route,
  effort: Effort,
  legs: Legs = 'helping',
  otherwise: Wind['otherwise'] = effort === 'full' || isEven(route) ? 'ahead' : 'all-sides',
): RidePlan {
  const known = knownBuild(build);
  const machine = assembleKnown(build, known);
  const pace = paceOf(known, effort);
  const course = courseOf(route, windOf(build, known, otherwise), pace);
  const charged = known.packs[0].chargeLimitPct.value / 100;
  return {
    known,
    machine,
    course,
    pace,
    charged,
    reserve: known.brief.reservePct.value / 100,
    ride: (options = {}) =>
      rideCourse(machine, course, {
        pace,
        legs,
        // What a motor bears with all its help is asked with the legs as they were stated.
        byGrade: effort === 'cruise',
        gear: machine.heldGear ?? 'best',
        charge: charged,
        ...options,
      }),
  };
}

/** Rows of a trace over a course, enough for a chart. */
const ROWS = 900;
/** Distance between rows of a trace of a course, m. */
export const traceSpacing = ({ metres }: Course): number => Math.max(1, metres / ROWS);
