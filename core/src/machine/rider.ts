import { cadenceRpm, type Gear } from './driveline.ts';

export interface Rider {
  readonly powerW: number;
  /** Share of it that is given behind the sensor alone while the motor has force to spare; all of it where it is missed. */
  readonly ease: number;
  readonly cadenceMinRpm: number;
  readonly cadenceMaxRpm: number;
}

/** Above the span, legs (and a motor that follows them) have nothing left at this many times its top. */
const SPIN_OUT = 1.25;

/** 1 up to the top of the cadence span, falling evenly to 0 at 1.25 times it. Common practice, no source. */
export const spinOutFactor = (rider: Rider, gear: Gear, v: number): number =>
  Math.min(1, Math.max(0, (SPIN_OUT - cadenceRpm(gear, v) / rider.cadenceMaxRpm) / (SPIN_OUT - 1)));

/** Slower than this share of the lower end of the span nobody turns the pedals for long. */
const LABOUR = 0.5;

/**
 * How well a gear suits the legs at a speed: 1 within the cadence span, falling evenly to 0 at half its lower end, 0 above
 * it. Who gains by it labours below the span, as behind a motor that its volts leave slow. Common practice, no source.
 */
export function suitsLegs(rider: Rider, gear: Gear, v: number): number {
  const cadence = cadenceRpm(gear, v);
  if (cadence > rider.cadenceMaxRpm) return 0;
  return Math.min(1, Math.max(0, (cadence / rider.cadenceMinRpm - LABOUR) / (1 - LABOUR)));
}

/**
 * The rider's force at the tyre, N. Inside the cadence span the legs give their power; below it the same
 * torque as at its lower end, so that the force at rest is finite; above it they fade.
 */
export function riderForce(rider: Rider, gear: Gear, chainEfficiency: number, v: number): number {
  if (rider.powerW === 0) return 0;
  const speedAtMin = (rider.cadenceMinRpm * Math.PI) / 30 / gear.crankRatio;
  const full = (rider.powerW * chainEfficiency) / Math.max(v, speedAtMin);
  return full * spinOutFactor(rider, gear, v);
}

/** Behind a sensor of cadence alone legs turn with the help, and give this share of what they would. Common practice. */
export const EASY_BEHIND_CADENCE = 0.6;

/** Exponent of the power that people hold over time beyond an hour: form of Riegel, American Scientist 69 (1981); from memory .05 to .10. */
const TIRING = 0.07;

/** Share of the power of one hour that is left after `hours`: 1 up to an hour, then t^-0.07. Two hours leave .953, four .908. */
export const powerAfter = (hours: number): number => (hours <= 1 ? 1 : Math.pow(hours, -TIRING));

/** The mean of that share over a ride of `hours`; .957 over four. */
export const meanPowerOver = (hours: number): number =>
  hours <= 1 ? 1 : (1 + (Math.pow(hours, 1 - TIRING) - 1) / (1 - TIRING)) / hours;

/** Uphill people push harder: by so much more from this grade on. Common practice, no source. */
const MORE_UPHILL = 0.5;
const UPHILL_PCT = 6;
/** Downhill the feet rest: less and less from the first grade, not at all from the second. Common practice, no source. */
const EASES_PCT = -2;
const RESTS_PCT = -4;

/**
 * Share of the power stated for the level that legs give on a grade: 1 + 0.5 min(1, grade / 6 %) uphill, 1 down to
 * -2 %, none from -4 %, evenly between. Common practice, no source.
 * @param gradePct positive uphill, %
 */
export function powerOnGrade(gradePct: number): number {
  if (gradePct >= 0) return 1 + MORE_UPHILL * Math.min(1, gradePct / UPHILL_PCT);
  return Math.min(1, Math.max(0, (gradePct - RESTS_PCT) / (EASES_PCT - RESTS_PCT)));
}
