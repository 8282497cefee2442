import * as z from 'zod';
import { badRow } from './logs.ts';
import type { Issue } from '@apple-cart/core';

/** What server and page say to each other of every stored document: builds, parts, routes, rules and whatever follows. */

/** Version of a document that is not stored yet. */
export const NOT_THERE = 0;

/** Made by the server, by the page, or by the document itself. */
export const documentId = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9-]{0,79}$/, 'letters, digits and hyphens');

/** A document itself is validated by its kind, not by its envelope. */
const anything = z.unknown();
const version = z.number().int().min(NOT_THERE);
const versionName = z.string().trim().min(1).max(80);

/** PUT of a document. */
export const saveRequest = z.object({
  /** The version that the edit began from; 0 for a new document. */
  baseVersion: version,
  document: anything,
  /** Keep what is replaced as a version of this name; only where the kind keeps versions. */
  keepPrevious: versionName.optional(),
});
export type SaveRequest = z.infer<typeof saveRequest>;

/** What a create, save or restore is answered with: never the document, which whoever asked has. */
export const saved = z.object({ id: documentId, version });
export type Saved = z.infer<typeof saved>;

const stamps = { createdAt: z.string(), updatedAt: z.string() };

/** A document as it is stored. */
export const stored = z.object({ ...saved.shape, ...stamps, document: anything });
export type Stored<T> = Omit<z.infer<typeof stored>, 'document'> & { readonly document: T };

/** A document in a list that shows a summary in its place. */
export const listed = z.object({ ...saved.shape, summary: anything });
export type Listed<S> = Omit<z.infer<typeof listed>, 'summary'> & { readonly summary: S };

/** A stored document that cannot be read any more: it is named, and takes nothing else down. */
export const broken = z.object({ id: z.string(), issues: z.array(z.custom<Issue>()) });
export interface Broken {
  readonly id: string;
  readonly issues: readonly Issue[];
}

export const listAnswer = <T extends z.ZodType>(item: T) =>
  z.object({ documents: z.array(item), broken: z.array(broken) });
export interface ListAnswer<T> {
  readonly documents: readonly T[];
  readonly broken: readonly Broken[];
}

/** Several documents of a kind that carries its own ids, all taken in or none. */
export const takeInRequest = z.object({ documents: z.array(anything).min(1).max(500) });
export const takenIn = z.object({ added: z.number().int(), replaced: z.number().int() });
export type TakenIn = z.infer<typeof takenIn>;

/** Every answer of 400 and more. */
export const errorAnswer = z.object({
  error: z.object({
    code: z.string(),
    message: z.string(),
    issues: z.array(z.custom<Issue & { readonly message: string }>()).optional(),
    /** The document as it is now, with a conflict. */
    current: stored.optional(),
    /** Rows of a recording that could not be read. */
    bad: z.array(badRow).optional(),
  }),
});
