import { dutyFor } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The label of the class. */
export const labelLine: Rule = {
  id: 'label',
  group: 'wheels',
  origin: 'duties of the place',
  lines: ({ build: { controls }, duties }) => {
    const duty = dutyFor(duties, 'label');
    return controls.classLabel === 'yes' || duty === undefined
      ? []
      : [{ what: ['Label of the class, weatherproof: the class sheet prints it'], why: [duty] }];
  },
};
