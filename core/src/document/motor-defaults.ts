import { motorKindOf, type MotorKind } from './motor-kinds.ts';
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
  | 'phaseA';

/** One value that follows from what is known. */
interface Followed {
  readonly value: number;
  /** How it follows, in words. */
  readonly how: () => string;
  /** Standard deviation as a share of it. */
  readonly spread: number;
}
export type MotorDefaults = Readonly<Record<MotorValue, Followed>>;

/** Both brushes of a motor, carbon, V; metal-carbon 0.4. From memory. */
const BRUSH_V = 1.2;
/** Fixed drop of the controller's bridge, V. From memory. */
const BRIDGE_V = 0.3;
const SAID = (): string => '';
const RAD_S = Math.PI / 30;
const num = (value: number, digits = 3): string => String(Number(value.toPrecision(digits)));

/** Label volts usual for a rating. Common practice. */
function usualVolts(watts: number): number {
  if (watts <= 350) return 36;
  if (watts <= 1500) return 48;
  return watts <= 2500 ? 60 : 72;
}

/** What sizes the motor: its mass and watts, each from the other where only one is known. */
function sized(asked: MotorAsked, kind: MotorKind): { mass: Followed; watts: Followed } {
  const [a, b] = kind.massByWatts;
  const { massKg, ratedPowerW, kvRpmPerV } = asked;
  const wattsOf = (kg: number): number => Math.pow(kg / a, 1 / b);
  const given = (value: number): Followed => ({ value, how: SAID, spread: 0 });
  if (massKg !== undefined) {
    const by: Followed = {
      value: wattsOf(massKg),
      how: () => `usual for a ${kind.name} of ${num(massKg)} kg, from memory`,
      spread: 0.3,
    };
    return { mass: given(massKg), watts: ratedPowerW === undefined ? by : given(ratedPowerW) };
  }
  if (ratedPowerW !== undefined) {
    const how = () => `usual for a ${kind.name} of ${num(ratedPowerW)} W, from memory`;
    return { mass: { value: a * ratedPowerW ** b, how, spread: 0.15 }, watts: given(ratedPowerW) };
  }
  const can = asked.kind === 'external' && !asked.brushed && kvRpmPerV !== undefined;
  const kg = can ? kind.massKg * (OUTRUNNER_KV / kvRpmPerV) ** 2 : kind.massKg;
  const how = () =>
    can
      ? `usual for an outrunner of ${num(kvRpmPerV)} rpm/V, from memory`
      : `a common ${kind.name}, from memory; its label watts, or a scale, would tell`;
  return { mass: { value: kg, how, spread: 0.3 }, watts: { value: wattsOf(kg), how, spread: 0.5 } };
}

/** Speed constant of an outrunner of 1.9 kg, rpm/V. From memory. */
const OUTRUNNER_KV = 110;
/** A brushed motor's turns without load at its label volts, rpm. From memory. */
const BRUSHED_RPM = 3350;

interface Scene {
  readonly asked: MotorAsked;
  readonly kind: MotorKind;
  readonly watts: number;
  readonly massKg: number;
  readonly labelV: number;
  readonly reduction: number;
  readonly km2: number;
  readonly hysteresisNm: number;
  readonly eddyNms: number;
  /** What is lost between the label's volts and the winding, V. */
  readonly dropV: number;
}

type Constants = Pick<MotorDefaults, 'kvRpmPerV' | 'resistanceOhm' | 'hysteresisNm' | 'eddyNms'>;

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
  const kmh = 33 * Math.pow(watts / 250, 0.36);
  return {
    value: (reduction * (kmh / 3.6 / asked.wheelRadius)) / RAD_S / labelV,
    how: () => `a hub of ${basis} in this wheel is wound for ${num(kmh, 2)} km/h without load, from memory`,
    spread: 0.12,
  };
}

/** Drags by the motor's mass; scaled to the amps that its label takes without load, where it says so. */
function drags(scene: Scene, kt: number): Pick<Constants, 'hysteresisNm' | 'eddyNms'> {
  const { asked, reduction, labelV, dropV } = scene;
  let [hysteresis, eddy] = [scene.hysteresisNm, scene.eddyNms];
  let how = () => 'by the motor’s mass, from memory';
  const { noLoadA } = asked;
  if (noLoadA !== undefined && asked.hysteresisNm === undefined && asked.eddyNms === undefined) {
    const w0 = asked.noLoadRpm === undefined ? (labelV - dropV) / kt : asked.noLoadRpm * RAD_S * reduction;
    const factor = (kt * noLoadA) / (hysteresis + eddy * w0);
    [hysteresis, eddy] = [hysteresis * factor, eddy * factor];
    how = () => `so that it takes ${num(noLoadA)} A without load`;
  }
  return {
    hysteresisNm: { value: hysteresis, how, spread: 0.25 },
    eddyNms: { value: eddy, how, spread: 0.3 },
  };
}

