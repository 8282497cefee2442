import { heldBy, type Job } from '../../job.ts';
import { RETIGHTENED, retightened } from '../retightened.ts';
import { holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** After the first 50 km. */
export const later = (job: Job): readonly HoldPoint[] => [
  holdPoint(
    'later',
    'again',
    RETIGHTENED[heldBy(job)].later,
    'Everything settles once: tighten, and look for what has moved.',
    ticks(...retightened(job)),
    {
      guards: true,
      instrument: 'torque wrench',
      why: heldBy(job) === 'hub' ? ['spokes again at 300 km'] : [],
    },
  ),
  holdPoint(
    'later',
    'plugs',
    'Plugs and leads after a hill',
    'A hand on each plug after the longest hill: warm is fine, hot is not; no brown housing.',
    ticks('No plug hot', 'No lead soft', 'No chafe'),
    { caution: 'Touch the housing with the back of the hand.' },
  ),
];
