import { isOnTube, packsPutOn } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** A lock for a pack that can be lifted off. */
export const packLock: Rule = {
  id: 'pack-lock',
  group: 'fitting',
  origin: 'common practice',
  lines: ({ build }) =>
    packsPutOn(build).some(({ pack }) => isOnTube(pack) || pack.boxes[0]?.place === 'rear-rack')
      ? [
          {
            what: ['Lock for the pack, or a cable through its handle'],
            why: ['it is the dearest part, and the quickest to take'],
            ask: 'Two keys, and their number written down: a lock whose one key is lost is drilled beside the cells.',
          },
        ]
      : [],
};
