import * as z from 'zod';
import { FRAME_STYLES, PACK_PLACES } from '../frame/names.ts';

export const donorStyle = z.enum(FRAME_STYLES);
export type DonorStyle = z.infer<typeof donorStyle>;

export const driveKind = z.enum(['geared-hub', 'direct-drive-hub', 'mid-drive', 'external']);
export type DriveKind = z.infer<typeof driveKind>;

export const chemistry = z.enum(['nmc', 'lfp', 'lead-acid']);
export type Chemistry = z.infer<typeof chemistry>;

export const placeId = z.enum(['us', 'eu', 'gb']);
export type PlaceId = z.infer<typeof placeId>;

/** A yes-or-no fact that may not have been checked yet. */
export const answer = z.enum(['yes', 'no', 'unknown']);
export type Answer = z.infer<typeof answer>;

export const material = z.enum(['steel', 'aluminium', 'titanium', 'carbon', 'unknown']);
export type Material = z.infer<typeof material>;

export const forkKind = z.enum(['rigid', 'suspension', 'none', 'unknown']);
export type ForkKind = z.infer<typeof forkKind>;

/** How the driven wheel's axle is held. */
export const axleKind = z.enum(['quick-release', 'solid', 'through', 'unknown']);
export type AxleKind = z.infer<typeof axleKind>;

export const shellKind = z.enum(['threaded', 'unthreaded', 'none', 'unknown']);
export type ShellKind = z.infer<typeof shellKind>;

export const brakeKind = z.enum([
  'rim',
  'cable-disc',
  'hydraulic-disc',
  'drum',
  'coaster',
  'none',
  'unknown',
]);
export type BrakeKind = z.infer<typeof brakeKind>;

export const leverKind = z.enum(['plain', 'cut-off', 'shift-brake', 'hydraulic', 'unknown']);
export type LeverKind = z.infer<typeof leverKind>;

export const packPlace = z.enum(PACK_PLACES);
