import type { BuildDocument } from '../document/document.ts';
import { roadForce } from '../machine/road-load.ts';
import { kmhToMs } from '../quantity/units.ts';
import { study } from '../verdict/study.ts';
import { USUAL_VOLTS } from './usual-volts.ts';

/** What a hill asks at one speed, before there is a motor. */
interface AtSpeed {
  readonly kmh: number;
  /** At the tyre: road load on the grade, N and W. */
  readonly forceN: number;
  readonly wheelW: number;
  /** What the rider gives of it, and what is left for the motor's shaft, W. */
  readonly riderW: number;
  readonly motorW: number;
  /** From the pack, W: the motor's share over a usual efficiency, between a good one and a poor one. */
  readonly packW: { readonly low: number; readonly high: number };
  readonly seconds: number;
  /** For the hill once, Wh. */
  readonly hillWh: { readonly low: number; readonly high: number };
}

export interface HillAsks {
  /** Rider, load, donor, and motor and pack as they are assumed, kg. */
  readonly massKg: number;
  readonly gradePct: number;
  readonly lengthM: number;
  readonly speeds: readonly AtSpeed[];
  /** Amps of each usual voltage at the speed wished for on the hill. */
  readonly amps: readonly { readonly volts: number; readonly low: number; readonly high: number }[];
}

/** Motor, gears, controller and chain together, pulling hard: good and poor. From memory, no source. */
const [GOOD, POOR] = [0.82, 0.68];

/** A hill is climbed at a walk, at an easy pace, and briskly, km/h. Common practice. */
const SPEEDS = [6, 10, 15] as const;
/** Of which this is the one that amps are told for, km/h. */
const EASY = 10;

/** What the test hill of a brief asks of whatever will drive the machine: force, watts, watt-hours, and amps by volts. */
export function hillAsks(build: BuildDocument): HillAsks {
  const { machine, known } = study(build);
  const { hillGradePct, hillLengthM, cruiseSpeedKmh } = known.brief;
  const legs = machine.rider.powerW * machine.chainEfficiency;
  const at = (kmh: number): AtSpeed => {
    const v = kmhToMs(kmh);
    const forceN = roadForce(machine.road, v, hillGradePct.value);
    const wheelW = Math.max(0, forceN * v);
    const riderW = Math.min(legs, wheelW);
    const motorW = wheelW - riderW;
    const packW = { low: motorW / GOOD, high: motorW / POOR };
    const seconds = hillLengthM.value / v;
    return {
      kmh,
      forceN,
      wheelW,
      riderW,
      motorW,
      packW,
      seconds,
      hillWh: { low: (packW.low * seconds) / 3600, high: (packW.high * seconds) / 3600 },
    };
  };
  const wished = cruiseSpeedKmh.value;
  const speeds = [...SPEEDS, ...(wished > EASY + 5 ? [wished] : [])].map(at);
  const easy = at(EASY).packW;
  return {
    massKg: machine.road.massKg,
    gradePct: hillGradePct.value,
    lengthM: hillLengthM.value,
    speeds,
    amps: USUAL_VOLTS.map((volts) => ({ volts, low: easy.low / volts, high: easy.high / volts })),
  };
}
