import { rolloutFromSizeMm } from '../document/wheel-size.ts';
import { qty } from '../quantity/phrase.ts';
import { measured, type Check } from '../check/check.ts';
import { cogBodyCheck } from './crank-and-cogs.ts';
import { spokeChecks } from './spoke-checks.ts';
import type { Subject } from './subject.ts';

/** What another rim does to the bicycle. */
export interface RimChange {
  /** How much the driven end rises, mm; negative when it drops. */
  readonly rideHeightMm: number;
  /** The same of the other end. */
  readonly otherRiseMm: number;
  /** Change of the steering axis in degrees: positive makes it steeper. */
  readonly steeringDeg: number;
  /** How far the rim brake's pads have to move, mm towards the axle. */
  readonly padMoveMm: number;
  readonly rolloutPct: number;
}

/**
 * Puts a rim of one bead diameter in place of another with the same tyre: half the difference is the change
 * of height and the way of the pads, and the frame leans by what the ends differ over the wheelbase. Derived; sizes ISO
 * 5775-1.
 * @param otherRiseMm how much the other end rises by a rim of its own, mm
 */
export function rimChange(
  ownBeadMm: number,
  beadMm: number,
  tyreMm: number,
  wheelbaseMm: number,
  end: 'front' | 'rear',
  otherRiseMm = 0,
): RimChange {
  const rise = (beadMm - ownBeadMm) / 2;
  // What both ends do together tilts nothing.
  const lean = (Math.atan((rise - otherRiseMm) / wheelbaseMm) * 180) / Math.PI;
  return {
    rideHeightMm: rise,
    otherRiseMm,
    steeringDeg: end === 'rear' ? lean : -lean,
    padMoveMm: -rise,
    rolloutPct: 100 * (rolloutFromSizeMm(beadMm, tyreMm) / rolloutFromSizeMm(ownBeadMm, tyreMm) - 1),
  };
}

/** A bracket that has dropped by more than this brings pedals to the ground in corners, mm. Common practice, no source. */
const LOW_BRACKET_MM = 10;

/** How much the bracket rises, mm: by moments between the two ends. */
function bracketRise({ known: { donor }, hub }: Subject, change: RimChange): number {
  const [rear, front] =
    hub === 'front' ? [change.otherRiseMm, change.rideHeightMm] : [change.rideHeightMm, change.otherRiseMm];
  return rear + ((front - rear) * donor.chainstayMm.value) / donor.wheelbaseMm.value;
}

/** Pads of an ordinary rim brake move this far in their slots, mm. Common practice, no source. */
const PAD_SLOT_MM = 5;

/** The motor's rim against the wheel that the frame was made for. */
export function wheelChecks(s: Subject): readonly Check[] {
  if (s.hub === undefined) return [];
  const { donor } = s.known;
  const change = rimChange(
    donor.ownBeadMm.value,
    donor.beadMm.value,
    donor.tyreMm.value,
    donor.wheelbaseMm.value,
    s.hub,
    s.build.donor.bothRims ? (donor.otherBeadMm.value - donor.ownBeadMm.value) / 2 : 0,
  );
  const rim = (s.hub === 'front' ? s.build.donor.brakeFront : s.build.donor.brakeRear) === 'rim';
  const inputs = [donor.ownBeadMm, donor.beadMm, ...(s.build.donor.bothRims ? [donor.otherBeadMm] : [])];
  const bracketMm = bracketRise(s, change);
  const drop = change.rideHeightMm < 0 ? 'drops' : 'rises';
  return [
    measured({
      id: 'ride-height',
      group: 'wheel',
      title: 'Ride height with the motor’s rim',
      value: Math.abs(change.rideHeightMm),
      unit: 'mm',
      sense: 'most',
      fine: 5,
      look: 25,
      limit: ['at most ', qty(5, 'mm', 0), ' up or down'],
      why:
        change.rideHeightMm === 0
          ? ['The rim is the size that the frame was made for.']
          : [
              `The ${s.hub} ${drop} `,
              qty(Math.abs(change.rideHeightMm), 'mm', 1),
              Math.abs(change.steeringDeg) < 0.05
                ? ', and so does the other end: the steering axis stays; the bracket '
                : `; the steering axis turns ${Math.abs(change.steeringDeg).toFixed(1)}°; the bracket `,
              bracketMm < 0 ? 'drops ' : 'rises ',
              qty(Math.abs(bracketMm), 'mm', 1),
              bracketMm < -LOW_BRACKET_MM
                ? ' and pedals strike in corners; the roll-out changes by '
                : '; the roll-out changes by ',
              qty(change.rolloutPct, '%', 1),
              '.',
            ],
      remedy: [
        'Have the motor laced into the right rim, or make up with a fatter tyre; measure the roll-out.',
      ],
      origin: 'derived',
      source: 'ISO 5775-1 bead diameters; the limits are common practice',
      inputs,
    }),
    ...(rim
      ? [
          measured({
            id: 'brake-reach',
            group: 'wheel',
            title: 'Rim-brake pads have to move',
            value: Math.abs(change.padMoveMm),
            unit: 'mm',
            sense: 'most',
            fine: PAD_SLOT_MM,
            look: PAD_SLOT_MM + 3,
            limit: ['at most ', qty(PAD_SLOT_MM, 'mm', 0), ', the slot of the arm'],
            why: [
              'The pads sit ',
              qty(Math.abs(change.padMoveMm), 'mm', 1),
              change.padMoveMm > 0 ? ' nearer the axle.' : ' further from the axle.',
            ],
            remedy: ['Take a brake of other reach or a disc; a pad on the tyre cuts it.'],
            origin: 'common practice',
            inputs,
          }),
        ]
      : []),
    ...cogBodyCheck(s),
    ...spokeChecks(s),
  ];
}
