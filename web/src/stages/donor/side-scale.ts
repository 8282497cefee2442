import type { Frame } from '@apple-cart/core';

/** Above the highest tube there are bars and saddles, mm. */
const HEADROOM = 130;
const MARGIN = 60;

/** Pixels per millimetre at which the whole machine goes into a picture. */
export function scaleFor(frame: Frame, width: number, height: number): number {
  const ends = frame.tubes.flatMap((t) => [t.a, t.b]);
  const box = frame.points.boxFront;
  const left = Math.min(-frame.rearRadius, ...ends.map((p) => p.x)) - MARGIN;
  const right =
    Math.max(
      frame.front.x + frame.frontRadius,
      ...ends.map((p) => p.x),
      box === undefined ? 0 : box.x + 180,
    ) + MARGIN;
  const top = Math.max(1090, ...ends.map((p) => p.y + HEADROOM), (frame.points.rider?.y ?? 0) + 30);
  return Math.min(width / (right - left), height / top);
}
