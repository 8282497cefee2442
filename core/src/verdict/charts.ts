import { kmhToMs, msToKmh } from '../quantity/units.ts';
import { supplyAt } from '../machine/battery.ts';
import { cadenceRpm, developmentM } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import { gradeCurve, type GradePoint } from '../ride/grade-curve.ts';
import { constantSpeedRange, type Legs, type RangeResult } from '../ride/range.ts';
import { traction } from '../ride/traction.ts';
import { STATED_CHARGE, type Study } from './study.ts';

/** Speed against grade: the curve in use, the span from full to nearly empty, and other cogs of a mid-drive. */
export interface HillCurves {
  readonly held: readonly GradePoint[];
  readonly full: readonly GradePoint[];
  readonly low: readonly GradePoint[];
  readonly others: readonly { readonly cogTeeth: number; readonly points: readonly GradePoint[] }[];
}

/** The charge called nearly empty in the span. */
export const LOW_CHARGE = 0.2;

/** All curves of the hill stage. */
export function hillCurves({ machine, choice, climb, known }: Study): HillCurves {
  const inUse = climb.climbs ? climb.cogTeeth : undefined;
  const index = machine.gears.findIndex((g) => g.cogTeeth === inUse);
  const neighbours =
    machine.kind === 'mid-drive'
      ? machine.gears.filter((_, i) => Math.abs(i - index) === 2 || (choice === 'best' && i === index))
      : [];
  return {
    held: gradeCurve(machine, STATED_CHARGE, choice),
    full: gradeCurve(machine, known.pack.chargeLimitPct.value / 100, choice),
    low: gradeCurve(machine, LOW_CHARGE, choice),
    others: neighbours.map((gear) => ({
      cogTeeth: gear.cogTeeth,
      points: gradeCurve(machine, STATED_CHARGE, gear),
    })),
  };
}

/** Range and energy against speed, with the rider's help and with legs resting. */
export interface RangeChart {
  readonly helped: readonly RangeResult[];
  readonly rested: readonly RangeResult[];
}

const SLOWEST_KMH = 8;
const STEPS = 16;

function rangeCurve(
  machine: Machine,
  topKmh: number,
  startCharge: number,
  legs: Legs,
): readonly RangeResult[] {
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const kmh = SLOWEST_KMH + ((topKmh - SLOWEST_KMH) * i) / STEPS;
    return constantSpeedRange(machine, kmhToMs(kmh), startCharge, legs);
  }).filter((outcome) => outcome.holds);
}

/** Range against speed, from a slow ride to top speed. */
export function rangeChart({ machine, known, topFull }: Study): RangeChart {
  const top = topFull.moves ? msToKmh(topFull.v) : 0;
  const charge = known.pack.chargeLimitPct.value / 100;
  if (top <= SLOWEST_KMH) return { helped: [], rested: [] };
  return {
    helped: rangeCurve(machine, top, charge, 'helping'),
    rested: rangeCurve(machine, top, charge, 'resting'),
  };
}

/** One gear at the brief's cadences and on the test hill. */
export interface GearRow {
  readonly cogTeeth: number;
  readonly developmentM: number;
  readonly kmhAtMin: number;
  readonly kmhAtMax: number;
  /** Motor and rider at the tyre at the low end of the cadence span, N. */
  readonly forceN: number;
}

/** The gear table. */
export function gearTable({ machine }: Study): readonly GearRow[] {
  const supply = supplyAt(machine.pack, STATED_CHARGE);
  return machine.gears.map((gear) => {
    const perMs = cadenceRpm(gear, 1);
    const slow = machine.rider.cadenceMinRpm / perMs;
    return {
      cogTeeth: gear.cogTeeth,
      developmentM: developmentM(gear),
      kmhAtMin: msToKmh(slow),
      kmhAtMax: msToKmh(machine.rider.cadenceMaxRpm / perMs),
      forceN: traction(machine, supply, slow, gear).totalN,
    };
  });
}
