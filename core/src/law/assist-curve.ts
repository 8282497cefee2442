import { msToKmh } from '../quantity/units.ts';
import type { Machine } from '../machine/machine.ts';
import { helpIn } from '../ride/operating-point.ts';
import type { CurveClause } from './rule-schema.ts';

/** Motor force per pedal force, both at the tyre, against speed: straight lines between corners. */
export interface RatioCorner {
  readonly kmh: number;
  readonly ratio: number;
}

/**
 * The build's own curve of help: constant below the fade, straight to nothing at the cut-off. Shaft power in
 * proportion to the rider's becomes force at the tyre by each one's efficiency. Undefined where the help does not
 * follow the rider (cadence sensor, throttle): a light foot has all of it.
 */
export function assistCorners(machine: Machine): readonly RatioCorner[] | undefined {
  // Beside a throttle the help can be had without any of the rider's power.
  if (machine.assistRatio === Infinity || machine.limits.handCutoff > 0) return undefined;
  // By torque it is most in the tallest gear, which the rider is free to choose.
  const most = Math.max(...machine.gears.map((gear) => helpIn(machine, gear)));
  const ratio = (most * machine.assistRatio * machine.efficiency) / machine.chainEfficiency;
  const { cutoff, taper } = machine.limits;
  if (cutoff === Infinity) return [{ kmh: 0, ratio }];
  const from = Math.max(0, cutoff - taper);
  return [
    { kmh: 0, ratio: taper > cutoff ? (ratio * cutoff) / taper : ratio },
    ...(from > 0 ? [{ kmh: msToKmh(from), ratio }] : []),
    { kmh: msToKmh(cutoff), ratio: 0 },
  ];
}

/** Value of a curve at a speed; past its last corner that corner's value, which is 0 where help has ended. */
export const ratioAt = (corners: readonly RatioCorner[], kmh: number): number =>
  between(
    corners,
    corners.findIndex((c) => c.kmh > kmh),
    kmh,
  );

/** The same, coming from below: where a curve steps down, the value before the step. */
const ratioBelow = (corners: readonly RatioCorner[], kmh: number): number =>
  between(
    corners,
    corners.findIndex((c) => c.kmh >= kmh),
    kmh,
  );

/** On the straight line that ends at corner number `next`; -1 is past the last one. */
function between(corners: readonly RatioCorner[], next: number, kmh: number): number {
  if (next === -1) return corners.at(-1)?.ratio ?? 0;
  const [a, b] = [corners[next - 1], corners[next]];
  if (b === undefined) return 0;
  if (a === undefined) return b.ratio;
  return a.ratio + ((b.ratio - a.ratio) * (kmh - a.kmh)) / (b.kmh - a.kmh);
}

/**
 * Where the build's curve is furthest above the limit, or nearest below it. Both are straight between corners, so
 * the corners of the two together hold the worst point exactly; beyond the limit's last corner any help is too much.
 */
export function worstPoint(
  build: readonly RatioCorner[],
  limit: CurveClause['corners'],
): { readonly kmh: number; readonly ratio: number; readonly allowed: number } {
  const end = limit.at(-1)?.kmh ?? 0;
  const speeds = [...build, ...limit].map((c) => c.kmh);
  // At a step of the build's help the value just below it counts as well.
  const points = speeds.flatMap((kmh) =>
    [ratioAt(build, kmh), ratioBelow(build, kmh)].map((ratio) => ({
      kmh,
      ratio,
      allowed: kmh >= end ? 0 : ratioAt(limit, kmh),
    })),
  );
  return points.reduce(
    (worst, p) => (p.ratio - p.allowed > worst.ratio - worst.allowed + 1e-12 ? p : worst),
    points[0] ?? { kmh: 0, ratio: 0, allowed: 0 },
  );
}
