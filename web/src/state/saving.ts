import { NOT_THERE, type KeepRequest, type Saved, type Stored } from '@apple-cart/contracts';

/** `offline`: the server is away, or cannot store it now. `gone`: another window put the document away. */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'conflict' | 'gone' | 'refused';

/** What is sent beside edits, in the same line: a version that is kept or pinned, or a pin taken out. */
export type Errand<T> =
  | {
      readonly kind: 'keep';
      readonly reason: KeepRequest['reason'];
      readonly name: string;
      readonly document: T;
    }
  | { readonly kind: 'unpin' };

/** Whether the server has a document as it is, or this window made it. */
export type Whose = 'the server’s' | 'this window’s';

/** What waits to be sent: the newest edit, and errands in the order they were given. */
export interface Unsent<T> {
  readonly baseVersion: number;
  readonly document: T;
  /** Whether the document differs from what the server has; errands may wait alone. */
  readonly edited: boolean;
  /** What the edit replaces is kept under this name: it settles a conflict. */
  readonly keepPrevious: string | undefined;
  readonly errands: readonly Errand<T>[];
}

/** Where saving stands, for the screen. */
export interface Saving<T> {
  readonly version: number;
  readonly saveState: SaveState;
  /** Why the server refused something, or cannot store it now, in its words. */
  readonly refusal: string | undefined;
  /** Whether the browser holds what is unsent; false where its store is full or forbidden. */
  readonly held: boolean;
  /** Pins and versions that wait to be sent. */
  readonly errandsWait: number;
  /** The other window's document while a conflict waits for a decision. */
  readonly theirs: Stored<T> | undefined;
}

/** Where saving stands while nothing was changed. */
export const NOTHING_TO_SAVE: Saving<never> = {
  version: NOT_THERE,
  saveState: 'saved',
  refusal: undefined,
  held: true,
  errandsWait: 0,
  theirs: undefined,
};

/** What an autosaver needs of its surroundings. */
export interface SavingPorts<T> {
  readonly save: (
    request: { readonly baseVersion: number; readonly document: T; readonly keepPrevious?: string },
    keepalive: boolean,
  ) => Promise<Pick<Saved, 'version'>>;
  readonly run: (errand: Errand<T>) => Promise<void>;
  /** Holds what is unsent where a crash of the page does not reach; undefined drops it. False where it cannot. */
  readonly draft: (unsent: Unsent<T> | undefined) => boolean;
  readonly tell: (saving: Saving<T>) => void;
  /** An errand that the server will not do: taken out of the line and said, with the errands that still wait. */
  readonly refused?: (why: string, waiting: readonly Errand<T>[]) => void;
}
