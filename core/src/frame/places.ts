import type { Box } from './box.ts';
import type { Frame, Place } from './frame.ts';
import type { PackPlace } from './names.ts';
import { RADIANS, along, directionDeg, distance, nearestOn, type Point } from './point.ts';

/** Size of a pack box in the side view, mm. */
export interface BoxSize {
  readonly lengthMm: number;
  readonly heightMm: number;
}

/** Between boxes of one place, mm. Common practice. */
const BETWEEN_MM = 20;

/** A box lying along a place's line with its centre `mm` from the line's beginning, on so many others of its height. */
export function boxOn(place: Place, size: BoxSize, mm: number, layer = 0): Box {
  const angleDeg = directionDeg(place.a, place.b);
  const off = place.side * (place.standoffMm + size.heightMm / 2 + layer * (size.heightMm + BETWEEN_MM));
  const on = along(place.a, place.b, mm);
  return {
    ...size,
    angleDeg,
    x: on.x - Math.sin(angleDeg * RADIANS) * off,
    y: on.y + Math.cos(angleDeg * RADIANS) * off,
  };
}

/** How many boxes of a width stand beside each other in a place: one, but on a carrier or a floor. */
export const besideIn = (place: Place, widthMm: number): number =>
  place.widthMm === undefined
    ? 1
    : Math.max(1, Math.floor((place.widthMm + BETWEEN_MM) / (widthMm + BETWEEN_MM)));

/**
 * The nth box of a place: rows of boxes beside each other, one row after the other, 20 mm apart. A carrier or a floor is filled to
 * its ends, then the next layer lies on the first; along a tube they go on in one row.
 */
export function nthBoxOn(place: Place, size: BoxSize, n: number, beside: number): Box {
  const pitch = size.lengthMm + BETWEEN_MM;
  const row = Math.floor(n / beside);
  if (place.widthMm === undefined) return boxOn(place, size, place.startMm + row * pitch);
  const length = distance(place.a, place.b);
  const rows = Math.max(1, Math.floor((length + BETWEEN_MM) / pitch));
  const ahead = Math.max(1, Math.floor((length - place.startMm) / pitch) + 1);
  const inLayer = row % rows;
  // Those that would stand before the end of the floor stand behind the first.
  const on = inLayer < ahead ? inLayer : ahead - 1 - inLayer;
  return boxOn(place, size, place.startMm + on * pitch, Math.floor(row / rows));
}

/** The place of that name on this frame; undefined where the style has none. */
export const placeOf = (frame: Frame, name: PackPlace): Place | undefined =>
  frame.places.find((p) => p.place === name);

/** A dragged box takes hold of a tube within this distance of its proper place, mm. */
export const SNAP_MM = 70;

/**
 * Where a box that was let go at a point comes to lie: along the nearest place whose line it can take hold
 * of, sliding no further than the line's ends; otherwise free, turned as it was.
 */
export function settle(
  frame: Frame,
  size: BoxSize,
  at: Point,
  angleDeg: number,
  snapMm = SNAP_MM,
): { readonly place: PackPlace; readonly box: Box } {
  let best: { place: PackPlace; box: Box } | undefined;
  let nearest = snapMm;
  for (const place of frame.places) {
    // The centre's own line runs beside the tube; a short box may not slide past the tube's ends.
    const first = boxOn(place, size, 0);
    const last = boxOn(place, size, distance(place.a, place.b));
    const { share, distance: away } = nearestOn(first, last, at);
    if (away >= nearest) continue;
    nearest = away;
    best = { place: place.place, box: boxOn(place, size, share * distance(place.a, place.b)) };
  }
  return best ?? { place: 'free', box: { ...size, x: at.x, y: at.y, angleDeg } };
}
