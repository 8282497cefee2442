/** A label's place on a drawing, px: its left upper corner and its size. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How far a label is moved from where it was meant to stand, px. */
export interface Shift {
  readonly dx: number;
  readonly dy: number;
}

/** Air between labels, px. */
const AIR = 2;
const STEP = 4;
/** A full drawing is searched by so many px. */
const COARSE = 8;
/** Labels are read beside what they name: so many of its own heights up or down, and widths to either side. */
const [HEIGHTS, SIDES] = [5, [0, -0.5, 0.5, -1.08, 1.08]] as const;
/** Sideways a label leaves its line sooner than up or down. */
const SIDEWAYS_COST = 1.4;

/** Area that two boxes share with the air between them, px². */
export function overlap(a: Box, b: Box, air = AIR): number {
  const w = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x) + air;
  const h = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y) + air;
  return w > 0 && h > 0 ? w * h : 0;
}

const moved = (box: Box, { dx, dy }: Shift): Box => ({ ...box, x: box.x + dx, y: box.y + dy });

/** The shift that brings a box wholly within another, where it has room. */
function into(box: Box, room: Box): Shift {
  const along = (at: number, size: number, from: number, whole: number): number =>
    size > whole ? from - at : Math.min(Math.max(at, from), from + whole - size) - at;
  return {
    dx: along(box.x, box.width, room.x, room.width),
    dy: along(box.y, box.height, room.y, room.height),
  };
}

/** Shifts to every place of the room, for a drawing that is full where the label belongs. */
function anywhere(box: Box, room: Box): Shift[] {
  const steps = (from: number, size: number, whole: number): number[] =>
    Array.from({ length: Math.max(1, Math.floor((whole - size) / COARSE) + 1) }, (_, i) => from + COARSE * i);
  return steps(room.x - box.x, box.width, room.width).flatMap((dx) =>
    steps(room.y - box.y, box.height, room.height).map((dy): Shift => ({ dx, dy })),
  );
}

/**
 * Where a label stands clear of those already placed, nearest to where it was meant to be and within the room; where it has
 * none, the least covered place.
 */
export function placeLabel(box: Box, taken: readonly Box[], room: Box): Shift {
  const start = into(box, room);
  const nearby = Array.from({ length: 2 * Math.ceil((HEIGHTS * box.height) / STEP) + 1 }, (_, i) =>
    i === 0 ? 0 : STEP * Math.ceil(i / 2) * (i % 2 === 0 ? 1 : -1),
  ).flatMap((dy) => SIDES.map((side): Shift => ({ dx: side * box.width, dy })));
  const cost = ({ dx, dy }: Shift): number => SIDEWAYS_COST * Math.abs(dx) + Math.abs(dy);
  let [best, least] = [start, Infinity];
  const byCost = (list: Shift[]): readonly Shift[] => list.sort((a, b) => cost(a) - cost(b));
  for (const one of [...byCost(nearby), ...byCost(anywhere(moved(box, start), room))]) {
    const meant = { dx: start.dx + one.dx, dy: start.dy + one.dy };
    const back = into(moved(box, meant), room);
    const shift = { dx: meant.dx + back.dx, dy: meant.dy + back.dy };
    const covered = taken.reduce((sum, other) => sum + overlap(moved(box, shift), other), 0);
    if (covered === 0) return shift;
    if (covered < least) [best, least] = [shift, covered];
  }
  return best;
}

/** Places labels one after another, the first where it is meant to be. */
export function placeLabels(boxes: readonly Box[], room: Box, taken: readonly Box[] = []): readonly Shift[] {
  const standing = [...taken];
  return boxes.map((box) => {
    const shift = placeLabel(box, standing, room);
    standing.push(moved(box, shift));
    return shift;
  });
}
