import * as z from 'zod';

/** Whether whoever asks may use the server, and whether it sits at the computer itself. */
export const shareMe = z.object({ here: z.boolean(), in: z.boolean() });
export type ShareMe = z.infer<typeof shareMe>;

export const shareState = z.object({
  on: z.boolean(),
  /** By which other devices reach this computer. */
  addresses: z.array(z.string()),
  devices: z.array(
    z.object({ id: z.string(), name: z.string(), address: z.string(), since: z.string(), seen: z.string() }),
  ),
});
export type ShareState = z.infer<typeof shareState>;

export const shareCode = z.object({ code: z.string(), until: z.string() });
export type ShareCode = z.infer<typeof shareCode>;
