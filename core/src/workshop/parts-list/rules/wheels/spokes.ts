import { motorCount } from '../../../../document/motors.ts';
import { isHub } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Spokes, rim and tape where the motor is laced in here. */
export const spokes: Rule = {
  id: 'spokes',
  group: 'wheels',
  origin: 'fit check: the motor is laced into a rim here',
  lines: (job) =>
    isHub(job) && job.build.drive.lacing === 'own'
      ? [
          {
            what: ['Spokes with nipples, length from hub flange, rim and crossing; rim tape'],
            why: ['the motor is laced into the rim here'],
            quantity: job.known.drive.spokes.value * motorCount(job.build),
            ask:
              job.known.donor.erdMm.source === 'unknown'
                ? 'Measure the rim’s effective diameter before you order a length.'
                : '',
          },
        ]
      : [],
};
