import type { AnyPoint, FrameStyle, PackPlace, PointName, TubeName } from './names.ts';
import { between, type Point } from './point.ts';
import { PRESETS } from './presets/index.ts';
import type { Anchors, FrameInput, PlaceSpec, TubeEnd, TubeSpec } from './preset.ts';

export interface Tube {
  readonly name: TubeName;
  readonly a: Point;
  readonly b: Point;
  readonly radius: number;
}

export interface Place extends Omit<PlaceSpec, 'line'> {
  readonly a: Point;
  readonly b: Point;
}

/** A frame from the side, to scale: where everything is, mm. */
export interface Frame extends Anchors {
  readonly style: FrameStyle;
  readonly rearRadius: number;
  readonly frontRadius: number;
  readonly points: Partial<Readonly<Record<PointName, Point>>>;
  readonly tubes: readonly Tube[];
  readonly places: readonly Place[];
}

export interface FrameRequest extends FrameInput {
  readonly style: FrameStyle;
  /** Points that the builder has moved or measured; the rest are the preset's. */
  readonly moved: Partial<Readonly<Record<PointName, Point>>>;
  /** Where packs lie: a carrier is drawn only when something lies on it. */
  readonly occupied: readonly PackPlace[];
}

/** Axles above their contacts, and the bracket from chainstay and height; ahead of the rear axle. */
export function anchors(input: FrameInput): Anchors {
  const rise = input.bracketHeight - input.rearRadius;
  return {
    rear: { x: 0, y: input.rearRadius },
    front: { x: input.wheelbase, y: input.frontRadius },
    bracket: { x: Math.sqrt(Math.max(0, input.chainstay ** 2 - rise ** 2)), y: input.bracketHeight },
  };
}

/** Draws up a frame: the style's preset scaled to the entered measures, with the moved points in their place. */
export function frame(request: FrameRequest): Frame {
  const { style, moved, occupied, ...input } = request;
  const preset = PRESETS[style];
  const fixed = anchors(input);
  const points = { ...preset.points(input, fixed), ...moved };
  const at = (name: AnyPoint): Point => {
    if (name === 'rear' || name === 'front' || name === 'bracket') return fixed[name];
    const point = points[name];
    if (point === undefined) throw new TypeError(`the ${style} preset has no point ${name}`);
    return point;
  };
  const end = (e: TubeEnd): Point => (typeof e === 'string' ? at(e) : between(at(e.from), at(e.to), e.share));
  const tube = ({ name, ends, diameter }: TubeSpec): Tube => ({
    name,
    a: end(ends[0]),
    b: end(ends[1]),
    radius: diameter / 2,
  });
  return {
    style,
    ...fixed,
    rearRadius: input.rearRadius,
    frontRadius: input.frontRadius,
    points,
    tubes: preset.tubes.filter((t) => t.only === undefined || occupied.includes(t.only)).map((t) => tube(t)),
    places: preset.places.map(({ line, ...place }) => ({
      ...place,
      a: at(line[0]),
      b: at(line[1]),
    })),
  };
}
