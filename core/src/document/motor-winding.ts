import { RAD_S, SAID, num, type Followed, type MotorAsked, type MotorDefaults } from './motor-asked.ts';
import type { MotorKind } from './motor-kinds.ts';

/** Both brushes of a motor, carbon, V; metal-carbon 0.4. From memory. */
export const BRUSH_V = 1.2;

/** Speed constant of an outrunner of 1.9 kg, rpm/V. From memory. */
export const OUTRUNNER_KV = 110;
/** A brushed motor's turns without load at its label volts, rpm. From memory. */
const BRUSHED_RPM = 3350;

/** Road speed without load, at their label volts, that hubs of a rating are wound for, km/h. From memory. */
export const unloadedKmh = (watts: number): number => 33 * Math.pow(watts / 250, 0.36);

/** A motor so far: what is asked of it, and what its mass and label already say. */
export interface Scene {
  readonly asked: MotorAsked;
  readonly kind: MotorKind;
  readonly watts: number;
  readonly massKg: number;
  readonly labelV: number;
  readonly reduction: number;
  readonly km2: number;
  readonly hysteresisNm: number;
  readonly eddyNms: number;
  /** Both as its mass alone would have them. */
  readonly byMass: { readonly hysteresisNm: number; readonly eddyNms: number };
  /** What is lost between the label's volts and the winding, V. */
  readonly dropV: number;
}

export type Constants = Pick<MotorDefaults, 'kvRpmPerV' | 'resistanceOhm' | 'hysteresisNm' | 'eddyNms'>;

const kvOf = (kt: number): number => 1 / (kt * RAD_S);

/** Kt by a label's turns without load at its volts: E = V - I0 R - drop, I0 = drag / Kt. Closed form. */
function ktUnloaded({ asked, labelV, dropV, km2, ...s }: Scene, w0: number): number {
  const volts = labelV - dropV;
  const drag = s.hysteresisNm + s.eddyNms * w0;
  if (asked.resistanceOhm === undefined) return volts / (w0 + drag / km2);
  const root = volts ** 2 - 4 * w0 * drag * asked.resistanceOhm;
  return (volts + Math.sqrt(Math.max(0, root))) / (2 * w0);
}

/** Kt by a label's amps at its turns: V = Kt w + I R + drop with R = Kt^2 / Km^2. Closed form. */
function ktLoaded({ labelV, dropV, km2, asked }: Scene, w: number, amps: number): number {
  const volts = labelV - dropV;
  if (asked.resistanceOhm !== undefined) return Math.max(1e-6, (volts - amps * asked.resistanceOhm) / w);
  return (km2 * (Math.sqrt(w * w + (4 * amps * volts) / km2) - w)) / (2 * amps);
}

/**
 * Both label points of a motor, without load and rated: two lines of volts against speed give winding and constant.
 * Undefined where the points contradict each other.
 */
function byBothPoints(scene: Scene): { kt: number; ohm: number } | undefined {
  const { noLoadRpm, noLoadA, ratedRpm, ratedA } = scene.asked;
  if (noLoadRpm === undefined || noLoadA === undefined || ratedRpm === undefined || ratedA === undefined)
    return undefined;
  const turn = RAD_S * scene.reduction;
  const [w0, w] = [noLoadRpm * turn, ratedRpm * turn];
  const volts = scene.labelV - scene.dropV;
  const ohm = (volts * (w0 - w)) / (w0 * ratedA - w * noLoadA);
  const kt = (volts - noLoadA * ohm) / w0;
  return ohm > 0 && kt > 0 && Number.isFinite(ohm) ? { kt, ohm } : undefined;
}

