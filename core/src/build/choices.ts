import * as z from 'zod';

export const donorStyle = z.enum([
  'diamond',
  'step-through',
  'small-wheel',
  'fat',
  'recumbent',
  'tandem',
  'longtail',
  'trike',
  'carriage',
]);
export type DonorStyle = z.infer<typeof donorStyle>;

export const driveKind = z.enum(['geared-hub', 'direct-drive-hub', 'mid-drive']);
export type DriveKind = z.infer<typeof driveKind>;

export const chemistry = z.enum(['nmc', 'lfp', 'lead-acid']);
export type Chemistry = z.infer<typeof chemistry>;

export const placeId = z.enum(['us', 'eu', 'gb']);
export type PlaceId = z.infer<typeof placeId>;

/** A yes-or-no fact that may not have been checked yet. */
export const answer = z.enum(['yes', 'no', 'unknown']);
export type Answer = z.infer<typeof answer>;
