import { PULLER } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The extractor for this crank. */
export const crankPuller: Rule = {
  id: 'crank-puller',
  group: 'tools',
  origin: 'fit check: how cranks and bracket come out',
  lines: ({ build: { drive, donor } }) =>
    drive.kind === 'mid-drive'
      ? [
          {
            what: [PULLER[donor.cranks]],
            why: ['the cranks come off before the motor goes in'],
            ask:
              donor.cranks === 'unknown'
                ? 'Look at the crank’s end first: three kinds of extractor are not alike.'
                : '',
          },
        ]
      : [],
};
