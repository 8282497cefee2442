import { railsWithoutBosses } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Rivet nuts where a rail has no bosses to be screwed to. */
export const rivetNuts: Rule = {
  id: 'rivet-nuts',
  group: 'fitting',
  origin: 'fit check: pack to bottle bosses; common practice: two fixings a rail',
  lines: (job) => {
    const { bosses } = job.build.donor;
    const rails = railsWithoutBosses(job);
    return rails > 0
      ? [
          {
            what: ['Rivet nuts M5, for the wall of the tube'],
            why: [
              bosses === null
                ? 'bosses are not looked at yet: a rail wants two'
                : 'the rail wants two fixings, and the tube has none where it lies',
            ],
            quantity: 2 * rails,
            ask:
              bosses === null
                ? 'Look at the tube first. Carbon and thin butted tubes take none.'
                : 'Carbon and thin butted tubes take none.',
          },
        ]
      : [];
  },
};
