import { leversChanged } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Outer cables where levers are changed. */
export const brakeOuters: Rule = {
  id: 'brake-outers',
  group: 'controls',
  origin: 'common practice: the new lever stands elsewhere on the bar, beside throttle and display',
  lines: (job) =>
    leversChanged(job.build).map((end) => ({
      key: `brake-outers/${end}`,
      what: [`Outer brake cable for the ${end} brake, compressionless or spiral as the old one, with caps`],
      why: ['one that is too short pulls the brake on as the bar is turned'],
      ask: 'Lay it with the bar turned as far as it goes, then cut; a spiral one that is not cut square gives a soft lever.',
    })),
};
