import * as z from 'zod';
import { FRAME_STYLES, PACK_PLACES } from '../frame/names.ts';

export const donorStyle = z.enum(FRAME_STYLES);
export type DonorStyle = z.infer<typeof donorStyle>;

export const driveKind = z.enum(['geared-hub', 'direct-drive-hub', 'mid-drive', 'external']);
export type DriveKind = z.infer<typeof driveKind>;

/** A motor whose axle stands in the dropouts. */
export const isHubMotor = ({ drive: { kind } }: { readonly drive: { readonly kind: DriveKind } }): boolean =>
  kind === 'geared-hub' || kind === 'direct-drive-hub';

/** Who turns the current from winding to winding: the controller, or brushes inside. */
export const commutation = z.enum(['electronic', 'brushes']);
export type Commutation = z.infer<typeof commutation>;

export const chemistry = z.enum(['nmc', 'nmc-power', 'lmo', 'lfp', 'lead-acid']);
export type Chemistry = z.infer<typeof chemistry>;

/** A pack is bought as it is, or made up from cells. */
export const packMake = z.enum(['ready', 'cells']);

/** Where a pack is between rides: it starts at the temperature of that place. */
export const packKept = z.enum(['indoors', 'outside', 'unknown']);

/** What is round a pack on a ride, by which it keeps its own warmth. */
export const packCover = z.enum(['case', 'bag', 'bare']);

/** How several packs are joined: one after the other by hand, through diodes, or directly. */
export const joinHow = z.enum(['switch', 'combiner', 'parallel']);
export type JoinHow = z.infer<typeof joinHow>;

export const nesting = z.enum(['square', 'hexagonal']);
export type Nesting = z.infer<typeof nesting>;

export const conductor = z.enum(['copper', 'aluminium', 'copper-clad']);
export type Conductor = z.infer<typeof conductor>;

/** What opens the leads when too much flows. */
export const protection = z.enum(['fuse', 'breaker', 'none', 'unknown']);

/** Whether a fuse or breaker is made to break direct current. */
export const breaks = z.enum(['direct', 'alternating', 'unknown']);

/** What keeps the rush into the controller's capacitors down. */
export const inrushMeans = z.enum(['none', 'resistor', 'anti-spark', 'unknown']);

/** How contacts are put onto leads: both schools, and those who do one after the other. */
export const joints = z.enum(['unknown', 'crimped', 'soldered', 'both']);

/** How lights and horn get their volts. */
export const supplyMeans = z.enum(['converter', 'resistor', 'own-cells', 'unknown']);

/** A file of rules, by its id; whether there is such a file is no matter of the build. */
export const placeId = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'small letters, digits and hyphens');
export type PlaceId = z.infer<typeof placeId>;

/** A yes-or-no fact that may not have been checked yet. */
export const answer = z.enum(['yes', 'no', 'unknown']);
export type Answer = z.infer<typeof answer>;

/** The same of what may be ordered or set so: `planned` is as it should be, and nobody has looked yet whether it is. */
export const plannedAnswer = z.enum(['yes', 'no', 'planned', 'unknown']);
export type PlannedAnswer = z.infer<typeof plannedAnswer>;
/** What nobody has said is planned; what somebody has said stays. */
export const plannedUnlessTold = (answer: PlannedAnswer): PlannedAnswer =>
  answer === 'unknown' ? 'planned' : answer;

export const material = z.enum(['steel', 'aluminium', 'magnesium', 'titanium', 'carbon', 'unknown']);

export const forkKind = z.enum(['rigid', 'suspension', 'none', 'unknown']);

/** How the driven wheel's axle is held. */
export const axleKind = z.enum(['quick-release', 'solid', 'through', 'unknown']);

export const shellKind = z.enum(['threaded', 'unthreaded', 'none', 'unknown']);

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

/** Whether wheels side by side have a brake and a lever each. */
export const pairBrakes = z.enum(['each', 'one', 'unknown']);

export const leverKind = z.enum(['plain', 'cut-off', 'shift-brake', 'hydraulic', 'unknown']);

/** How the cranks sit on their axle: the tool follows. */
export const crankKind = z.enum(['square', 'splined', 'two-piece', 'cottered', 'one-piece', 'unknown']);
export type CrankKind = z.infer<typeof crankKind>;

/** What the cogs sit on. */
export const cogBody = z.enum(['cassette', 'freewheel', 'unknown']);

export const packPlace = z.enum(PACK_PLACES);
