import type { JoinHow } from '../../../../document/choices.ts';
import { ampsOf, ratedAmps } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

const JOINS: Readonly<Record<JoinHow, readonly [what: string, kind: string]>> = {
  switch: ['Change-over switch', 'changeover'],
  combiner: ['Combiner with ideal diodes', 'combiner'],
  parallel: ['Parallel lead', 'parallel-lead'],
};

/** What joins packs: a switch, ideal diodes, or leads for direct joining. */
export const combiner: Rule = {
  id: 'combiner',
  group: 'power',
  origin: 'the build: more than one pack',
  lines: ({ build: { packs, joining }, known, chain }) => {
    if (packs.length < 2) return [];
    const [what, kind] = JOINS[joining.how];
    // A switch or a diode is counted on for its rating, and no more.
    const amps = Math.ceil(ratedAmps(known.joining.ratedA, chain, 1));
    return [
      {
        what: [
          what,
          `, ${String(packs.length)} packs, at least `,
          ...ampsOf(amps, known.joining.ratedA, chain),
        ],
        why: ['packs are never joined bare: unlike volts burn'],
        rated: { least: amps, most: undefined },
        kind,
      },
    ];
  },
};
