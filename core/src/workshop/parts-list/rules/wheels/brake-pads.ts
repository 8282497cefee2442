import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Pads that stand more heat. */
export const brakePads: Rule = {
  id: 'brake-pads',
  group: 'wheels',
  origin: 'fit check: brake energy against the donor’s own',
  lines: (job) =>
    isAmiss(job, 'brake-energy') || isAmiss(job, 'stopping')
      ? [
          {
            what: ['Brake pads for heat, both ends; a larger rotor where the caliper takes one'],
            why: ['it is heavier and quicker than the brakes were made for'],
            unit: 'set',
          },
        ]
      : [],
};
