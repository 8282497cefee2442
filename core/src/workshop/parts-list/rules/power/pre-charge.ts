import { isAmiss } from '../../../job.ts';
import { specOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** What keeps the spark down when the pack is joined. */
export const preCharge: Rule = {
  id: 'pre-charge',
  group: 'power',
  origin: 'power chain: rush into the controller’s capacitors',
  lines: (job) => {
    const { inrush } = job.build.cabling;
    if (inrush === 'resistor')
      return [
        {
          what: [
            'Pre-charge resistor ',
            ...specOf(job.known.cabling.preChargeOhm, 'ohm', 0),
            ', wire-wound, with its own switch or plug half',
          ],
          why: ['fills the controller’s capacitors before the plug closes'],
        },
      ];
    if (inrush === 'anti-spark')
      return [
        {
          key: 'anti-spark',
          what: ['Plug pair with anti-spark resistor, for the battery lead'],
          why: ['takes the spark of joining'],
          kind: 'anti-spark',
          unit: 'pair',
        },
      ];
    return isAmiss(job, 'inrush')
      ? [
          {
            key: 'anti-spark',
            what: ['Plug pair with anti-spark resistor, for the battery lead'],
            why: ['the capacitors spark at every joining, and the plug burns'],
            kind: 'anti-spark',
            unit: 'pair',
          },
        ]
      : [];
  },
};
