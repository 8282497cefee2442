import { leversChanged } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** New inner cables where levers are changed. */
export const brakeCables: Rule = {
  id: 'brake-cables',
  group: 'controls',
  origin: 'common practice: a used inner frays as it is drawn through a new lever',
  lines: ({ build }) => {
    const count = leversChanged(build).length;
    return count > 0
      ? [
          {
            what: ['Inner brake cable with end cap and ferrules'],
            why: ['the levers are changed for ones with a switch'],
            quantity: count,
            ask: 'Look at the nipple: barrel for flat bars, pear for drop bars.',
          },
        ]
      : [];
  },
};
