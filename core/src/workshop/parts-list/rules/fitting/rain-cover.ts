import { packsPutOn, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** A cover for a pack that has no case of its own. */
export const rainCover: Rule = {
  id: 'rain-cover',
  group: 'fitting',
  origin: 'common practice',
  lines: ({ build }) =>
    packsPutOn(build).flatMap(({ pack, i }): readonly Draft[] =>
      pack.cover === 'case'
        ? []
        : [
            {
              key: suffixed('rain-cover', i),
              what: ['Rain cover for the pack, open below'],
              why: [pack.cover === 'bag' ? 'a bag soaks through' : 'the pack stands in the open'],
            },
          ],
    ),
};
