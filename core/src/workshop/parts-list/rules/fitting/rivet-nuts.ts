import { isAmiss } from '../../../job.ts';
import { ON_TUBES } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Rivet nuts where a rail has no bosses to be screwed to. */
export const rivetNuts: Rule = {
  id: 'rivet-nuts',
  group: 'fitting',
  origin: 'fit check: pack to bottle bosses; common practice: two fixings a rail',
  lines: (job) => {
    const { bosses } = job.build.donor;
    const onTube = job.build.packs.some((p) => ON_TUBES.includes(p.boxes[0]?.place ?? 'free'));
    const lacks = bosses === null || bosses.length === 0 || isAmiss(job, 'pack-boss');
    return onTube && lacks
      ? [
          {
            what: ['Rivet nuts M5, for the wall of the tube, with bolts'],
            why: [
              bosses === null
                ? 'bosses are not looked at yet: a rail wants two'
                : 'the rail wants two fixings, and the tube has none where it lies',
            ],
            quantity: 2,
            ask:
              bosses === null
                ? 'Look at the tube first. Carbon and thin butted tubes take none.'
                : 'Carbon and thin butted tubes take none.',
          },
        ]
      : [];
  },
};
