import { byDuty } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** What a plate is screwed to. */
export const plate: Rule = {
  id: 'plate',
  group: 'wheels',
  origin: 'duties of the place',
  lines: ({ duties }) =>
    byDuty(duties, 'plate', {
      what: ['Holder for the plate, at the rear'],
      ask: 'The plate itself comes from the authority or the insurer: ask what it measures, and whether it is lit.',
    }),
};
