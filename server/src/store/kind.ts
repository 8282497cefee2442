import type { EntitySchema } from 'typeorm';
import type { Result } from '@apple-cart/core';
import type { DocumentRow } from './document-row.ts';

/** What the store has to know of one kind of document: `T` is the document, `S` what lists show in its place. */
export interface Kind<T, S = never> {
  readonly entity: EntitySchema<DocumentRow>;
  /** What one is called in a sentence: "build". */
  readonly word: string;
  /** Validates what comes in from a request or out of the database, and migrates what is older. */
  readonly read: (data: unknown) => Result<T>;
  /** While it is being changed, what was before is kept as a version now and then. */
  readonly keepsItself?: boolean;
  /** For documents that are too large for a list. */
  readonly summarize?: (document: T) => S;
  /** For documents that carry their id themselves. */
  readonly ownId?: (document: T) => string;
}
