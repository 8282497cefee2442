import { packsPutOn, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** A plate with foam beneath a pack on a rack. */
export const rackPlate: Rule = {
  id: 'rack-plate',
  group: 'fitting',
  origin: 'common practice',
  lines: ({ build }) =>
    packsPutOn(build).flatMap(({ pack, i }): readonly Draft[] =>
      pack.boxes[0]?.place === 'rear-rack'
        ? [
            {
              key: suffixed('rack-plate', i),
              what: ['Plate for the rack with closed-cell foam, U-bolts and straps'],
              why: ['a pack on bare rods rattles itself apart'],
              unit: 'set',
            },
          ]
        : [],
    ),
};
