import { dutyFor } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** A mirror. */
export const mirror: Rule = {
  id: 'mirror',
  group: 'wheels',
  origin: 'duties of the place',
  lines: ({ duties }) => {
    const duty = dutyFor(duties, 'mirror');
    return duty === undefined
      ? []
      : [{ what: ['Mirror for the bar, on the side of the traffic'], why: [duty] }];
  },
};
