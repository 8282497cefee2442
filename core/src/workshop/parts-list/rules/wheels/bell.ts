import { byDuty } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** A bell. */
export const bell: Rule = {
  id: 'bell',
  group: 'wheels',
  origin: 'duties of the place',
  lines: ({ duties }) => byDuty(duties, 'bell', { what: ['Bell or horn'] }),
};
