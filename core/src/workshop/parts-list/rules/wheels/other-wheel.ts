import { isAmiss, isHub } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** The other wheel in the motor's size. */
export const otherWheel: Rule = {
  id: 'other-wheel',
  group: 'wheels',
  origin: 'fit check: ride height with the motor’s rim',
  lines: (job) =>
    isHub(job) && isAmiss(job, 'ride-height') && !job.build.donor.bothRims
      ? [
          {
            what: [
              `Other wheel, bead seat ${String(Math.round(job.known.donor.beadMm.value))} mm, with tyre`,
            ],
            why: ['mixed sizes tilt the steering'],
          },
        ]
      : [],
};
