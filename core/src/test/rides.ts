import type { Machine } from '../machine/machine.ts';
import { EVERYDAY, courseOf, type Pace, type Wind } from '../ride/course.ts';
import type { Ride, RideOptions } from '../ride/ride.ts';
import { rideCourse } from '../ride/route-ride.ts';
import type { Route } from '../route/route.ts';

/** No wind. */
const STILL: Wind = { speed: 0, fromDeg: undefined, otherwise: 'ahead' };
/** Everyday riding at a cruising speed, and let run downhill to another, km/h. */
export const pace = (kmh: number, descentKmh = 40): Pace => ({
  cruise: kmh / 3.6,
  descent: descentKmh / 3.6,
  ...EVERYDAY,
});
/** Everything there is. */
export const ALL_OUT = pace(140, 300);
/** Rides a route from a full pack, in the held gear or the best. */
export const ride = (
  machine: Machine,
  route: Route,
  options: Partial<RideOptions> & { pace: Pace },
  wind = STILL,
): Ride =>
  rideCourse(machine, courseOf(route, wind, options.pace), {
    legs: 'helping',
    gear: machine.heldGear ?? 'best',
    charge: 1,
    ...options,
  });
