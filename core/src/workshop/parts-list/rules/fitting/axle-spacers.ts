import { motorCount } from '../../../../document/motors.ts';
import { formatQuantity } from '../../../../quantity/format.ts';
import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Washers that fill a hub out to the dropouts. */
export const axleSpacers: Rule = {
  id: 'axle-spacers',
  group: 'fitting',
  origin: 'fit check: hub narrower than the dropouts',
  lines: (job) =>
    isAmiss(job, 'hub-narrow')
      ? [
          {
            what: [
              'Axle spacers, ',
              formatQuantity(Math.max(0, job.check('hub-narrow')?.value ?? 0), 'mm', 1),
              ' in all, for the axle',
            ],
            why: ['the hub is narrower than the dropouts'],
            unit: 'set',
            quantity: motorCount(job.build),
          },
        ]
      : [],
};
