import type { Job } from '../../job.ts';
import { isHub } from '../../job.ts';
import { holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** After the first 50 km. */
export const later = (job: Job): readonly HoldPoint[] => [
  holdPoint(
    'later',
    'again',
    isHub(job) ? 'Spokes and axle nuts after 50 km' : 'Lock ring, cranks and ring after 50 km',
    'Everything settles once: tighten, and look for what has moved.',
    isHub(job)
      ? ticks('Spokes', 'Axle nuts', 'Torque arms')
      : ticks('Lock ring or mount', 'Crank bolts', 'Chainring bolts'),
    { guards: true, instrument: 'torque wrench', why: ['spokes again at 300 km'] },
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
