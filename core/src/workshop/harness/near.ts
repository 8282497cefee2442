import type { BuildDocument } from '../../document/document.ts';
import type { Hazard } from '../../document/harness.ts';
import type { Frame } from '../../frame/frame.ts';
import type { Point } from '../../frame/point.ts';

/** Within so much of an axle a disc turns, mm: half of the largest usual rotor of 203 mm. Common practice. */
const ROTOR_MM = 102;
/** Within so much of the bracket cranks, ring and heels turn, mm: a crank of 175 mm with its pedal's eye. Common practice. */
const CRANK_MM = 190;
/** A cable nearer than this to the line from ring to cogs lies beside the chain, mm: half of a ring of 44 teeth, ISO 606 pitch. */
const CHAIN_MM = 90;

/** Distance of a point from a stretch between two others, mm. */
function away(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const square = dx * dx + dy * dy;
  const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / square));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}

/** Points along a way, not further apart than 20 mm. */
function along(way: readonly Point[]): readonly Point[] {
  return way.flatMap((p, i) => {
    const q = way[i + 1];
    if (q === undefined) return [p];
    const steps = Math.max(1, Math.ceil(Math.hypot(q.x - p.x, q.y - p.y) / 20));
    return Array.from({ length: steps }, (_, k) => ({
      x: p.x + ((q.x - p.x) * k) / steps,
      y: p.y + ((q.y - p.y) * k) / steps,
    }));
  });
}

const isDisc = (kind: BuildDocument['donor']['brakeRear']): boolean =>
  kind === 'cable-disc' || kind === 'hydraulic-disc' || kind === 'unknown';

/** More than a touch: so many points in a row, 20 mm apart, lie beside the chain. */
const BESIDE_POINTS = 5;

/** What of a frame a way along it comes near, whatever is fitted there. */
export interface Nearness {
  readonly rearAxle: boolean;
  readonly frontAxle: boolean;
  readonly bracket: boolean;
  readonly chain: boolean;
}

/** What the way of a cable comes near, as it is drawn. */
export function nearnessOf({ rear, front, bracket }: Frame, way: readonly Point[]): Nearness {
  const points = along(way);
  const isNear = (at: Point, mm: number): boolean =>
    points.some((p) => Math.hypot(p.x - at.x, p.y - at.y) < mm);
  // At the bracket itself it is cranks and ring that it has to clear.
  const beside = points.filter(
    (p) => away(p, bracket, rear) < CHAIN_MM && Math.hypot(p.x - bracket.x, p.y - bracket.y) > CRANK_MM,
  ).length;
  return {
    rearAxle: isNear(rear, ROTOR_MM),
    frontAxle: isNear(front, ROTOR_MM),
    bracket: isNear(bracket, CRANK_MM),
    chain: beside >= BESIDE_POINTS,
  };
}

/**
 * What turns or folds beside the way of a cable: a rotor at an axle with a disc brake (or one that nobody has looked at), cranks and
 * ring at the bracket, the chain along the stay, the fold of a folding donor.
 * @param crosses the cable goes from the bar to the rest of the machine
 */
export function hazardsOf({ donor }: BuildDocument, near: Nearness, crosses: boolean): readonly Hazard[] {
  const rotor = (isDisc(donor.brakeRear) && near.rearAxle) || (isDisc(donor.brakeFront) && near.frontAxle);
  return [
    ...(rotor ? (['rotor'] as const) : []),
    ...(near.chain ? (['chain'] as const) : []),
    ...(near.bracket ? (['crank'] as const) : []),
    ...(crosses && donor.style === 'folding' ? (['fold'] as const) : []),
  ];
}
