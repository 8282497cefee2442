import { paddedEnds } from '../../../../document/brakes-left.ts';
import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Pads that stand more heat. */
export const brakePads: Rule = {
  id: 'brake-pads',
  group: 'wheels',
  origin: 'fit check: brake energy against the donor’s own',
  lines: (job) => {
    const ends = paddedEnds(job.build, job.known);
    const [only] = ends;
    if (only === undefined || !(isAmiss(job, 'brake-energy') || isAmiss(job, 'stopping'))) return [];
    return [
      {
        what: [
          `Brake pads for heat, ${ends.length > 1 ? 'both ends' : only}; a larger rotor where the caliper takes one`,
        ],
        why: ['it is heavier and quicker than the brakes were made for'],
        unit: 'set',
      },
    ];
  },
};