/** The speed constant by the best that is known of it. */
function speedConstant(scene: Scene): Followed {
  const { asked, kind, watts, labelV, reduction } = scene;
  const { noLoadRpm, ratedRpm, ratedA } = asked;
  const turn = RAD_S * reduction;
  if (asked.kvRpmPerV !== undefined) return { value: asked.kvRpmPerV, how: SAID, spread: 0 };
  const both = byBothPoints(scene);
  if (both !== undefined)
    return { value: kvOf(both.kt), how: () => 'worked from both points on its label', spread: 0.04 };
  if (noLoadRpm !== undefined)
    return {
      value: kvOf(ktUnloaded(scene, noLoadRpm * turn)),
      how: () => `worked from ${num(noLoadRpm)} rpm without load at ${num(labelV)} V`,
      spread: 0.05,
    };
  if (ratedRpm !== undefined && ratedA !== undefined)
    return {
      value: kvOf(ktLoaded(scene, ratedRpm * turn, ratedA)),
      how: () => `worked from ${num(ratedA)} A at ${num(ratedRpm)} rpm and ${num(labelV)} V`,
      spread: 0.06,
    };
  const basis = `${num(watts)} W and ${num(labelV)} V`;
  if (asked.kind === 'external')
    return asked.brushed
      ? {
          value: BRUSHED_RPM / Math.max(1, labelV - BRUSH_V),
          how: () => `usual for a brushed motor of ${num(labelV)} V, from memory`,
          spread: 0.12,
        }
      : {
          value: OUTRUNNER_KV * Math.sqrt(kind.massKg / scene.massKg),
          how: () => `usual for an outrunner of ${num(scene.massKg)} kg, from memory`,
          spread: 0.3,
        };
  if (asked.kind === 'mid-drive') {
    const crank = Math.min(140, Math.max(90, 98 * Math.pow(watts / 250, 0.22)));
    return {
      value: (reduction * crank) / labelV,
      how: () => `a mid-drive of ${basis} turns ${num(crank, 2)} rpm at the cranks without load, from memory`,
      spread: 0.12,
    };
  }
  const kmh = unloadedKmh(watts);
  return {
    value: (reduction * (kmh / 3.6 / asked.wheelRadius)) / RAD_S / labelV,
    how: () => `a hub of ${basis} in this wheel is wound for ${num(kmh, 2)} km/h without load, from memory`,
    spread: 0.12,
  };
}

/** How far off the drags of such motors are, as a standard deviation and at most. From memory. */
const HYSTERESIS_SPREAD = 0.25;
const EDDY_SPREAD = 0.3;
const MOST_OFF = 2.5;

/** What is left for one drag, as far as such motors go. */
const left = (rest: number, usual: number, spread: number): number =>
  Math.min(usual * (1 + MOST_OFF * spread), Math.max(usual * (1 - MOST_OFF * spread), rest));

/**
 * Drags by the motor’s mass; scaled to the amps that its label takes without load, where it says so. Of two of which one is
 * known the other has what those amps leave.
 */
function drags(scene: Scene, kt: number): Pick<Constants, 'hysteresisNm' | 'eddyNms'> {
  const { asked, reduction, labelV, dropV, byMass } = scene;
  const { noLoadA } = asked;
  const told = (hysteresis: number, eddy: number, how: () => string): ReturnType<typeof drags> => ({
    hysteresisNm: { value: hysteresis, how, spread: HYSTERESIS_SPREAD },
    eddyNms: { value: eddy, how, spread: EDDY_SPREAD },
  });
  if (noLoadA === undefined)
    return told(scene.hysteresisNm, scene.eddyNms, () => 'by the motor’s mass, from memory');
  const w0 = asked.noLoadRpm === undefined ? (labelV - dropV) / kt : asked.noLoadRpm * RAD_S * reduction;
  const total = kt * noLoadA;
  const factor = total / (byMass.hysteresisNm + byMass.eddyNms * w0);
  const [hysteresis, eddy] = [byMass.hysteresisNm * factor, byMass.eddyNms * factor];
  return told(
    asked.hysteresisNm ??
      (asked.eddyNms === undefined
        ? hysteresis
        : left(total - asked.eddyNms * w0, hysteresis, HYSTERESIS_SPREAD)),
    asked.eddyNms ??
      (asked.hysteresisNm === undefined ? eddy : left((total - asked.hysteresisNm) / w0, eddy, EDDY_SPREAD)),
    () => `so that it takes ${num(noLoadA)} A without load`,
  );
}

/** Speed constant, winding and drags; `guessed` where its mass is. */
export function constants(scene: Scene, guessed: boolean): Constants {
  const { asked } = scene;
  const kv = speedConstant(scene);
  const kt = 1 / (RAD_S * kv.value);
  const both = asked.kvRpmPerV === undefined ? byBothPoints(scene) : undefined;
  return {
    kvRpmPerV: kv,
    resistanceOhm: {
      value: asked.resistanceOhm ?? both?.ohm ?? kt ** 2 / scene.km2,
      how: () =>
        both === undefined
          ? 'Kt^2 / Km^2 with Km^2 by the motor’s mass: windings of one motor share their copper, from memory'
          : 'worked from both points on its label',
      spread: guessed ? 0.3 : 0.2,
    },
    ...drags(scene, kt),
  };
}
