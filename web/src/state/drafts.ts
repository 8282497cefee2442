import type { Result } from '@apple-cart/core';
import type { Errand, Unsent } from './autosaver.ts';

/** Keeps what the server has not acknowledged yet in the browser, so that a crash of the page loses nothing. */
export interface Drafts<T> {
  readonly keep: (id: string, unsent: Unsent<T> | undefined) => void;
  readonly read: (id: string) => Unsent<T> | undefined;
}

interface Kept {
  readonly baseVersion?: unknown;
  readonly document?: unknown;
  readonly edited?: unknown;
  readonly keepPrevious?: unknown;
  readonly errands?: unknown;
}

/** An errand as it was kept; one that cannot be read any more is dropped. */
function errandFrom<T>(data: unknown, read: (data: unknown) => Result<T>): readonly Errand<T>[] {
  const { kind, reason, name, document } = (data ?? {}) as Record<string, unknown>;
  if (kind === 'unpin') return [{ kind }];
  const known = reason === 'named' || reason === 'pin' || reason === 'set-aside';
  const of = read(document);
  return kind === 'keep' && known && typeof name === 'string' && of.ok
    ? [{ kind, reason, name, document: of.value }]
    : [];
}

/**
 * Drafts of one kind of document.
 * @param kind part of the key they are kept under
 * @param read validates a document, and migrates one that an older page kept
 */
export function drafts<T>(kind: string, read: (data: unknown) => Result<T>): Drafts<T> {
  const key = (id: string): string => `apple-cart-draft-${kind}-${id}`;
  return {
    keep(id, unsent) {
      try {
        if (unsent === undefined) localStorage.removeItem(key(id));
        else localStorage.setItem(key(id), JSON.stringify(unsent));
      } catch {
        // A full or forbidden store only loses the second copy; the page still holds the first.
      }
    },
    read(id) {
      const text = localStorage.getItem(key(id));
      if (text === null) return undefined;
      try {
        const { baseVersion, document, edited, keepPrevious, errands } = JSON.parse(text) as Kept;
        const of = read(document);
        if (!of.ok || typeof baseVersion !== 'number') return undefined;
        return {
          baseVersion,
          document: of.value,
          edited: edited !== false,
          keepPrevious: typeof keepPrevious === 'string' ? keepPrevious : undefined,
          errands: Array.isArray(errands) ? errands.flatMap((e: unknown) => errandFrom(e, read)) : [],
        };
      } catch {
        return undefined;
      }
    },
  };
}
