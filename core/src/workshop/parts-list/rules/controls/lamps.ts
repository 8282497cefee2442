import { asksFor } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Lamps the law's duties ask for. */
export const lamps: Rule = {
  id: 'lamps',
  group: 'controls',
  origin: 'duties of the place',
  lines: ({ build: { supply }, duties }) =>
    asksFor(duties, /light|lamp/i) && !supply.accessories.some((a) => a.light)
      ? [
          {
            what: ['Front and rear lamp'],
            why: ['asked of this class in this place when it is dark'],
            unit: 'set',
          },
        ]
      : [],
};
