import { dutyFor } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Lamps the law's duties ask for. */
export const lamps: Rule = {
  id: 'lamps',
  group: 'controls',
  origin: 'duties of the place',
  lines: ({ build: { supply }, duties }) => {
    const duty = dutyFor(duties, 'lamps');
    return duty === undefined || supply.accessories.some((a) => a.light)
      ? []
      : [{ what: ['Front and rear lamp'], why: [duty], unit: 'set' }];
  },
};
