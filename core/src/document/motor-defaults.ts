import { RAD_S, SAID, num, type Followed, type MotorAsked, type MotorDefaults } from './motor-asked.ts';
import { motorKindOf, type MotorKind } from './motor-kinds.ts';
import { BRUSH_V, OUTRUNNER_KV, constants, type Constants, type Scene } from './motor-winding.ts';

/** Fixed drop of the controller's bridge, V. From memory. */
const BRIDGE_V = 0.3;

/** The current that cancels the magnets over that which fills the iron: 1.5 to 5, from memory. */
const CANCELS = 2.5;

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
): Pick<MotorDefaults, 'batteryA' | 'phaseA' | 'cancelA'> {
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
  const iron = ampsFor(kind.torquePerKg * massKg);
  const cancelA: Followed = {
    value: CANCELS * iron,
    how: () => `${num(CANCELS)} times the ${num(iron)} A that its iron takes, from memory (1.5 to 5 times)`,
    spread: 0.35,
  };
  const { labelNm } = asked;
  if (labelNm !== undefined)
    return {
      batteryA: battery,
      cancelA,
      phaseA: {
        value: ampsFor(labelNm),
        how: () =>
          `what ${num(labelNm)} N m on its label take; labels run from 10 % low to 30 % high (from memory)`,
        spread: 0.2,
      },
    };
  const ratio = kind.currentRatio * battery.value;
  return {
    batteryA: battery,
    cancelA,
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
  const byMass = {
    hysteresisNm: kind.hysteresisNm * Math.pow(bodies, kind.dragPowers[0]),
    eddyNms: kind.eddyNms * Math.pow(bodies, kind.dragPowers[1]),
  };
  const scene: Scene = {
    asked,
    kind,
    watts: watts.value,
    massKg: mass.value,
    labelV: labelV.value,
    reduction: reduction.value,
    km2: kind.km2 * Math.pow(bodies, 5 / 3),
    hysteresisNm: asked.hysteresisNm ?? byMass.hysteresisNm,
    eddyNms: asked.eddyNms ?? byMass.eddyNms,
    byMass,
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
