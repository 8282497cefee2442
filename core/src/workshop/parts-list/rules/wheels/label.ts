import { asksFor } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The label of the class. */
export const labelLine: Rule = {
  id: 'label',
  group: 'wheels',
  origin: 'duties of the place',
  lines: ({ build: { controls }, duties }) =>
    controls.classLabel !== 'yes' && asksFor(duties, /label|plate|marking|mark/i)
      ? [
          {
            what: ['Label of the class, weatherproof: the class sheet prints it'],
            why: ['asked of this class in this place'],
          },
        ]
      : [],
};
