import { qty } from '../../../../quantity/phrase.ts';
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
              qty(known.supply.ratedW.value, 'W', 0),
              ', input to ',
              qty(known.supply.maxInV.value, 'V', 0),
            ],
            why: [
              `${String(supply.accessories.length)} on it: ${supply.accessories.map((a) => a.name).join(', ')}`,
            ],
          },
        ]
      : [],
};
