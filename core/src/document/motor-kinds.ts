import type { DriveKind } from './choices.ts';

/** What motors of one kind have in common, and how it follows from their mass. Exponents derived, values from memory. */
export interface MotorKind {
  readonly name: string;
  /** Mass by label watts: M = a P^b, kg. */
  readonly massByWatts: readonly [number, number];
  /** The motor that the values below belong to, kg. */
  readonly massKg: number;
  /** Torque constant squared over resistance, N2m2/W: alike for every winding of one motor. */
  readonly km2: number;
  readonly hysteresisNm: number;
  readonly eddyNms: number;
  /** Powers of the mass that the two drags grow with. */
  readonly dragPowers: readonly [number, number];
  readonly windingJK: number;
  readonly shellJK: number;
  readonly coupleWK: number;
  readonly stillWK: number;
  readonly movingWK: number;
  /** Axle, bearings, covers, cranks: no copper in it, kg. */
  readonly deadKg: number;
  /** Reduction inside the motor, by label watts. */
  readonly reduction: (watts: number) => number;
  readonly efficiency: (watts: number) => number;
  /** Phase amps over battery amps that its controllers allow. */
  readonly currentRatio: number;
  /** Peak torque at wheel, crank or shaft before the iron is full, N m per kg. */
  readonly torquePerKg: number;
}

const one = (): number => 1;

export const MOTOR_KINDS: Readonly<Record<DriveKind | 'brushed', MotorKind>> = {
  'geared-hub': {
    name: 'geared hub',
    massByWatts: [0.29, 0.41],
    massKg: 4.2,
    km2: 0.47,
    hysteresisNm: 0.12,
    eddyNms: 5e-4,
    dragPowers: [4 / 3, 5 / 3],
    windingJK: 900,
    shellJK: 1500,
    coupleWK: 1.6,
    stillWK: 1.5,
    movingWK: 1.1,
    deadKg: 1,
    reduction: (watts) => (watts <= 350 ? 4.4 : 5),
    efficiency: (watts) => (watts <= 350 ? 0.92 : 0.93),
    currentRatio: 2.5,
    torquePerKg: 15,
  },
  'direct-drive-hub': {
    name: 'direct-drive hub',
    massByWatts: [0.42, 0.4],
    massKg: 6.8,
    km2: 5.94,
    hysteresisNm: 0.55,
    eddyNms: 0.01,
    // Hubs of one diameter are only wider.
    dragPowers: [1, 1],
    windingJK: 1600,
    shellJK: 2200,
    coupleWK: 3,
    stillWK: 2,
    movingWK: 1.6,
    deadKg: 1,
    reduction: one,
    efficiency: one,
    currentRatio: 2.5,
    torquePerKg: 10,
  },
  'mid-drive': {
    name: 'mid-drive',
    massByWatts: [0.66, 0.315],
    massKg: 5.8,
    km2: 0.218,
    hysteresisNm: 0.1,
    eddyNms: 3e-4,
    dragPowers: [4 / 3, 5 / 3],
    windingJK: 600,
    shellJK: 1500,
    coupleWK: 2.3,
    stillWK: 1.2,
    movingWK: 0.8,
    deadKg: 2,
    reduction: (watts) => {
      if (watts <= 350) return 31;
      return watts <= 850 ? 22 : 29;
    },
    efficiency: () => 0.9,
    currentRatio: 2,
    torquePerKg: 25,
  },
  external: {
    name: 'outrunner on a drive of its own',
    massByWatts: [0.012, 0.66],
    massKg: 1.9,
    km2: 0.262,
    hysteresisNm: 0.06,
    eddyNms: 2.6e-4,
    dragPowers: [4 / 3, 5 / 3],
    windingJK: 380,
    shellJK: 380,
    coupleWK: 1.6,
    stillWK: 2,
    movingWK: 0.5,
    deadKg: 0.2,
    reduction: one,
    efficiency: one,
    currentRatio: 3,
    torquePerKg: 4,
  },
  brushed: {
    name: 'brushed motor on a chain',
    massByWatts: [0.13, 0.55],
    massKg: 5.3,
    km2: 0.075,
    hysteresisNm: 0.17,
    eddyNms: 3.5e-4,
    dragPowers: [1, 5 / 3],
    windingJK: 780,
    shellJK: 1550,
    coupleWK: 2.4,
    stillWK: 1.3,
    movingWK: 0.6,
    deadKg: 0.5,
    reduction: one,
    efficiency: one,
    currentRatio: 1.2,
    torquePerKg: 0.9,
  },
};

/** A motor with brushes has its own values where it drives by a chain of its own; a brushed hub is sized as a hub. */
export const motorKindOf = (kind: DriveKind, brushed: boolean): MotorKind =>
  MOTOR_KINDS[brushed && kind === 'external' ? 'brushed' : kind];
