import { bareDonorKg } from './kept.ts';
import { drivesBoth, motorCount } from './motors.ts';
import { firstOf } from '../quantity/first-of.ts';
import { frame, type Frame } from '../frame/frame.ts';
import type { PackPlace, PointName } from '../frame/names.ts';
import { centreOfMass, type MassPoint } from '../frame/mass.ts';
import { besideIn, nthBoxOn, placeOf } from '../frame/places.ts';
import type { Box } from '../frame/box.ts';
import { shifted, type Point } from '../frame/point.ts';
import type { BuildDocument } from './document.ts';
import type { KnownBuild } from './known-build.ts';

type Part = Pick<KnownBuild, 'donor' | 'packs'>;

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
    occupied: build.packs.flatMap((pack) => pack.boxes.map((box) => box.place)),
  });
}

/** One box of a pack, where it lies. */
export interface PlacedBox extends Box {
  /** Which pack it is of, and which of its boxes. */
  readonly pack: number;
  readonly nth: number;
  readonly place: PackPlace;
  /** Which of the boxes beside each other on a floor or carrier it is, from 0; they lie one behind the other in the side view. */
  readonly beside: number;
}

/** The boxes of all packs where they lie: as put by hand, or in their place one behind the other. */
export function boxesOf(build: BuildDocument, { packs }: Part, onFrame: Frame): readonly PlacedBox[] {
  const used = new Map<string, number>();
  return build.packs.flatMap((pack, i) => {
    const own = packs[i];
    if (own === undefined) return [];
    const size = { lengthMm: own.boxLengthMm.value, heightMm: own.boxHeightMm.value };
    return pack.boxes.map(({ place, at }, nth): PlacedBox => {
      const n = used.get(place) ?? 0;
      used.set(place, n + 1);
      // A place that this style does not have falls back to the first that it has.
      const line = placeOf(onFrame, place) ?? onFrame.places[0];
      const across = line === undefined ? 1 : besideIn(line, own.boxWidthMm.value);
      const of = { pack: i, nth, place, beside: n % across };
      if (at !== null) return { ...size, ...of, x: at.xMm, y: at.yMm, angleDeg: at.angleDeg };
      const box =
        line === undefined ? { ...size, ...onFrame.bracket, angleDeg: 0 } : nthBoxOn(line, size, n, across);
      return { ...box, ...of };
    });
  });
}

const MOTOR_AHEAD = { x: 45, y: 10 };
const CONTROLLER = { x: 0, y: 130 };

/** All packs together. */
export const packsKg = ({ packs }: KnownBuild): number =>
  packs.reduce((sum, pack) => sum + pack.massKg.value, 0);

/** A box by its number; on a machine with several packs by its pack's as well. */
export const boxName = ({ packs }: BuildDocument, { pack, nth }: Pick<PlacedBox, 'pack' | 'nth'>): string =>
  packs.length > 1 ? `pack ${String(pack + 1)}, box ${String(nth + 1)}` : `pack box ${String(nth + 1)}`;

/** Everything that weighs, where it is: donor, motor, boxes, controller; then rider and load. */
export function massPoints(
  build: BuildDocument,
  known: KnownBuild,
  onFrame: Frame,
  boxes: readonly PlacedBox[],
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
  const pair = motorCount(build) === 2 && !drivesBoth(build);
  const middle = onFrame.points.bare ?? onFrame.bracket;
  return {
    machine: [
      { name: 'donor', kg: bareDonorKg(build, known), ...middle },
      // An external motor stands ahead of its wheel, or behind a front one, at the height of the axle.
      ...(drivesBoth(build)
        ? [
            {
              name: 'second motor',
              kg: known.drive.massKg.value,
              ...(at === 'rear' ? onFrame.front : onFrame.rear),
            },
          ]
        : []),
      {
        name: pair ? 'motors' : 'motor',
        kg: (pair ? 2 : 1) * known.drive.massKg.value,
        ...(external ? shifted(motor, (at === 'front' ? -1 : 1) * known.drive.centreMm.value, 0) : motor),
      },
      ...boxes.map((box) => ({
        name: boxName(build, box),
        kg: (known.packs[box.pack]?.massKg.value ?? 0) / (build.packs[box.pack]?.boxes.length ?? 1),
        x: box.x,
        y: box.y,
      })),
      {
        name: 'controller and fittings',
        kg: motorCount(build) * known.controller.massKg.value,
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
