import { HEAVY_PACK_KG, ON_TUBES, packsPutOn, specOf, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Clamps and rubber for a heavy pack on a tube. */
export const packClamps: Rule = {
  id: 'pack-clamps',
  group: 'fitting',
  origin: 'common practice: over 4 kg on two bosses they tear out',
  lines: ({ build, known }) =>
    packsPutOn(build).flatMap(({ pack, i }): readonly Draft[] => {
      const own = known.packs[i] ?? known.packs[0];
      return ON_TUBES.includes(pack.boxes[0]?.place ?? 'free') && own.massKg.value > HEAVY_PACK_KG
        ? [
            {
              key: suffixed('pack-clamps', i),
              what: ['Tube clamps with rubber, for the pack’s rail'],
              why: [...specOf(own.massKg, 'kg', 1), ' on two bosses tears them out'],
              quantity: 2,
            },
          ]
        : [];
    }),
};
