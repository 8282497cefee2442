import { qty } from '../../../../quantity/phrase.ts';
import type { Rule } from '../../line.ts';

/** What joins packs: a switch, ideal diodes, or leads for direct joining. */
export const combiner: Rule = {
  id: 'combiner',
  group: 'power',
  origin: 'the build: more than one pack',
  lines: ({ build: { packs, joining }, chain }) =>
    packs.length < 2
      ? []
      : [
          {
            what: [
              {
                switch: 'Change-over switch',
                combiner: 'Combiner with ideal diodes',
                parallel: 'Parallel lead with fuse in each branch',
              }[joining.how],
              `, ${String(packs.length)} packs, at least `,
              qty(Math.ceil(chain.battery.continuousA), 'A', 0),
            ],
            why: ['packs are never joined bare: unlike volts burn'],
            kind: 'combiner',
          },
        ],
};
