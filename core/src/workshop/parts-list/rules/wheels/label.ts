import { byDuty } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The label of the class. */
export const labelLine: Rule = {
  id: 'label',
  group: 'wheels',
  origin: 'duties of the place',
  lines: ({ build: { controls }, duties }) =>
    controls.classLabel === 'yes'
      ? []
      : byDuty(duties, 'label', { what: ['Label of the class, weatherproof: the class sheet prints it'] }),
};
