import {
  settle,
  withPack,
  type BuildDocument,
  type Box,
  type Frame,
  type PackDocument,
  type PackPlace,
  type PlacedBox,
} from '@apple-cart/core';

type Placed = PackDocument['boxes'][number];

const within = (value: number, low: number, high: number): number =>
  Math.round(Math.min(high, Math.max(low, value)) * 10) / 10;

const placed = (place: PackPlace, { x, y, angleDeg }: Pick<Box, 'x' | 'y' | 'angleDeg'>): Placed => ({
  place,
  at: { xMm: within(x, -2000, 5000), yMm: within(y, -200, 3000), angleDeg: within(angleDeg, -180, 180) },
});

/** The build with one box of one of its packs replaced. */
export const withBox = (
  build: BuildDocument,
  { pack, nth }: Pick<PlacedBox, 'pack' | 'nth'>,
  box: Placed,
): BuildDocument =>
  withPack(build, pack, (one) => ({ ...one, boxes: one.boxes.map((b, i) => (i === nth ? box : b)) }));

/** The build with all boxes of a pack in one place. */
export const allIn = (build: BuildDocument, pack: number, place: PackPlace): BuildDocument =>
  withPack(build, pack, (one) => ({ ...one, boxes: one.boxes.map(() => ({ place, at: null })) }));

/** A step of the arrow keys leaves a tube; a hand has to pull a box off. */
const KEY_SNAP_MM = 4;

/** A box let go at a point: it takes hold of a tube nearby, or lies free. */
export function droppedAt(frame: Frame, box: Box, x: number, y: number, by: 'hand' | 'keys'): Placed {
  const { place, box: settled } = settle(
    frame,
    box,
    { x, y },
    box.angleDeg,
    by === 'keys' ? KEY_SNAP_MM : undefined,
  );
  return placed(place, settled);
}

/** A box put just there, as typed: it keeps its place's name and does not take hold of anything. */
export const typedAt = (place: PackPlace, box: Box): Placed => placed(place, box);
