import { isHubMotor, type Answer, type BrakeKind } from './choices.ts';
import type { BuildDocument } from './document.ts';
import type { KnownBuild } from './known-build.ts';
import { stays } from './kept.ts';
import { motorDecided } from './motor-decided.ts';
import { drivesBoth } from './motors.ts';

type End = 'front' | 'rear';

/** A machine's brakes once the motor is in. */
export interface BrakesLeft {
  readonly front: BrakeKind;
  readonly rear: BrakeKind;
  /** Ends whose brake is in the hub that the motor takes the place of. */
  readonly lost: readonly End[];
}

const isInHub = (kind: BrakeKind): boolean => kind === 'coaster' || kind === 'drum';

/** A back-pedal brake whose chain comes from a motor in the bracket: most of those run free backwards. */
export const behindCranks = (build: BuildDocument, known: KnownBuild): boolean =>
  build.drive.kind === 'mid-drive' &&
  build.donor.brakeRear === 'coaster' &&
  motorDecided({ build, known }) &&
  !stays(build, 'motor');

/**
 * The donor's brakes less those that go out with a hub: a drum and a back-pedal brake are part of it. A motor that is to be chosen
 * takes none away, nor does one that is in the donor already.
 */
export function brakesLeft(build: BuildDocument, known: KnownBuild): BrakesLeft {
  const { donor, drive } = build;
  const goesIn = isHubMotor(build) && motorDecided({ build, known }) && !stays(build, 'motor');
  const takes = (end: End): boolean => goesIn && (drive.wheel === end || drivesBoth(build));
  const here = { front: donor.brakeFront, rear: donor.brakeRear };
  const lost = (['front', 'rear'] as const).filter((end) => takes(end) && isInHub(here[end]));
  const slack = behindCranks(build, known) && drive.pullsBack === 'no';
  const left = (end: End): BrakeKind =>
    lost.includes(end) || (end === 'rear' && slack) ? 'none' : here[end];
  return { front: left('front'), rear: left('rear'), lost };
}

/** Ends whose brake has pads, or may have: shoes in a drum and a back-pedal brake have none. */
export function paddedEnds(build: BuildDocument, known: KnownBuild): readonly End[] {
  const left = brakesLeft(build, known);
  return (['front', 'rear'] as const).filter((end) => left[end] !== 'none' && !isInHub(left[end]));
}

/** Braked at one end alone, where two wheels stand side by side: those may have a brake each, on levers of their own. */
export const hasPairToAsk = ({ donor }: BuildDocument, { front, rear }: BrakesLeft): boolean =>
  donor.wheelCount > 2 && (front === 'none') !== (rear === 'none');

/** Two brakes that work without each other, none of them the motor: one an end, or one a wheel of a pair. */
export function independentBrakes(build: BuildDocument, known: KnownBuild): Answer {
  const left = brakesLeft(build, known);
  const kinds = [left.front, left.rear];
  if (hasPairToAsk(build, left)) {
    const { pairBrakes } = build.donor;
    if (pairBrakes === 'one') return 'no';
    return pairBrakes === 'unknown' || kinds.includes('unknown') ? 'unknown' : 'yes';
  }
  if (kinds.includes('none')) return 'no';
  if (behindCranks(build, known) && build.drive.pullsBack === 'unknown') return 'unknown';
  return kinds.includes('unknown') ? 'unknown' : 'yes';
}