function constants(scene: Scene, guessed: boolean): Constants {
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

/** Heat by the motor's mass; what holds no copper counts for the shell only. */
function heats(kind: MotorKind, massKg: number) {
  const bodies = massKg / kind.massKg;
  // However light it is, a quarter of it is copper and iron.
  const copper = Math.max(massKg / 4, massKg - kind.deadKg) / (kind.massKg - kind.deadKg);
  const surface = Math.pow(bodies, 2 / 3);
  const how = () => 'by the motor’s mass, from memory, until fitted from a log';
  const of = (value: number, spread: number): Followed => ({ value, how, spread });
  return {
    windingHeatJK: of(kind.windingJK * copper, 0.2),
    shellHeatJK: of(kind.shellJK * bodies, 0.2),
    coupleWK: of(kind.coupleWK * copper, 0.25),
    coolStillWK: of(kind.stillWK * surface, 0.25),
    coolMovingWK: of(kind.movingWK * surface, 0.25),
  };
}

/** The controller's two limits where it does not say them. */
function currents(
  { asked, kind, watts, labelV, reduction, massKg }: Scene,
  efficiency: number,
  { kvRpmPerV, hysteresisNm }: Constants,
): Pick<MotorDefaults, 'batteryA' | 'phaseA'> {
  const kt = 1 / (RAD_S * kvRpmPerV.value);
  const battery: Followed =
    asked.batteryA === undefined
      ? {
          value: Math.max(14, watts / (0.75 * labelV)),
          how: () =>
            `common practice: ${num(watts)} W over three quarters of ${num(labelV)} V, 14 A at least`,
          spread: 0.15,
        }
      : { value: asked.batteryA, how: SAID, spread: 0 };
  const ampsFor = (nm: number): number => (nm / (reduction * efficiency) + hysteresisNm.value) / kt;
  const { labelNm } = asked;
  if (labelNm !== undefined)
    return {
      batteryA: battery,
      phaseA: {
        value: ampsFor(labelNm),
        how: () =>
          `what ${num(labelNm)} N m on its label take; labels run from 10 % low to 30 % high (from memory)`,
        spread: 0.2,
      },
    };
  const ratio = kind.currentRatio * battery.value;
  const iron = ampsFor(kind.torquePerKg * massKg);
  return {
    batteryA: battery,
    phaseA: {
      value: Math.min(ratio, iron),
      how: () =>
        ratio <= iron
          ? `${num(kind.currentRatio)} times the battery limit, common practice`
          : `what the iron of a ${kind.name} of ${num(massKg)} kg still turns into torque, from memory`,
      spread: 0.2,
    },
  };
}

/**
 * All constants of a motor from the little that is known of it, in the order mass, volts, reduction, Kv, then R by
 * Km^2, drag, heat, amps. Valid from 150 to 6000 W and 0.5 to 15 kg. What is known comes back as it is.
 */
export function motorDefaults(asked: MotorAsked): MotorDefaults {
  const kind = motorKindOf(asked.kind, asked.brushed);
  const { mass, watts } = sized(asked, kind);
  const labelV: Followed = {
    value: asked.labelV ?? usualVolts(watts.value),
    how: () => `common practice for ${num(watts.value)} W`,
    spread: 0,
  };
  const bodies = mass.value / kind.massKg;
  const inside = () => `usual for a ${kind.name}, from memory; open it, or turn the wheel and count`;
  const reduction: Followed = {
    value: asked.reduction ?? kind.reduction(watts.value),
    how: inside,
    spread: 0,
  };
  const efficiency: Followed = {
    value: asked.efficiency ?? kind.efficiency(watts.value),
    how: () => `usual for a ${kind.name}, from memory`,
    spread: 0.03,
  };
  const brushV: Followed = {
    value: asked.brushed ? (asked.brushV ?? BRUSH_V) : 0,
    how: () => 'carbon brushes, from memory; metal-carbon ones drop 0.4 V',
    spread: 0.25,
  };
  const scene: Scene = {
    asked,
    kind,
    watts: watts.value,
    massKg: mass.value,
    labelV: labelV.value,
    reduction: reduction.value,
    km2: kind.km2 * Math.pow(bodies, 5 / 3),
    hysteresisNm: asked.hysteresisNm ?? kind.hysteresisNm * Math.pow(bodies, kind.dragPowers[0]),
    eddyNms: asked.eddyNms ?? kind.eddyNms * Math.pow(bodies, kind.dragPowers[1]),
    dropV: asked.brushed ? brushV.value : BRIDGE_V,
  };
  const winding = constants(scene, mass.spread > 0);
  return {
    ratedPowerW: watts,
    labelV,
    massKg: mass,
    reduction,
    efficiency,
    ...winding,
    brushV,
    ...heats(kind, mass.value),
    ...currents(scene, efficiency.value, winding),
  };
}
