import type { DriveKind } from './choices.ts';

/** What may be known of a motor; undefined is not known. Turns are those of the motor's output. */
export interface MotorAsked {
  readonly kind: DriveKind;
  readonly brushed: boolean;
  /** Radius of the wheel that it drives, laden, m. */
  readonly wheelRadius: number;
  readonly ratedPowerW: number | undefined;
  /** Volts on the motor's own label, which are not the pack's. */
  readonly labelV: number | undefined;
  readonly massKg: number | undefined;
  readonly reduction: number | undefined;
  readonly efficiency: number | undefined;
  readonly kvRpmPerV: number | undefined;
  readonly resistanceOhm: number | undefined;
  readonly hysteresisNm: number | undefined;
  readonly eddyNms: number | undefined;
  readonly noLoadRpm: number | undefined;
  readonly noLoadA: number | undefined;
  readonly ratedRpm: number | undefined;
  readonly ratedA: number | undefined;
  /** Peak torque on the label, at wheel, crank or shaft, N m. */
  readonly labelNm: number | undefined;
  readonly brushV: number | undefined;
  readonly batteryA: number | undefined;
}

export type MotorValue =
  | 'ratedPowerW'
  | 'labelV'
  | 'massKg'
  | 'reduction'
  | 'efficiency'
  | 'kvRpmPerV'
  | 'resistanceOhm'
  | 'hysteresisNm'
  | 'eddyNms'
  | 'brushV'
  | 'windingHeatJK'
  | 'shellHeatJK'
  | 'coupleWK'
  | 'coolStillWK'
  | 'coolMovingWK'
  | 'batteryA'
  | 'phaseA'
  | 'cancelA';

/** One value that follows from what is known. */
export interface Followed {
  readonly value: number;
  /** How it follows, in words. */
  readonly how: () => string;
  /** Standard deviation as a share of it. */
  readonly spread: number;
}
export type MotorDefaults = Readonly<Record<MotorValue, Followed>>;

/** What is known needs no words. */
export const SAID = (): string => '';
export const RAD_S = Math.PI / 30;
export const num = (value: number, digits = 3): string => String(Number(value.toPrecision(digits)));
