import { boxDistance, distanceToSegment, nearestBar, signedDistance, type Box } from '../frame/box.ts';
import type { Tube } from '../frame/frame.ts';
import type { PackPlace } from '../frame/names.ts';
import { placeOf } from '../frame/places.ts';
import { RADIANS, along, directionDeg, shifted, type Point } from '../frame/point.ts';
import { swingClearance } from '../frame/swing.ts';
import type { PlacedBox } from '../document/frame-of.ts';
import type { Subject } from './subject.ts';

/** Something a box can run into, with the room that is left, mm; negative when it does. */
export interface Room {
  readonly what: string;
  readonly mm: number;
}

/** Second hole of a bottle boss above the first, mm. Common practice: cages are drilled so. */
const BOSS_PITCH_MM = 64;
/** A boss with its bolt, as a circle on the tube's surface, mm. Common practice. */
const BOSS_RADIUS_MM = 6;

export interface Boss extends Point {
  readonly tube: 'down-tube' | 'seat-tube';
}

/** Where the bottle bosses stand out from their tubes into the triangle. */
export function bossPoints({ build, frame }: Subject): readonly Boss[] {
  return (build.donor.bosses ?? []).flatMap(({ tube, alongMm }) => {
    const end = tube === 'down-tube' ? frame.points.downFront : frame.points.seatTop;
    if (end === undefined) return [];
    const name = tube === 'down-tube' ? 'down tube' : 'seat tube';
    const radius = frame.tubes.find((t) => t.name === name)?.radius ?? 0;
    const out = directionDeg(frame.bracket, end) + (tube === 'down-tube' ? 90 : -90);
    return [0, BOSS_PITCH_MM].map((more): Boss => {
      const on = along(frame.bracket, end, alongMm + more);
      return {
        tube,
        ...shifted(on, Math.cos(out * RADIANS) * (radius + 3), Math.sin(out * RADIANS) * (radius + 3)),
      };
    });
  });
}

/** Bosses stand on a down or seat tube: a frame without them has none. */
export const mayHaveBosses = ({ frame }: Subject): boolean =>
  frame.tubes.some((t) => t.name === 'down tube' || t.name === 'seat tube');

/** The tube that a box is mounted on; null for a box that lies free. */
const bearing = (s: Subject, place: PackPlace) => placeOf(s.frame, place)?.bears ?? null;

/** The tubes that a box could run into: those that do not carry it. Shock and rocker have their own check. */
function tubesAround({ frame }: Subject, carries: string | null): readonly Tube[] {
  // A carrier's strut ends at the rail that carries the box.
  const carried = carries === 'rail' || carries === 'deck';
  return frame.tubes.filter(
    ({ name }) =>
      name !== 'shock' && name !== 'rocker' && name !== carries && !(carried && name === 'deck strut'),
  );
}

/** The wheels beside a box; those that stand in pairs have it between them. */
function wheelRooms({ frame }: Subject, box: Box): readonly Room[] {
  const { style } = frame;
  const room = (what: string, centre: Point, radius: number): Room => ({
    what,
    mm: signedDistance(box, centre) - radius,
  });
  return [
    ...(style === 'carriage' ? [] : [room('rear wheel', frame.rear, frame.rearRadius)]),
    ...(style === 'carriage' || style === 'trike'
      ? []
      : [room('front wheel', frame.front, frame.frontRadius)]),
  ];
}

/** The nearest thing of several. */
export const tightest = (rooms: readonly Room[]): Room | undefined =>
  rooms.reduce<Room | undefined>((a, b) => (a === undefined || b.mm < a.mm ? b : a), undefined);

/** What stands nearest to one box. */
function nearestRoom(s: Subject, box: Box, place: PackPlace): Room | undefined {
  const tube = nearestBar(box, tubesAround(s, bearing(s, place)));
  return tightest([
    ...(tube === undefined ? [] : [{ what: tube.bar.name, mm: tube.mm }]),
    ...wheelRooms(s, box),
  ]);
}

/** Places on which a pack rests as a load: nothing of the frame runs into it, and no knee passes it. */
const CARRIERS: ReadonlySet<PackPlace> = new Set(['rear-rack', 'deck', 'cargo-box']);

/** Boxes that lie in or at the frame, and have to have room there. */
export const inFrame = (s: Subject): readonly PlacedBox[] =>
  s.boxes.filter((box) => !CARRIERS.has(box.place));

/** Boxes that a carrier or a floor bears. */
export const carried = (s: Subject): readonly PlacedBox[] => s.boxes.filter((box) => CARRIERS.has(box.place));

/** What stands nearest to each box; nothing counts for one on a carrier. */
export const nearestRooms = (s: Subject): readonly (Room | undefined)[] =>
  s.boxes.map((box) => (CARRIERS.has(box.place) ? undefined : nearestRoom(s, box, box.place)));

/** How far a box is let into the tube that carries it, or stands off it, mm; undefined for a free one. */
export function seatedMm(s: Subject, box: Box, place: PackPlace): number | undefined {
  const carries = bearing(s, place);
  return nearestBar(
    box,
    s.frame.tubes.filter((t) => t.name === carries),
  )?.mm;
}

/** Room to bottle bosses; those of the tube that carries the box hold its cradle and do not count. */
export const bossRoom = (s: Subject, box: Box, place: PackPlace): readonly Room[] =>
  bossPoints(s)
    .filter((boss) => !(boss.tube === place || (boss.tube === 'seat-tube' && place === 'behind-seat-tube')))
    .map((boss) => ({
      what: boss.tube === 'down-tube' ? 'boss on the down tube' : 'boss on the seat tube',
      mm: signedDistance(box, boss) - BOSS_RADIUS_MM,
    }));

/** Room to shock and rocker through the whole travel; undefined for a frame that does not swing. */
export const shockRoom = (s: Subject, box: Box): number | undefined =>
  swingClearance(s.frame, s.known.donor.shockStrokeMm.value, box);

/** Foot beyond the pedal, mm: heel behind it and toes before it. Common practice, a large shoe. */
const HEEL_MM = 180;
const TOE_MM = 90;

/** Room to the sweep of cranks, heels and toes: a circle of the crank's length drawn out by the foot. */
export function feetRoom(s: Subject, box: Box): number {
  const { bracket } = s.frame;
  return (
    distanceToSegment(box, shifted(bracket, -HEEL_MM, 0), shifted(bracket, TOE_MM, 0)) -
    s.known.donor.crankMm.value
  );
}

/** True where a box lies between the rider's knees: above the cranks and below the saddle. */
export function betweenKnees(s: Subject, box: Box): boolean {
  const { bracket, points } = s.frame;
  const saddle = points.saddle;
  if (saddle === undefined) return false;
  const low = shifted(bracket, 40, 300);
  const high = shifted(saddle, 190, -180);
  return distanceToSegment(box, low, high) < 140;
}

/** Least room between boxes that do not stand beside each other on one floor, mm; undefined for a single one. */
export function betweenBoxes(boxes: readonly PlacedBox[]): number | undefined {
  const all = boxes.flatMap((a, i) =>
    boxes
      .slice(i + 1)
      .filter((b) => a.place !== b.place || a.beside === b.beside)
      .map((b) => boxDistance(a, b)),
  );
  return all.length === 0 ? undefined : Math.min(...all);
}
