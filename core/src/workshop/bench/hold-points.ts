import type { Job } from '../job.ts';
import type { Row } from '../parts-list/purchase-list.ts';
import type { HoldPoint } from './hold-point.ts';
import { before } from './points/before.ts';
import { cameOfPacks, cameToFit, cameToWire } from './points/came.ts';
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
const POINTS: readonly ((job: Job, rows: readonly Row[]) => readonly HoldPoint[])[] = [
  fitStops,
  before,
  removal,
  inspection,
  cameToFit,
  fitting,
  cameOfPacks,
  pack,
  cameToWire,
  cold,
  liveStops,
  power,
  sensors,
  stand,
  cutoffs,
  ride,
  later,
];

/**
 * Every hold point of a build, with what is expected of it.
 * @param rows the parts list with what was said of it: what comes is looked at before it is fitted
 */
export const holdPoints = (job: Job, rows: readonly Row[]): readonly HoldPoint[] =>
  POINTS.flatMap((points) => points(job, rows));
