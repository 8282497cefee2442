import { leadSize, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Links between lead-acid blocks. */
export const blockLinks: Rule = {
  id: 'block-links',
  group: 'power',
  origin: 'common practice: blocks in series by short links with covered terminals',
  lines: ({ build: { packs }, known }) =>
    packs.flatMap((pack, i): readonly Draft[] => {
      const blocks = pack.boxes.length;
      return pack.chemistry === 'lead-acid' && blocks > 1
        ? [
            {
              key: suffixed('block-links', i),
              what: ['Links between blocks, ', leadSize(known.cabling.leadMm2), ', ringed, with covers'],
              why: [`${String(blocks)} blocks in series`],
              quantity: blocks - 1,
            },
          ]
        : [];
    }),
};
