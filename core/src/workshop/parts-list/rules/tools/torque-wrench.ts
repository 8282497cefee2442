import { heldBy } from '../../../job.ts';
import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** A torque wrench over the torques of the job. */
export const torqueWrench: Rule = {
  id: 'torque-wrench',
  group: 'tools',
  origin: 'common practice: 5 to 60 N m covers what is named here',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Torque wrench, 5 to 60 N m'],
            why: [
              {
                hub: 'axle nuts 35 to 45 N m, arm clamps 5 N m',
                middle: 'cranks and lock ring 35 to 40 N m, ring bolts 8 N m',
                external: 'bolts of the mount and screws of the sprockets, by their size and class',
              }[heldBy(job)],
            ],
          },
        ]
      : [],
};
