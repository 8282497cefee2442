import { LITHIUM_SENT, specOf, suffixed, within } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Every pack of the build that is bought whole; of one that is built here its cells stand on the list. */
export const packLine: Rule = {
  id: 'pack',
  group: 'power',
  origin: 'the build',
  lines: ({ build, known }) =>
    build.packs.flatMap((pack, i): Draft[] => {
      if (pack.make === 'cells') return [];
      const own = known.packs[i] ?? known.packs[0];
      return [
        {
          key: suffixed('pack', i),
          pack: i,
          what: [
            pack.name.trim() === '' ? 'Pack' : pack.name,
            ', ',
            ...specOf(own.nominalV, 'V', 0),
            ' ',
            ...specOf(own.capacityAh, 'Ah', 1),
          ],
          why: ['holds the energy'],
          main: true,
          kind: '',
          from: {
            type: 'pack',
            suits: (p) =>
              p.type === 'pack' &&
              (pack.name.trim() === ''
                ? within(p.nominalV, own.nominalV.value, 0.08) &&
                  within(p.capacityAh, own.capacityAh.value, 0.25)
                : p.name === pack.name.trim()),
          },
          ask:
            pack.chemistry === 'lead-acid'
              ? 'Ask for blocks of one batch and date, charged within the last months; they are heavy to send.'
              : LITHIUM_SENT,
        },
      ];
    }),
};
