import type { Result } from '@apple-cart/core';
import type { Errand, Unsent } from './saving.ts';
import { held, type HeldBy } from './held.ts';

/** What another window could not send. */
export interface Left<T> {
  readonly heldBy: HeldBy;
  readonly unsent: Unsent<T>;
}

/** Keeps what the server has not acknowledged yet in the browser, so that a crash of the page loses nothing. */
export interface Drafts<T> {
  readonly kind: string;
  /** @returns false where the browser does not hold it */
  readonly keep: (id: string, unsent: Unsent<T> | undefined) => boolean;
  /** This window's own. */
  readonly read: (id: string) => Unsent<T> | undefined;
  /** Ids of which this window has one. */
  readonly mine: () => readonly string[];
  /** Of other windows, open or closed. */
  readonly left: () => readonly Left<T>[];
  /** Of this window. */
  readonly own: () => readonly Left<T>[];
  readonly isOwn: (left: Left<T>) => boolean;
  readonly adopt: (left: Left<T>) => boolean;
  readonly drop: (left: Left<T>) => void;
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

function unsentFrom<T>(data: unknown, read: (data: unknown) => Result<T>): Unsent<T> | undefined {
  const { baseVersion, document, edited, keepPrevious, errands } = (data ?? {}) as Kept;
  const of = read(document);
  if (!of.ok || typeof baseVersion !== 'number') return undefined;
  return {
    baseVersion,
    document: of.value,
    edited: edited !== false,
    keepPrevious: typeof keepPrevious === 'string' ? keepPrevious : undefined,
    errands: Array.isArray(errands) ? errands.flatMap((e: unknown) => errandFrom(e, read)) : [],
  };
}

/**
 * Drafts of one kind of document.
 * @param kind part of the key they are kept under
 * @param read validates a document, and migrates one that an older page kept
 */
export function drafts<T>(kind: string, read: (data: unknown) => Result<T>): Drafts<T> {
  const store = held(kind);
  const leftFrom = (heldBy: HeldBy): readonly Left<T>[] => {
    const unsent = unsentFrom(heldBy.value, read);
    return unsent === undefined ? [] : [{ heldBy, unsent }];
  };
  return {
    kind,
    keep: (id, unsent) => store.keep(id, unsent),
    read: (id) => unsentFrom(store.own(id)?.value, read),
    mine: store.mine,
    left: () => store.others().flatMap(leftFrom),
    own: () =>
      store
        .mine()
        .flatMap((id) => store.own(id) ?? [])
        .flatMap(leftFrom),
    isOwn: ({ heldBy }) => store.isOwn(heldBy),
    adopt: ({ heldBy }) => store.adopt(heldBy),
    drop: ({ heldBy }) => {
      store.drop(heldBy);
    },
  };
}
