import { hosesOpened } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** What a hose is sealed with once it has been taken off its lever. */
export const hoseFittings: Rule = {
  id: 'hose-fittings',
  group: 'controls',
  origin: 'common practice: an olive is pressed once, and leaks the second time',
  lines: ({ build }) => {
    const count = hosesOpened(build);
    return count > 0
      ? [
          {
            what: ['Olive and barb for a brake hose'],
            why: ['each hose is cut and sealed anew at the new lever'],
            quantity: count,
            unit: 'set',
            ask: 'They fit one make of brake only: take the old ones to the counter.',
          },
        ]
      : [];
  },
};
