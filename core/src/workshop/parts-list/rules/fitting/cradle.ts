import { CRADLE, packsPutOn, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** What carries each pack at its place. */
export const cradle: Rule = {
  id: 'cradle',
  group: 'fitting',
  origin: 'common practice: a pack is held by what is made for its place',
  lines: ({ build }) =>
    packsPutOn(build).map(({ pack, i }): Draft => {
      const place = pack.boxes[0]?.place ?? 'free';
      return {
        key: suffixed('cradle', i),
        what: [`${CRADLE[place]}${pack.boxes.length > 1 ? `, for ${String(pack.boxes.length)} boxes` : ''}`],
        why: ['the pack is the heaviest loose part, and it must not move'],
        kind: 'cradle',
      };
    }),
};
