import * as z from 'zod';

/** The daily backups of the database. */
export const backupState = z.object({
  /** False where they were switched off. */
  on: z.boolean(),
  folder: z.string().nullable(),
  /** The database itself. */
  file: z.string(),
  /** Days of which there is one, the newest first: 2026-04-12. */
  days: z.array(z.string().regex(/^\d{4}-\d{2}-\d{2}$/)),
  /** Why the last one could not be made, in words. */
  trouble: z.string().nullable(),
});
export type BackupState = z.infer<typeof backupState>;
