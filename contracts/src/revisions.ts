import * as z from 'zod';

/** Why a version was kept. `was-pin` is a pin that was taken out. */
export const revisionReason = z.enum(['auto', 'named', 'pin', 'was-pin', 'set-aside']);
export type RevisionReason = z.infer<typeof revisionReason>;

/** POST of a version that somebody wants kept. */
export const keepRequest = z.object({
  reason: z.enum(['named', 'pin', 'set-aside']),
  name: z.string().trim().min(1).max(80),
  document: z.unknown(),
});
export type KeepRequest = z.infer<typeof keepRequest>;

export const revisionSummary = z.object({
  id: z.number().int(),
  version: z.number().int(),
  name: z.string().nullable(),
  reason: revisionReason,
  createdAt: z.string(),
});
export type RevisionSummary = z.infer<typeof revisionSummary>;

export const revisionList = z.object({
  revisions: z.array(revisionSummary),
  /** The version that is pinned as the baseline. */
  pinned: z.number().int().nullable(),
});
export type RevisionList = z.infer<typeof revisionList>;

export const storedRevision = z.object({ ...revisionSummary.shape, document: z.unknown() });
export type StoredRevision<T> = RevisionSummary & { readonly document: T };
