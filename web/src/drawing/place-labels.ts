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
function* anywhere(box: Box, room: Box): Generator<Shift> {
  const steps = (size: number, whole: number): number => Math.max(1, Math.floor((whole - size) / COARSE) + 1);
  const [across, down] = [steps(box.width, room.width), steps(box.height, room.height)];
  for (let i = 0; i < across; i += 1)
    for (let j = 0; j < down; j += 1)
      yield { dx: room.x - box.x + COARSE * i, dy: room.y - box.y + COARSE * j };
}

/** Shifts to the places beside what a label names, itself first. */
function* nearby(box: Box): Generator<Shift> {
  const steps = Math.ceil((HEIGHTS * box.height) / STEP);
  for (let i = 0; i <= 2 * steps; i += 1)
    for (const side of SIDES)
      yield { dx: side * box.width, dy: i === 0 ? 0 : STEP * Math.ceil(i / 2) * (i % 2 === 0 ? 1 : -1) };
}

const costOf = ({ dx, dy }: Shift): number => SIDEWAYS_COST * Math.abs(dx) + Math.abs(dy);

/**
 * Where a label stands clear of those already placed, nearest to where it was meant to be and within the room; where it has
 * none, the least covered place. Most stand clear at once: the rest of the room is looked at only where nothing nearer is.
 */
export function placeLabel(box: Box, taken: readonly Box[], room: Box): Shift {
  const start = into(box, room);
  let [best, covers, cost] = [start, Infinity, Infinity];
  const lookAt = (places: Iterable<Shift>): void => {
    for (const one of places) {
      const dear = costOf(one);
      if (covers === 0 && dear >= cost) continue;
      const meant = { dx: start.dx + one.dx, dy: start.dy + one.dy };
      const back = into(moved(box, meant), room);
      const shift = { dx: meant.dx + back.dx, dy: meant.dy + back.dy };
      const here = moved(box, shift);
      let covered = 0;
      for (const other of taken) {
        covered += overlap(here, other);
        if (covered > covers) break;
      }
      if (covered < covers || (covered === covers && dear < cost))
        [best, covers, cost] = [shift, covered, dear];
      if (covered === 0 && dear === 0) return;
    }
  };
  lookAt(nearby(box));
  if (covers > 0) {
    // Of what covers as much as what is near, the near stays.
    cost = 0;
    lookAt(anywhere(moved(box, start), room));
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
