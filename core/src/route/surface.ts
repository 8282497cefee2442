/** What a road is made of, as the tyres feel it. */
export const SURFACES = [
  'paved',
  'rough',
  'gravel',
  'loose',
  'grass',
  'packed-snow',
  'snow',
  'sand',
] as const;
export type Surface = (typeof SURFACES)[number];

interface SurfaceData {
  readonly name: string;
  /** Rolling coefficient that it adds for a tyre of 50 mm; a wider one sinks in less, with the root of its width. */
  readonly adds: number;
}

/**
 * Soft ground adds to what a tyre takes on smooth paving, it does not multiply it: a road tyre is not better in snow than
 * a fat one. From memory; they differ widely (40 %) with weather and tread.
 */
export const SURFACE_DATA: Readonly<Record<Surface, SurfaceData>> = {
  paved: { name: 'smooth paving', adds: 0 },
  rough: { name: 'rough paving or setts', adds: 0.002 },
  gravel: { name: 'packed gravel', adds: 0.004 },
  loose: { name: 'loose gravel', adds: 0.012 },
  grass: { name: 'grass or soft earth', adds: 0.018 },
  'packed-snow': { name: 'packed snow', adds: 0.006 },
  snow: { name: 'wet snow or slush', adds: 0.028 },
  sand: { name: 'sand', adds: 0.06 },
};

/** True where tyres sink in somewhere along what is ridden. */
export const givesWay = (spans: readonly { readonly surface: Surface }[]): boolean =>
  spans.some(({ surface }) => SURFACE_DATA[surface].adds > 0);
