import { motorCount } from '../../../../document/motors.ts';
import { isHub } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Tabbed washers beneath the axle nuts. */
export const axleWashers: Rule = {
  id: 'axle-washers',
  group: 'fitting',
  origin: 'common practice: a toothed or tabbed washer beneath each nut',
  lines: (job) =>
    isHub(job)
      ? [
          {
            what: ['Tabbed safety washers for the axle'],
            why: ['they keep the wheel in when a nut loosens'],
            unit: 'pair',
            quantity: motorCount(job.build),
          },
        ]
      : [],
};
