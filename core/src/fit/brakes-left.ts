import { isHubMotor, type BrakeKind } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import { motorDecided } from '../document/motor-decided.ts';
import { drivesBoth } from '../document/motors.ts';

type End = 'front' | 'rear';

/** A machine's brakes once the motor is in. */
export interface BrakesLeft {
  readonly front: BrakeKind;
  readonly rear: BrakeKind;
  /** Ends whose brake is in the hub that the motor takes the place of. */
  readonly lost: readonly End[];
}

const isInHub = (kind: BrakeKind): boolean => kind === 'coaster' || kind === 'drum';

/**
 * The donor's brakes less those that go out with a hub: a drum and a back-pedal brake are part of it. A motor that is to be chosen
 * takes none away, nor does one that is in the donor already.
 */
export function brakesLeft(build: BuildDocument, known: KnownBuild): BrakesLeft {
  const { donor, drive } = build;
  const goesIn = isHubMotor(build) && motorDecided({ build, known }) && !donor.keeps.includes('motor');
  const takes = (end: End): boolean => goesIn && (drive.wheel === end || drivesBoth(build));
  const here = { front: donor.brakeFront, rear: donor.brakeRear };
  const lost = (['front', 'rear'] as const).filter((end) => takes(end) && isInHub(here[end]));
  const left = (end: End): BrakeKind => (lost.includes(end) ? 'none' : here[end]);
  return { front: left('front'), rear: left('rear'), lost };
}
