import type { Saving } from './saving.ts';

/** Where saving stands, short enough for a bar, and whether it is anything to worry about. */
export interface SaveWords {
  readonly words: string;
  readonly bad: boolean;
  /** The whole story, where there is one. */
  readonly why: string | undefined;
}

const AWAY = 'The server cannot be reached. Is it still running?';

/** In words: never "kept" where the browser does not hold it. */
export function saveWords({
  saveState,
  refusal,
  held,
  errandsWait,
}: Pick<Saving<unknown>, 'saveState' | 'refusal' | 'held' | 'errandsWait'>): SaveWords {
  const where = held ? 'kept here' : 'not kept: leave this page open';
  switch (saveState) {
    case 'saved':
      return { words: 'kept', bad: false, why: undefined };
    case 'waiting':
    case 'saving':
      return held
        ? { words: 'keeping…', bad: false, why: undefined }
        : { words: `keeping…, ${where}`, bad: true, why: 'The browser’s own store is full or forbidden.' };
    case 'offline': {
      const pins = errandsWait > 0 ? ' A pin or a version waits to be sent too.' : '';
      const what = refusal === undefined ? 'server away' : 'server cannot store it';
      return { words: `${what}, ${where}`, bad: true, why: `${refusal ?? AWAY}${pins}` };
    }
    case 'conflict':
      return { words: 'changed elsewhere', bad: true, why: 'Another window changed it.' };
    case 'gone':
      return { words: 'put away elsewhere', bad: true, why: 'Another window put it away.' };
    case 'refused':
      return { words: 'not accepted', bad: true, why: refusal };
  }
}
