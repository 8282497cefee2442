import { nearestBar, type Box } from './box.ts';
import type { Frame, Tube } from './frame.ts';
import { RADIANS, distance, turned, type Point } from './point.ts';

/** Poses looked at through the travel, mm of stroke apart: a rocker's arc strays 0.02 mm between them. */
const POSE_MM = 2.5;

/** Turns the end of a rocker by an arc of `stroke` mm, the way that shortens the shock. */
function rocked(rocker: Point, end: Point, shock: Point, stroke: number): Point {
  const arm = distance(rocker, end);
  if (arm === 0) return end;
  const degrees = stroke / arm / RADIANS;
  const [left, right] = [turned(end, rocker, degrees), turned(end, rocker, -degrees)];
  return distance(left, shock) < distance(right, shock) ? left : right;
}

/** Rocker and shock with the shock in by so many mm. Rear triangle left out: no pack reaches it. */
export function swungTubes(frame: Frame, inMm: number): readonly Tube[] {
  const { topLow, shockLow, shockTop } = frame.points;
  if (topLow === undefined || shockLow === undefined || shockTop === undefined) return [];
  const end = rocked(topLow, shockLow, shockTop, inMm);
  return frame.tubes.flatMap((tube): readonly Tube[] => {
    if (tube.name === 'rocker') return [{ ...tube, b: end }];
    if (tube.name === 'shock') return [{ ...tube, a: end }];
    return [];
  });
}

/**
 * Least room in mm between a box and everything that moves with the shock, through its whole travel;
 * undefined for a frame that does not swing.
 */
export function swingClearance(frame: Frame, strokeMm: number, box: Box): number | undefined {
  if (frame.points.shockTop === undefined) return undefined;
  const poses = Array.from({ length: Math.ceil(strokeMm / POSE_MM) }, (_, i) => i * POSE_MM);
  return nearestBar(
    box,
    [...poses, strokeMm].flatMap((inMm) => swungTubes(frame, inMm)),
  )?.mm;
}
