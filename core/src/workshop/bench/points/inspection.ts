import type { Job } from '../../job.ts';
import { holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

const isDisc = (kind: string): boolean => kind.endsWith('disc');

/** A choice in words: "hydraulic disc". */
const told = (kind: string): string => kind.replaceAll('-', ' ');

/** What of the donor's brakes is looked at; one that has none has to be given one. */
function brakeItems({ brakeFront, brakeRear }: Job['build']['donor']): readonly string[] {
  const there = [
    ...(brakeFront === 'none' ? [] : ['Front brake']),
    ...(brakeRear === 'none' ? [] : ['Rear brake']),
  ];
  if (there.length === 0) return ['A brake is fitted'];
  return [...there, isDisc(brakeFront) || isDisc(brakeRear) ? 'Discs wiped, not rubbing' : 'Pads sound'];
}

/** Whether the donor is worth a motor. */
export const inspection = ({ build: { donor } }: Job): readonly HoldPoint[] => [
  holdPoint(
    'inspection',
    'cracks',
    'Frame and fork without cracks',
    'Cleaned, in good light: welds of head tube, bracket, dropouts and fork crown; a fingernail finds what the eye does not.',
    ticks('Head tube and down tube', 'Bracket and stays', 'Dropouts, both', 'Fork crown and blades'),
    {
      guards: true,
      photograph: true,
      caution: 'A cracked frame or fork is not repaired on the road: it is not ridden.',
      part: donor.frameMaterial,
      why: [`frame ${donor.frameMaterial}, fork ${donor.forkMaterial}`],
    },
  ),
  holdPoint(
    'inspection',
    'wheels',
    'Rims true, tyres sound',
    'Spin each wheel against a feeler; no cord, crack or bulge in the tyre.',
    ticks('Front rim', 'Rear rim', 'Tyres and tubes', 'Bearings without play'),
    { instrument: 'feeler gauge' },
  ),
  holdPoint(
    'inspection',
    'brakes',
    'The brakes stop it, before a motor pushes',
    [donor.brakeFront, donor.brakeRear].includes('coaster')
      ? 'Walk it, then brake with each lever alone, and by the pedals backwards; nothing oily near pads or discs.'
      : 'Walk it, then pull each lever alone; nothing oily near pads or discs.',
    ticks(...brakeItems(donor)),
    {
      guards: true,
      caution: 'A motor pushes as long as it is told to: both brakes come before it.',
      part: `${donor.brakeFront}, ${donor.brakeRear}`,
      why: [`front ${told(donor.brakeFront)}, rear ${told(donor.brakeRear)}`],
    },
  ),
];
