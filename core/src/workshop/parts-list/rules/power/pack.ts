import { specOf, within } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Every pack of the build. */
export const packLine: Rule = {
  id: 'pack',
  group: 'power',
  origin: 'the build',
  lines: ({ build, known }) =>
    build.packs.map((pack, i): Draft => {
      const own = known.packs[i] ?? known.packs[0];
      const cells = pack.make === 'cells';
      const nameless = cells ? 'Pack made from cells' : 'Pack';
      return {
        key: i === 0 ? 'pack' : `pack/${String(i + 1)}`,
        what: [
          pack.name.trim() === '' ? nameless : pack.name,
          ', ',
          ...specOf(own.nominalV, 'V', 0),
          ' ',
          ...specOf(own.capacityAh, 'Ah', 1),
        ],
        why: [cells ? 'built here; its cells stand below' : 'holds the energy'],
        main: true,
        kind: '',
        from: {
          type: 'pack',
          suits: (p) =>
            !cells &&
            p.type === 'pack' &&
            (pack.name.trim() === ''
              ? within(p.nominalV, own.nominalV.value, 0.08) &&
                within(p.capacityAh, own.capacityAh.value, 0.25)
              : p.name === pack.name.trim()),
        },
        // A pack from cells costs what its cells and small parts cost.
        price: cells ? 0 : null,
        ask:
          pack.chemistry === 'lead-acid'
            ? 'Ask for blocks of one batch and date, charged within the last months; they are heavy to send.'
            : 'Lithium by road only in many places: ask how it is sent.',
      };
    }),
};
