import { COLOUR_NAMES } from '../../../../document/harness.ts';
import { isBegun } from '../../../harness/begun.ts';
import { qty } from '../../../../quantity/phrase.ts';
import { leadOf, within } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Metres of each size and colour by which the harness's cables are too short; the battery's and the phases' leads have lines of their own. */
export const harnessWire: Rule = {
  id: 'harness-wire',
  group: 'wiring',
  origin: 'the harness’s cut list; common practice: a tenth over',
  lines: ({ build, wiring }) =>
    (isBegun(build) ? wiring().cut : [])
      .filter(({ pieces }) => pieces.some((p) => p.kind === 'signal'))
      .flatMap(({ mm2, colour, pieces }): readonly Draft[] => {
        // Leads of the current, the only ones whose size nobody may know, have lines of their own.
        if (mm2 === undefined) return [];
        const signal = pieces.filter((p) => p.kind === 'signal');
        const mm = signal.reduce((sum, p) => sum + p.mm, 0);
        return [
          {
            key: `harness-wire/${String(mm2)}/${colour === '' ? 'any' : colour.toLowerCase()}`,
            what: [
              'Lead, ',
              leadOf({ value: mm2, source: 'measured' }, 2),
              colour === '' ? ', colour by the other end' : `, ${COLOUR_NAMES[colour]}`,
            ],
            why: [`to extend ${signal.map((p) => p.name).join('; ')}: `, qty(mm, 'mm', 0), ', a tenth over'],
            quantity: Math.max(0.1, Math.ceil((11 * mm) / 1000) / 10),
            unit: 'm',
            kind: 'lead',
            from: {
              type: 'wire',
              suits: (p) => p.type === 'wire' && p.conductor === 'copper' && within(p.leadMm2, mm2, 0.1),
            },
          },
        ];
      }),
};
