/** What a road is made of, as the tyres feel it. */
export const SURFACES = ['paved', 'rough', 'gravel', 'grass', 'snow'] as const;
export type Surface = (typeof SURFACES)[number];

interface SurfaceData {
  readonly name: string;
  /** Times the tyre's rolling resistance on smooth paving, and the span it may lie in. */
  readonly times: number;
  readonly span: readonly [number, number];
}

/** Multipliers from memory; they differ widely with pressure, tread and weather. */
export const SURFACE_DATA: Readonly<Record<Surface, SurfaceData>> = {
  paved: { name: 'smooth paving', times: 1, span: [1, 1.1] },
  rough: { name: 'rough paving or setts', times: 1.3, span: [1.1, 1.6] },
  gravel: { name: 'gravel', times: 1.7, span: [1.3, 2.5] },
  grass: { name: 'grass or soft earth', times: 2.3, span: [1.7, 4] },
  snow: { name: 'wet snow or slush', times: 3, span: [2, 4] },
};
