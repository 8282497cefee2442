import { dutyFor } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** A bell. */
export const bell: Rule = {
  id: 'bell',
  group: 'wheels',
  origin: 'duties of the place',
  lines: ({ duties }) => {
    const duty = dutyFor(duties, 'bell');
    return duty === undefined ? [] : [{ what: ['Bell or horn'], why: [duty] }];
  },
};
