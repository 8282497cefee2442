import type { Frame, Point } from '@apple-cart/core';

/** Size of the picture, px. */
export const WIDTH = 628;
export const HEIGHT = 292;
export const GROUND = HEIGHT - 6;

/** Millimetres of the bicycle to pixels of the picture, and back. */
export interface Page {
  readonly scale: number;
  readonly left: number;
}
export const px = (page: Page, { x, y }: Point): Point => ({
  x: page.left + x * page.scale,
  y: GROUND - y * page.scale,
});
export const points = (page: Page, list: readonly Point[]): string =>
  list
    .map((p) => px(page, p))
    .map((p) => `${p.x.toFixed(1)},${p.y.toFixed(1)}`)
    .join(' ');

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
