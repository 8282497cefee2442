import { qty } from '../../../../quantity/phrase.ts';
import { ratedAmps } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** What joins packs: a switch, ideal diodes, or leads for direct joining. */
export const combiner: Rule = {
  id: 'combiner',
  group: 'power',
  origin: 'the build: more than one pack',
  lines: ({ build: { packs, joining }, known, chain }) =>
    packs.length < 2
      ? []
      : [
          {
            what: [
              {
                switch: 'Change-over switch',
                combiner: 'Combiner with ideal diodes',
                parallel: 'Parallel lead',
              }[joining.how],
              `, ${String(packs.length)} packs, at least `,
              // A switch or a diode is counted on for its rating, and no more.
              qty(Math.ceil(ratedAmps(known.joining.ratedA, chain, 1)), 'A', 0),
            ],
            why: ['packs are never joined bare: unlike volts burn'],
            kind: 'combiner',
          },
        ],
};
