import { byDuty } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Lamps the law’s duties ask for. */
export const lamps: Rule = {
  id: 'lamps',
  group: 'controls',
  origin: 'duties of the place',
  lines: ({ build: { supply }, duties }) =>
    supply.accessories.some((a) => a.light)
      ? []
      : byDuty(duties, 'lamps', { what: ['Front and rear lamp'], unit: 'set' }),
};
