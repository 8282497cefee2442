import { specOf, within } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** A charger for each pack. */
export const charger: Rule = {
  id: 'charger',
  group: 'power',
  origin: 'the build: one charger a pack, of its own volts',
  lines: ({ build, known }) =>
    build.packs.map((pack, i): Draft => {
      const own = known.packs[i] ?? known.packs[0];
      const { volts, currentA } = own.charger;
      return {
        key: i === 0 ? 'charger' : `charger/${String(i + 1)}`,
        what: [
          pack.charger.name.trim() === '' ? 'Charger' : pack.charger.name,
          ...(volts.source === 'unknown'
            ? [', volts of this pack']
            : [', ends at ', ...specOf(volts, 'V', 1)]),
          ...(currentA.source === 'unknown' ? [] : [', ', ...specOf(currentA, 'A', 1)]),
        ],
        why: ['each pack is charged by its own, and by no other'],
        main: true,
        kind: '',
        from: {
          type: 'charger',
          suits: (p) =>
            p.type === 'charger' &&
            (pack.charger.name.trim() === ''
              ? within(
                  p.volts,
                  volts.source === 'unknown' ? own.cellsInSeries.value * 4.2 : volts.value,
                  0.01,
                )
              : p.name === pack.charger.name.trim()),
        },
        ask: 'Ask which plug it ends in: it has to go into the pack’s socket.',
      };
    }),
};
