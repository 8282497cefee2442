import type { Job } from '../job.ts';
import type { HoldPoint } from './hold-point.ts';
import { before } from './points/before.ts';
import { cold } from './points/cold.ts';
import { cutoffs } from './points/cutoffs.ts';
import { fitting } from './points/fitting.ts';
import { inspection } from './points/inspection.ts';
import { later } from './points/later.ts';
import { pack } from './points/pack.ts';
import { fitStops, liveStops } from './points/plan-stops.ts';
import { power } from './points/power.ts';
import { removal } from './points/removal.ts';
import { ride } from './points/ride.ts';
import { sensors } from './points/sensors.ts';
import { stand } from './points/stand.ts';

/** Groups of points in the order of the job. */
const POINTS: readonly ((job: Job) => readonly HoldPoint[])[] = [
  fitStops,
  before,
  removal,
  inspection,
  fitting,
  pack,
  cold,
  liveStops,
  power,
  sensors,
  stand,
  cutoffs,
  ride,
  later,
];

/** Every hold point of a build, with what is expected of it. */
export const holdPoints = (job: Job): readonly HoldPoint[] => POINTS.flatMap((points) => points(job));
