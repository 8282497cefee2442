import { specOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** A converter for lamps, horn and outlets. */
export const converter: Rule = {
  id: 'converter',
  group: 'power',
  origin: 'the build: lights and outlets on a converter',
  lines: ({ build: { supply }, known }) =>
    supply.means === 'converter' && supply.accessories.length > 0
      ? [
          {
            what: [
              'Converter, ',
              ...specOf(known.supply.ratedW, 'W', 0),
              ', input to ',
              ...specOf(known.supply.maxInV, 'V', 0),
            ],
            why: [
              `${String(supply.accessories.length)} on it: ${supply.accessories.map((a) => a.name).join(', ')}`,
            ],
          },
        ]
      : [],
};
