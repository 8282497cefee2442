import type { Box, Frame, Point as CorePoint, PointName } from '@apple-cart/core';
import { bars, chain, crank, hub, motor, pack, saddle, sprocketRadius, wheel } from './bicycle-parts.ts';
import { furniture } from './furniture.ts';
import { straight, toward, type Point, type Sketch } from './sketch.tsx';

/** What a drawing needs of a build, mm. */
export interface Drawn {
  readonly frame: Frame;
  readonly boxes: readonly Box[];
  readonly tyre: { readonly rear: number; readonly front: number };
  readonly ringTeeth: number;
  readonly crank: number;
  readonly motorAt: 'front' | 'rear' | 'middle';
  /** The wheel of a second motor, where each has one. */
  readonly secondAt: 'front' | 'rear' | undefined;
  readonly kind: 'geared' | 'direct' | 'middle' | 'external';
  /** Motor sprocket to wheel of an external drive. */
  readonly centre: number;
}

const COG = 20;
/** Radius of a hub motor of each kind, mm: usual cases. */
const HUB = { geared: 74, direct: 112, middle: 26, external: 26 } as const;
const MIDDLE_RADIUS = 96;
const EXTERNAL_RADIUS = 58;

const xy = ({ x, y }: CorePoint): Point => [x, y];

const hubRadius = (d: Drawn, end: 'front' | 'rear'): number =>
  d.motorAt === end || d.secondAt === end ? HUB[d.kind] : 26;

function wheelAt(s: Sketch, d: Drawn, end: 'front' | 'rear'): void {
  const radius = end === 'rear' ? d.frame.rearRadius : d.frame.frontRadius;
  const flange = hubRadius(d, end);
  const axle = xy(d.frame[end]);
  wheel(s, axle, {
    radius,
    tyre: d.tyre[end],
    spokes: radius < 290 ? 20 : 28,
    flange,
    crosses: flange > 40 || radius < 290 ? 1 : 3,
  });
}

function hubAt(s: Sketch, d: Drawn, end: 'front' | 'rear'): void {
  const radius = hubRadius(d, end);
  if (radius > 40) motor(s, xy(d.frame[end]), radius);
  else hub(s, xy(d.frame[end]));
}

/** Tubes that are drawn first, so that the main frame lies over them. */
const BEHIND = ['seatstay', 'chainstay', 'rail', 'deck strut', 'deck'];
/** Welded to nothing: drawn on top, with square ends or of their own. */
const ALONE = ['fork', 'head tube', 'seat post', 'shock', 'rocker', 'steering column', 'seat frame'];

function tubes(s: Sketch, { frame }: Drawn): void {
  const of = (names: (name: string) => boolean) =>
    frame.tubes
      .filter((t) => names(t.name))
      .map((t) => ({
        along: straight(xy(t.a), xy(t.b)),
        width: t.radius * 2,
        square: t.name === 'head tube',
      }));
  s.tubes(of((n) => n === 'seat post'));
  s.tubes(of((n) => BEHIND.includes(n)));
  s.tubes(of((n) => !BEHIND.includes(n) && !ALONE.includes(n)));
  s.tubes(of((n) => n === 'fork'));
  s.tubes(of((n) => n === 'head tube'));
  s.tubes(of((n) => n === 'rocker'));
  s.tubes(of((n) => n === 'shock' || n === 'steering column' || n === 'seat frame'));
}

/** Bar and stem over the head tube, as far up as a hand wants them. */
function steering(s: Sketch, { frame }: Drawn): void {
  const { headLow, headTop } = frame.points;
  if (headLow === undefined || headTop === undefined) return;
  if (frame.style === 'trike' || frame.style === 'carriage' || frame.style === 'recumbent') return;
  const axis = Math.atan2(headTop.y - headLow.y, headTop.x - headLow.x);
  const rise = Math.max(64, 1010 - headTop.y);
  const top = toward(xy(headTop), axis, Math.min(rise, 330) - 20);
  s.tubes([{ along: straight(xy(headTop), top), width: 27 }]);
  bars(s, top);
}

function cranks(s: Sketch, d: Drawn): void {
  const at = xy(d.frame.bracket);
  if (d.motorAt === 'middle') {
    // Ahead of the bracket, or behind it on a boom.
    const ahead = d.frame.style === 'recumbent' ? -36 : 40;
    motor(s, [at[0] + ahead, at[1] - 4], MIDDLE_RADIUS);
  }
  const captain = d.frame.points.captainBracket;
  if (captain !== undefined) crank(s, xy(captain), 25, d.crank);
  s.circle(at, sprocketRadius(d.ringTeeth), { stroke: 'ink', width: s.line * 1.1 });
  crank(s, at, d.frame.style === 'recumbent' ? 200 : 22, d.crank);
}

function external(s: Sketch, d: Drawn): void {
  if (d.kind !== 'external' || d.motorAt === 'middle') return;
  const axle = d.frame[d.motorAt];
  const side = d.motorAt === 'front' ? -1 : 1;
  const shaft: Point = [axle.x + side * d.centre, axle.y + 20];
  chain(s, xy(axle), 44, shaft, 12, 'added');
  motor(s, shaft, EXTERNAL_RADIUS);
}

/** The whole bicycle in ink, and in blue what the conversion adds; without the pack where `packs` is false. */
export function drawBicycle(s: Sketch, d: Drawn, packs = true): void {
  const { frame } = d;
  const at = (name: PointName): Point | undefined => {
    const point = frame.points[name];
    return point === undefined ? undefined : xy(point);
  };
  const paired = frame.style === 'trike';
  wheelAt(s, d, 'rear');
  if (!paired) wheelAt(s, d, 'front');
  const captain = frame.points.captainBracket;
  if (captain !== undefined) chain(s, xy(frame.bracket), 34, xy(captain), 34, 'soft');
  chain(s, xy(frame.rear), COG, xy(frame.bracket), d.ringTeeth);
  tubes(s, d);
  hubAt(s, d, 'rear');
  if (!paired) hubAt(s, d, 'front');
  external(s, d);
  steering(s, d);
  furniture(s, frame);
  for (const name of ['saddle', 'captainSaddle'] as const) {
    const point = at(name);
    if (point !== undefined && frame.style !== 'carriage') saddle(s, point);
  }
  if (packs) for (const box of d.boxes) pack(s, [box.x, box.y], box.lengthMm, box.heightMm, box.angleDeg);
  if (paired) {
    wheelAt(s, d, 'front');
    hubAt(s, d, 'front');
  }
  cranks(s, d);
}
