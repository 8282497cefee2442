import { formatNumber, unitText } from '../../../../quantity/format.ts';
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
              outOf(supply.accessories.map((a) => a.volts)),
            ],
            why: [
              `${String(supply.accessories.length)} on it: ${supply.accessories.map((a) => a.name).join(', ')}`,
            ],
          },
        ]
      : [],
};

/** The volts that are wanted of it; what takes the pack's own is not on it. */
function outOf(all: readonly number[]): string {
  const wanted = [...new Set(all.filter((volts) => volts > 0))].toSorted((a, b) => a - b);
  const texts = wanted.map((volts) => formatNumber(volts, Number.isInteger(volts) ? 0 : 1));
  return texts.length === 0 ? '' : `, to ${texts.join(' and ')} ${unitText('V')}`;
}
