import { formatQuantity } from '../../../../quantity/format.ts';
import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** A caliper adapter for a rotor of another size. */
export const caliperAdapter: Rule = {
  id: 'caliper-adapter',
  group: 'fitting',
  origin: 'fit check: rotor of the motor against the caliper’s own',
  lines: (job) =>
    isAmiss(job, 'rotor-size')
      ? [
          {
            what: [
              'Caliper adapter, ',
              formatQuantity(job.check('rotor-size')?.value ?? 0, 'mm', 0),
              ' to the other rotor',
            ],
            why: ['the rotor is of another size than the caliper stands for'],
          },
        ]
      : [],
};
