import { asksFor } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** A bell. */
export const bell: Rule = {
  id: 'bell',
  group: 'wheels',
  origin: 'duties of the place; common practice',
  lines: ({ duties }) =>
    asksFor(duties, /bell|horn|warning/i)
      ? [{ what: ['Bell'], why: ['asked of this class in this place'] }]
      : [],
};
