import { byDuty } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** A mirror. */
export const mirror: Rule = {
  id: 'mirror',
  group: 'wheels',
  origin: 'duties of the place',
  lines: ({ duties }) =>
    byDuty(duties, 'mirror', { what: ['Mirror for the bar, on the side of the traffic'] }),
};
