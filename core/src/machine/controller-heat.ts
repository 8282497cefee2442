import type { ControllerPlace } from '../document/controller.ts';
import type { BuildDocument } from '../document/document.ts';

/** The controller as one body, SI and degrees Celsius. */
export interface ControllerHeat {
  /** To warm it by a kelvin, J/K. */
  readonly heatJK: number;
  /** Case to air: still + moving v^0.7, W/K, v in m/s. */
  readonly stillWK: number;
  readonly movingWK: number;
  /** Case to the motor's shell, W/K; 0 where it does not sit in it. */
  readonly shellWK: number;
  /** It takes phase current back from here to nothing there; Infinity where nothing is known to fold. */
  readonly foldStartC: number;
  readonly foldEndC: number;
}

type KnownPlace = Exclude<ControllerPlace, 'unknown'>;

/** Where nobody has said it: in the motor of a mid-drive, else in a bag or box, where it is warmest. Common practice. */
export function placeOf({ controller: { place }, drive }: BuildDocument): KnownPlace {
  if (place !== 'unknown') return place;
  return drive.kind === 'mid-drive' ? 'motor' : 'box';
}

/** One that never warms enough to matter: for machines that are put together by hand. */
export const COOL_CONTROLLER: ControllerHeat = {
  heatJK: 1e9,
  stillWK: 1,
  movingWK: 0,
  shellWK: 0,
  foldStartC: Infinity,
  foldEndC: Infinity,
};

/** Film coefficients of a case, W/m2K, by where it sits: still, and the share that moving air adds. From memory, sd 35 %. */
const FILMS: Readonly<Record<Exclude<KnownPlace, 'motor'>, readonly [number, number]>> = {
  wind: [10, 5.5],
  box: [12, 0],
  // Bolted to a plate or tube that spreads the heat: two and a half times the wind.
  plate: [25, 13.75],
};

/** In the motor's shell, K/W. From memory. */
const IN_SHELL_KW = 0.7;

/**
 * A controller by its battery limit: C = 150 (Ib/15)^0.9 J/K, A = 0.016 (Ib/15)^0.75 m2, valid from 10 to 120 A. From memory.
 */
export function controllerBody(
  batteryA: number,
  place: KnownPlace,
  foldStartC: number,
  foldEndC: number,
): ControllerHeat {
  const size = batteryA / 15;
  const area = 0.016 * Math.pow(size, 0.75);
  const [still, moving] = place === 'motor' ? [0, 0] : FILMS[place];
  return {
    heatJK: 150 * Math.pow(size, 0.9),
    stillWK: area * still,
    movingWK: area * moving,
    shellWK: place === 'motor' ? 1 / IN_SHELL_KW : 0,
    foldStartC,
    foldEndC: Math.max(foldStartC + 1, foldEndC),
  };
}

/** Case to air at road speed `v` m/s, W/K. */
export const caseCooling = (h: ControllerHeat, v: number): number =>
  h.stillWK + h.movingWK * Math.pow(Math.max(0, v), 0.7);

/** Share of the phase limit left at a temperature of the case: 1 below the span, falling evenly to 0 at its end. */
export function foldShare(h: ControllerHeat, caseC: number): number {
  if (caseC <= h.foldStartC) return 1;
  return caseC >= h.foldEndC ? 0 : (h.foldEndC - caseC) / (h.foldEndC - h.foldStartC);
}

/** One step of `dt` seconds by backward Euler: C dT/dt = P - G (T - Ta) - S (T - Ts). Steps of 5 s are enough. */
export function caseStep(
  h: ControllerHeat,
  caseC: number,
  watts: number,
  cooling: number,
  airC: number,
  shellC: number,
  dt: number,
): number {
  const c = h.heatJK / dt;
  return (c * caseC + watts + cooling * airC + h.shellWK * shellC) / (c + cooling + h.shellWK);
}

/** Where an even loss leads in the end, C. */
export const caseSettles = (
  h: ControllerHeat,
  watts: number,
  cooling: number,
  airC: number,
  shellC: number,
): number => (watts + cooling * airC + h.shellWK * shellC) / (cooling + h.shellWK);

/** Drop of the switches, V, by which a controller loses beside its resistance. From memory. */
const SWITCH_V = 0.3;

/**
 * Phase current that brings the case in the end to where it folds back, at a road speed: 0.3 I + Rc I^2 + standby =
 * G (T1 - Ta) + S (T1 - Ts), solved for I. Infinity where nothing folds.
 */
export function foldAmps(
  h: ControllerHeat,
  ohm: number,
  standbyW: number,
  v: number,
  airC: number,
  shellC: number,
): number {
  if (h.foldStartC === Infinity) return Infinity;
  const away = caseCooling(h, v) * (h.foldStartC - airC) + h.shellWK * (h.foldStartC - shellC) - standbyW;
  if (away <= 0) return 0;
  return (2 * away) / (SWITCH_V + Math.sqrt(SWITCH_V * SWITCH_V + 4 * ohm * away));
}
