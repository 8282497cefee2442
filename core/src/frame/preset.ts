import { shifted, toward, type Point } from './point.ts';
import type { AnyPoint, PackPlace, PointName, TubeName } from './names.ts';

/** What a preset is scaled by, mm. */
export interface FrameInput {
  readonly wheelbase: number;
  /** Radii with the tyre. */
  readonly rearRadius: number;
  readonly frontRadius: number;
  /** Rear axle to bracket, and the bracket's height above the ground. */
  readonly chainstay: number;
  readonly bracketHeight: number;
}

/** Axles and bracket, which follow from the measures alone. */
export interface Anchors {
  readonly rear: Point;
  readonly front: Point;
  readonly bracket: Point;
}

/** The end of a tube: a point, or a share of the way between two. */
export type TubeEnd = AnyPoint | { readonly from: AnyPoint; readonly to: AnyPoint; readonly share: number };

export interface TubeSpec {
  readonly name: TubeName;
  readonly ends: readonly [TubeEnd, TubeEnd];
  readonly diameter: number;
  /** Drawn and counted only when a pack lies there. */
  readonly only?: PackPlace;
}

/** A line that a pack lies along. */
export interface PlaceSpec {
  readonly place: Exclude<PackPlace, 'free'>;
  readonly line: readonly [AnyPoint, AnyPoint];
  /** The tube that carries it. */
  readonly bears: TubeName;
  /** Which side of the line: 1 left of its direction, -1 right. */
  readonly side: 1 | -1;
  /** Centre of the first box along the line. */
  readonly startMm: number;
  /** How wide a carrier or floor is: boxes stand beside each other on it as far as they fit, mm. */
  readonly widthMm?: number;
  /** From the line to the near face of the box: half the tube and a cradle. */
  readonly standoffMm: number;
}

/** A preset frame of one style: from memory, usual proportions. */
export interface Preset {
  readonly points: (input: FrameInput, anchors: Anchors) => Partial<Readonly<Record<PointName, Point>>>;
  readonly tubes: readonly TubeSpec[];
  readonly places: readonly PlaceSpec[];
}

interface FrontInput {
  readonly headDeg: number;
  readonly rake: number;
  readonly axleToCrown: number;
  readonly headTube: number;
}

/** Crown and head tube above the front axle, from head angle, rake and fork length. */
export function frontEnd(axle: Point, { headDeg, rake, axleToCrown, headTube }: FrontInput) {
  const foot = toward(axle, headDeg - 90, -rake);
  const crown = toward(foot, 180 - headDeg, Math.sqrt(axleToCrown ** 2 - rake ** 2));
  const headLow = toward(crown, 180 - headDeg, 12);
  const up = (mm: number): Point => toward(headLow, 180 - headDeg, mm);
  return { crown, headLow, headTop: up(headTube), up };
}

/** Rider's own centre of mass over a saddle, leaning to the bars: from memory, a usual adult. */
export const riderOver = (saddle: Point): Point => shifted(saddle, 190, 170);
