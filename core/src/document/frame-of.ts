import { firstOf } from '../quantity/first-of.ts';
import { frame, type Frame } from '../frame/frame.ts';
import type { PointName } from '../frame/names.ts';
import { centreOfMass, type MassPoint } from '../frame/mass.ts';
import { nthBoxOn, placeOf } from '../frame/places.ts';
import type { Box } from '../frame/box.ts';
import { shifted, type Point } from '../frame/point.ts';
import type { BuildDocument } from './document.ts';
import type { KnownBuild } from './known-build.ts';

type Part = Pick<KnownBuild, 'donor' | 'pack'>;

/** Radius of a wheel with its tyre, unladen, from ISO 5775-1 bead and tyre, mm. */
const radius = (beadMm: number, tyreMm: number): number => beadMm / 2 + tyreMm;

/** Where the motor pulls: on a wheel, or at the cranks. */
export const motorAt = (build: BuildDocument): 'front' | 'rear' | 'middle' =>
  build.drive.kind === 'mid-drive' ? 'middle' : build.drive.wheel;

/** The build's frame from the side, to scale. */
export function frameOf(build: BuildDocument, { donor }: Part): Frame {
  const driven = radius(donor.beadMm.value, donor.tyreMm.value);
  const other = radius(donor.otherBeadMm.value, donor.otherTyreMm.value);
  const frontDriven = motorAt(build) === 'front';
  const moved: Partial<Record<PointName, Point>> = {};
  for (const [name, point] of Object.entries(build.donor.points) as [
    PointName,
    { xMm: number; yMm: number } | undefined,
  ][]) {
    if (point !== undefined) moved[name] = { x: point.xMm, y: point.yMm };
  }
  return frame({
    style: build.donor.style,
    wheelbase: donor.wheelbaseMm.value,
    rearRadius: frontDriven ? other : driven,
    frontRadius: frontDriven ? driven : other,
    chainstay: donor.chainstayMm.value,
    bracketHeight: donor.bracketHeightMm.value,
    moved,
    occupied: build.pack.boxes.map((box) => box.place),
  });
}

/** The boxes of the pack where they lie: as put by hand, or in their place one behind the other. */
export function boxesOf(build: BuildDocument, { pack }: Part, onFrame: Frame): readonly Box[] {
  const size = { lengthMm: pack.boxLengthMm.value, heightMm: pack.boxHeightMm.value };
  const used = new Map<string, number>();
  return build.pack.boxes.map(({ place, at }) => {
    const n = used.get(place) ?? 0;
    used.set(place, n + 1);
    if (at !== null) return { ...size, x: at.xMm, y: at.yMm, angleDeg: at.angleDeg };
    // A place that this style does not have falls back to the first that it has.
    const line = placeOf(onFrame, place) ?? onFrame.places[0];
    return line === undefined ? { ...size, ...onFrame.bracket, angleDeg: 0 } : nthBoxOn(line, size, n);
  });
}

const MOTOR_AHEAD = { x: 45, y: 10 };
const CONTROLLER = { x: 0, y: 130 };

/** Both packs; the second rides where the first one does. */
export const packsKg = (build: BuildDocument, { pack, second }: KnownBuild): number =>
  pack.massKg.value + (build.second.join === 'none' ? 0 : second.massKg.value);

/** Everything that weighs, where it is: donor, motor, boxes, controller; then rider and load. */
export function massPoints(
  build: BuildDocument,
  known: KnownBuild,
  onFrame: Frame,
  boxes: readonly Box[],
): { readonly machine: readonly MassPoint[]; readonly people: readonly MassPoint[] } {
  const at = motorAt(build);
  const motor = firstOf(
    [
      [at === 'middle', shifted(onFrame.bracket, MOTOR_AHEAD.x, MOTOR_AHEAD.y)],
      [at === 'rear', onFrame.rear],
    ],
    onFrame.front,
  );
  const external = build.drive.kind === 'external';
  const middle = onFrame.points.bare ?? onFrame.bracket;
  return {
    machine: [
      { name: 'donor', kg: known.donor.massKg.value, ...middle },
      // An external motor stands ahead of its wheel, or behind a front one, at the height of the axle.
      {
        name: 'motor',
        kg: known.drive.massKg.value,
        ...(external ? shifted(motor, (at === 'front' ? -1 : 1) * known.drive.centreMm.value, 0) : motor),
      },
      ...boxes.map((box, i) => ({
        name: `pack box ${String(i + 1)}`,
        kg: packsKg(build, known) / boxes.length,
        x: box.x,
        y: box.y,
      })),
      {
        name: 'controller and fittings',
        kg: known.controller.massKg.value,
        ...shifted(onFrame.bracket, CONTROLLER.x, CONTROLLER.y),
      },
    ],
    people: [
      { name: 'rider', kg: known.brief.riderMassKg.value, ...(onFrame.points.rider ?? middle) },
      { name: 'load', kg: known.brief.loadMassKg.value, ...(onFrame.points.load ?? middle) },
    ],
  };
}

/** Centre of mass of the laden machine, mm ahead of the rear axle and above the ground. */
export function ladenCentre(build: BuildDocument, known: KnownBuild): Point {
  const onFrame = frameOf(build, known);
  const { machine, people } = massPoints(build, known, onFrame, boxesOf(build, known, onFrame));
  return centreOfMass([...machine, ...people]) ?? onFrame.bracket;
}
