import * as z from 'zod';
import { SURFACES } from './surface.ts';

export const ROUTE_VERSION = 1;
/** Enough for 20,000 recorded points and twice as many again. */
export const MOST_POINTS = 50_000;
const MOST_NODES = 5000;

/** Longer than this no route is kept, m. */
export const LONGEST_ROUTE_M = 2_000_000;

const metres = z.number().min(0).max(LONGEST_ROUTE_M);
const elevation = z.number().min(-500).max(9000);

/** One node of a profile: the road runs straight from node to node. */
const profilePoint = z.strictObject({
  /** Along the road from its start, as an odometer counts. */
  distanceM: metres,
  elevationM: elevation,
  /** Compass direction of the road from here, 0 north, 90 east; null where it is not known. */
  bearingDeg: z.number().min(0).max(360).nullable(),
});
export type ProfilePoint = z.infer<typeof profilePoint>;

const span = z.strictObject({
  fromM: metres,
  toM: metres,
  surface: z.enum(SURFACES),
  limitKmh: z.number().min(3).max(150).nullable(),
});
export type RoadSpan = z.infer<typeof span>;

const stop = z.strictObject({ atM: metres, waitS: z.number().min(0).max(7200) });
export type RoadStop = z.infer<typeof stop>;

/** Positions as they were recorded, so that they can be cleaned anew and written out again. */
const recorded = z
  .strictObject({
    latDeg: z.array(z.number().min(-90).max(90)).max(MOST_POINTS),
    lonDeg: z.array(z.number().min(-180).max(180)).max(MOST_POINTS),
    elevationM: z.array(elevation).max(MOST_POINTS),
    /** Width over which elevations were smoothed, m; 0 for not at all. */
    smoothM: z.number().min(0).max(1000),
  })
  .refine((r) => r.latDeg.length === r.lonDeg.length && r.latDeg.length === r.elevationM.length, {
    error: 'lists of one length',
  })
  .refine((r) => r.latDeg.length >= 2, { error: 'two points at least' });
export type Recorded = z.infer<typeof recorded>;

const ascending = (points: readonly ProfilePoint[]): boolean =>
  points.every((p, i) => i === 0 || p.distanceM > (points[i - 1]?.distanceM ?? Infinity));

/** A road that a build can be ridden on. */
export const route = z
  .strictObject({
    schemaVersion: z.literal(ROUTE_VERSION),
    name: z.string().trim().min(1).max(80),
    note: z.string().max(400),
    sample: z.boolean(),
    profile: z
      .array(profilePoint)
      .min(2)
      .max(MOST_NODES)
      .refine(ascending, { error: 'distances that grow from point to point' }),
    /** Where nothing is said the road is smooth paving without a limit. Later ones lie over earlier ones. */
    spans: z.array(span).max(400),
    stops: z.array(stop).max(400),
    /** How often the whole is ridden, and whether each time comes back the way it went. */
    times: z.number().int().min(1).max(100),
    andBack: z.boolean(),
    recorded: recorded.nullable(),
  })
  .meta({ title: 'Apple Cart route', description: 'Keys carry their unit. See docs/formats.md.' });
export type Route = z.infer<typeof route>;

/** A plain hill: an even grade of a length along the road. */
export function evenHill(name: string, lengthM: number, gradePct: number): Route {
  const tangent = gradePct / 100;
  return {
    schemaVersion: ROUTE_VERSION,
    name,
    note: '',
    sample: false,
    profile: [
      { distanceM: 0, elevationM: 0, bearingDeg: null },
      {
        distanceM: lengthM,
        elevationM: (lengthM * tangent) / Math.sqrt(1 + tangent * tangent),
        bearingDeg: null,
      },
    ],
    spans: [],
    stops: [],
    times: 1,
    andBack: false,
    recorded: null,
  };
}
