import { CHEMISTRIES } from '../../../../document/chemistries.ts';
import type { Known } from '../../../../document/known-build.ts';
import { packsAboard } from '../../../../machine/packs-aboard.ts';
import { takenBy } from '../../../../power-chain/charge-checks.ts';
import { endOfCharge } from '../../../../power-chain/charger-words.ts';
import { endSpan } from '../../../../power-chain/charging.ts';
import type { Phrase } from '../../../../quantity/phrase.ts';
import { specOf, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

const UNCOUNTED: Phrase = ['volts by its cells in series (not known: count them first)'];

/** A charger for each pack. */
export const charger: Rule = {
  id: 'charger',
  group: 'power',
  origin: 'the build: one charger a pack, of its own volts; without them its cells’ end of charge',
  lines: ({ build, known }) => {
    const aboard = packsAboard(build, known);
    return build.packs.flatMap((pack, i): Draft[] => {
      const own = known.packs[i] ?? known.packs[0];
      const model = aboard[i]?.pack;
      if (model === undefined) return [];
      const { volts, currentA } = own.charger;
      const [least, most] = endSpan(model);
      const counted = own.cellsInSeries.source !== 'unknown';
      return [
        {
          key: suffixed('charger', i),
          pack: i,
          what: [
            pack.charger.name.trim() === '' ? 'Charger' : pack.charger.name,
            ...(volts.source === 'unknown'
              ? [
                  `, for ${CHEMISTRIES[pack.chemistry].name}, `,
                  ...(endOfCharge(model, own.cellsInSeries.source) ?? UNCOUNTED),
                ]
              : [', ends at ', ...specOf(volts, 'V', 1)]),
            ...ampsOf(currentA, own.maxChargeA, takenBy(pack, own)),
          ],
          why: ['each pack is charged by its own, and by no other'],
          main: true,
          kind: '',
          from: {
            type: 'charger',
            suits: (p) =>
              p.type === 'charger' &&
              (pack.charger.name.trim() === ''
                ? // Cells that nobody has counted may be charged by any of them.
                  !counted || (p.volts >= least && p.volts <= most)
                : p.name === pack.charger.name.trim()),
          },
          ask: 'Ask which plug it ends in: it has to go into the pack’s socket.',
        },
      ];
    });
  },
};

/** Its own amps, else the most that the pack takes where what that rests on is known. */
function ampsOf(own: Known, most: Known, restsOn: readonly Known[]): Phrase {
  if (own.source !== 'unknown') return [', ', ...specOf(own, 'A', 1)];
  const sources = restsOn.map((k) => k.source);
  if (sources.includes('unknown')) return [];
  const source = sources.includes('assumed') ? 'assumed' : most.source;
  return [', at most ', ...specOf({ ...most, source }, 'A', 1)];
}
