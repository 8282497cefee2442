import * as z from 'zod';

/** What a job file would hold beside the build: rows of recordings, and photographs. */
export const jobHolds = z.object({ rows: z.number().int(), photos: z.number().int() });
export type JobHolds = z.infer<typeof jobHolds>;
