import { motorCount } from '../../../../document/motors.ts';
import { isHub } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Adapters for a through-axle dropout. */
export const axleAdapters: Rule = {
  id: 'axle-adapters',
  group: 'fitting',
  origin: 'fit check: a through-axle donor and a motor with nuts',
  lines: (job) =>
    isHub(job) && job.build.donor.axle === 'through' && job.build.drive.throughAxle !== 'yes'
      ? [
          {
            what: ['Dropout adapters from through-axle to a slotted axle, for this frame'],
            why: ['a through-axle dropout does not hold an axle with flats'],
            unit: 'pair',
            quantity: motorCount(job.build),
            ask: 'Ask the frame’s maker whether there are such adapters at all.',
          },
        ]
      : [],
};
