import { comesOut, PULLER } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The extractor for this crank. */
export const crankPuller: Rule = {
  id: 'crank-puller',
  group: 'tools',
  origin: 'fit check: how cranks and bracket come out',
  lines: ({ build }) => {
    const { cranks } = build.donor;
    const why = comesOut(build).cranks;
    return why === undefined
      ? []
      : [
          {
            what: [PULLER[cranks]],
            why: [why],
            ask:
              cranks === 'unknown'
                ? 'Look at the crank’s end first: three kinds of extractor are not alike.'
                : '',
          },
        ];
  },
};
