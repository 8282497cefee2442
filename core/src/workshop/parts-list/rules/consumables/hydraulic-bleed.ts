import { hosesOpened } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Fluid where hydraulic levers are changed. */
export const hydraulicBleed: Rule = {
  id: 'hydraulic-bleed',
  group: 'consumables',
  origin: 'common practice',
  lines: ({ build }) =>
    hosesOpened(build) > 0
      ? [
          {
            what: ['Bleed kit with the brake maker’s fluid'],
            why: ['levers with a switch are changed with the system open'],
          },
        ]
      : [],
};
