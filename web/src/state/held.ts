import { windowId } from './this-window.ts';

/** Something that a window holds in the browser until the server has it. */
export interface HeldBy {
  readonly id: string;
  /** The window that holds it; empty for what was held before windows had ids. */
  readonly window: string;
  /** When it was last written. */
  readonly at: string;
  readonly value: unknown;
}

/** What windows hold of one kind, each its own: no window writes or drops what another wrote. */
export interface Held {
  /** @returns false where the browser's store is full or forbidden: then the page alone has it. Undefined drops it. */
  readonly keep: (id: string, value: unknown) => boolean;
  readonly own: (id: string) => HeldBy | undefined;
  /** Ids of what this window holds. */
  readonly mine: () => readonly string[];
  /** What other windows hold, open or closed. */
  readonly others: () => readonly HeldBy[];
  /** True for what this window itself holds. */
  readonly isOwn: (held: HeldBy) => boolean;
  /** Makes what another window held this window's own. @returns false where the store does not take it */
  readonly adopt: (held: HeldBy) => boolean;
  /** Drops what another window held: only when its user says so. */
  readonly drop: (held: HeldBy) => void;
}

const HELD = 'apple-cart-held:';
const BEFORE = 'apple-cart-draft-';

interface Kept {
  readonly at?: unknown;
  readonly value?: unknown;
}

function read(key: string): Kept | undefined {
  try {
    const text = localStorage.getItem(key);
    return text === null ? undefined : (JSON.parse(text) as Kept);
  } catch {
    return undefined;
  }
}

function write(key: string, value: unknown): boolean {
  try {
    if (value === undefined) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify({ at: new Date().toISOString(), value }));
    return true;
  } catch {
    return false;
  }
}

function keys(): readonly string[] {
  try {
    return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
  } catch {
    return [];
  }
}

/** True where any window holds anything in this browser: seldom, and cheap to ask. */
export const anythingHeld = (): boolean =>
  keys().some((key) => key.startsWith(HELD) || key.startsWith(BEFORE));

/** @param kind part of the key it is held under: "build" */
export function held(kind: string): Held {
  const stem = `${HELD}${kind}:`;
  /** As pages held it before windows had ids: one for all of them. */
  const before = `${BEFORE}${kind}-`;
  const keyOf = (id: string, window: string): string =>
    window === '' ? `${before}${id}` : `${stem}${id}:${window}`;
  const heldBy = (id: string, window: string): HeldBy | undefined => {
    const kept = read(keyOf(id, window));
    if (kept === undefined) return undefined;
    if (window === '') return { id, window, at: '', value: kept };
    return { id, window, at: typeof kept.at === 'string' ? kept.at : '', value: kept.value };
  };
  const keep = (id: string, value: unknown): boolean => write(keyOf(id, windowId()), value);
  const drop = ({ id, window }: HeldBy): void => void write(keyOf(id, window), undefined);
  return {
    keep,
    drop,
    own: (id) => heldBy(id, windowId()),
    mine: () =>
      keys().flatMap((key) => {
        const [id = '', window = ''] = key.startsWith(stem) ? key.slice(stem.length).split(':') : [];
        return window === windowId() ? [id] : [];
      }),
    others: () =>
      keys().flatMap((key) => {
        if (key.startsWith(before)) return heldBy(key.slice(before.length), '') ?? [];
        const [id = '', window = ''] = key.startsWith(stem) ? key.slice(stem.length).split(':') : [];
        return window === '' || window === windowId() ? [] : (heldBy(id, window) ?? []);
      }),
    isOwn: ({ window }) => window === windowId(),
    adopt: (one) => {
      if (one.window === windowId()) return true;
      // The other's goes only once it is this window's.
      if (!keep(one.id, one.value)) return false;
      drop(one);
      return true;
    },
  };
}
