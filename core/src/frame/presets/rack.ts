import type { Point } from '../point.ts';
import type { PlaceSpec, TubeSpec } from '../preset.ts';

/** A carrier over the rear wheel, whether fitted or not. */
export const rackPoints = (radius: number): { readonly railRear: Point; readonly railFront: Point } => ({
  railRear: { x: -230, y: 2 * radius + 40 },
  railFront: { x: 130, y: 2 * radius + 40 },
});

/** Its rail and strut, there only when a pack lies on it. */
export const rack: readonly TubeSpec[] = [
  { name: 'rail', ends: ['railRear', 'railFront'], diameter: 12, only: 'rear-rack' },
  {
    name: 'deck strut',
    ends: ['rear', { from: 'railRear', to: 'railFront', share: 0.5 }],
    diameter: 10,
    only: 'rear-rack',
  },
];

export const onRack: PlaceSpec = {
  place: 'rear-rack',
  line: ['railRear', 'railFront'],
  bears: 'rail',
  side: 1,
  startMm: 170,
  standoffMm: 14,
  widthMm: 160,
};
