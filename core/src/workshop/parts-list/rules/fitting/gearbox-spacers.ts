import { qty } from '../../../../quantity/phrase.ts';
import { isAmiss } from '../../../job.ts';
import { STAY_GAP_MM } from '../../../../fit/spacers.ts';
import type { Rule } from '../../line.ts';

/** Spacer rings that bring the gearbox off the chainstay. */
export const gearboxSpacers: Rule = {
  id: 'gearbox-spacers',
  group: 'fitting',
  origin: 'fit check: gearbox to the chainstay',
  lines: (job) =>
    isAmiss(job, 'gearbox-stay')
      ? [
          {
            what: [
              'Spacer rings for the motor’s tube, ',
              qty(
                Math.max(0.5, Math.ceil(2 * (STAY_GAP_MM - (job.check('gearbox-stay')?.value ?? 0))) / 2),
                'mm',
                1,
              ),
              ' in all',
            ],
            why: [
              'the gearbox stays ',
              qty(job.check('gearbox-stay')?.value ?? 0, 'mm', 1),
              ' off the chainstay',
            ],
            unit: 'set',
          },
        ]
      : [],
};
