import { byDuty } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Reflectors, which packs and racks hide. */
export const reflectors: Rule = {
  id: 'reflectors',
  group: 'wheels',
  origin:
    'duties of the place; common practice: a pack on the rack hides the rear one, new pedals come without',
  lines: ({ duties }) =>
    byDuty(duties, 'reflectors', {
      what: ['Reflectors, as the place asks them'],
      unit: 'set',
      ask: 'The donor’s own do where they are still to be seen with pack and rack on.',
    }),
};
