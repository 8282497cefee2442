import { qty } from '../../../../quantity/phrase.ts';
import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** A chainring: a mid-drive turns its own, and one that stands beside the cogs' line wants an offset. */
export const offsetRing: Rule = {
  id: 'offset-ring',
  group: 'drive',
  origin:
    'fit check: chainline off the middle cog; common practice: a mid-drive takes rings of its own bolt circle',
  lines: (job) => {
    const off = isAmiss(job, 'chainline');
    if (!off && job.build.drive.kind !== 'mid-drive') return [];
    const teeth = job.known.gearing.ringTeeth.value;
    return [
      {
        what: [`Chainring ${String(teeth)} T for this motor${off ? ', dished or offset' : ''}`],
        why: off
          ? [
              'the chain would run ',
              qty(Math.abs(job.check('chainline')?.value ?? 0), 'mm', 1),
              ' off the middle cog',
            ]
          : ['the motor turns a ring on its own spider; the donor’s does not go on it'],
        from: { type: 'ring', suits: (p) => p.type === 'ring' && p.teeth === teeth },
        ask: 'Ask whether one comes with the motor, and for its bolt circle.',
      },
    ];
  },
};
