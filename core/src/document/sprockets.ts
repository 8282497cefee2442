import { RAD_S, num } from './motor-asked.ts';
import { unloadedKmh } from './motor-winding.ts';

/** An external drive so far: its motor, and what is counted of the way to the wheel; undefined is not known. */
export interface SprocketsAsked {
  readonly medium: 'chain' | 'belt';
  readonly kvRpmPerV: number;
  readonly labelV: number;
  readonly reduction: number;
  readonly watts: number;
  /** Laden, m. */
  readonly wheelRadius: number;
  readonly motorTeeth: number | undefined;
  readonly wheelTeeth: number | undefined;
  readonly pitchMm: number | undefined;
}

export interface Sprockets {
  readonly motorTeeth: number;
  readonly wheelTeeth: number;
  readonly pitchMm: number;
  /** How both counts follow, in words. */
  readonly how: () => string;
}

/** A common sprocket of a motor's shaft, and between how many teeth one is, and the least of a wheel. Common practice. */
const SHAFT_TEETH = 11;
const SHAFT_SPAN = [9, 30] as const;
const WHEEL_LEAST = 28;
/** A wheel's sprocket hardly comes larger across, mm: spokes, stay and heel are near. Common practice. */
const MOST_ACROSS = 300;
/** Half-inch and quarter-inch chain (ISO 606: 08B, 04C), and belts, mm. */
const HALF_INCH = 12.7;
const QUARTER_INCH = 6.35;
const BELT = 5;
/** Half-inch chain goes round this many teeth of a wheel at most; where more are wanted the chain is a finer one. Common practice. */
const HALF_INCH_MOST = 60;

const within = (teeth: number, least: number, most: number): number =>
  Math.round(Math.min(most, Math.max(least, teeth)));

function usualPitch(medium: SprocketsAsked['medium'], wheelTeeth: number): number {
  if (medium === 'belt') return BELT;
  return wheelTeeth > HALF_INCH_MOST ? QUARTER_INCH : HALF_INCH;
}

/**
 * Sprockets and pitch that nobody has counted: one step from the shaft to the wheel, so that the motor runs as fast on the road
 * without load as hubs of its rating do, as far as there are teeth for it.
 */
export function sprocketDefaults(asked: SprocketsAsked): Sprockets {
  const { medium, labelV, watts, motorTeeth, wheelTeeth, pitchMm } = asked;
  const kmh = unloadedKmh(watts);
  const wheelRad = kmh / 3.6 / asked.wheelRadius;
  const ratio = (asked.kvRpmPerV * labelV * RAD_S) / asked.reduction / wheelRad;
  const finest = pitchMm ?? (medium === 'belt' ? BELT : QUARTER_INCH);
  const most = Math.max(WHEEL_LEAST, Math.floor((Math.PI * MOST_ACROSS) / finest));
  const ofShaft =
    motorTeeth ?? (wheelTeeth === undefined ? SHAFT_TEETH : within(wheelTeeth / ratio, ...SHAFT_SPAN));
  const ofWheel = wheelTeeth ?? within(ofShaft * ratio, WHEEL_LEAST, most);
  return {
    motorTeeth: ofShaft,
    wheelTeeth: ofWheel,
    pitchMm: pitchMm ?? usualPitch(medium, ofWheel),
    how: () =>
      `geared for some ${num(kmh, 2)} km/h without load at ${num(labelV)} V, as motors of ${num(watts)} W are, from memory; count the teeth`,
  };
}
