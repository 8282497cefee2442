import { kmhToMs, msToKmh } from '../quantity/units.ts';
import { supplyOn } from '../machine/diodes.ts';
import { sameGear, type GearId } from '../machine/driveline.ts';
import { gradeCurve, type GradePoint } from '../ride/grade-curve.ts';
import { constantSpeedRange } from '../ride/range.ts';
import { steadySpeed } from '../ride/steady.ts';
import { plannedSpan } from './figures/range-figures.ts';
import { STATED_CHARGE } from '../ride/stated.ts';
import { type Study } from './study.ts';

/** Speed against grade: the curve in use, the span from full to nearly empty, and other gears of a mid-drive. */
export interface HillCurves {
  readonly held: readonly GradePoint[];
  readonly full: readonly GradePoint[];
  readonly low: readonly GradePoint[];
  readonly others: readonly (GearId & { readonly points: readonly GradePoint[] })[];
}

/** The charge called nearly empty in the span. */
export const LOW_CHARGE = 0.2;

/** All curves of the hill stage. */
export function hillCurves({ machine, choice, climb, known }: Study): HillCurves {
  const index = climb.climbs ? machine.gears.findIndex((g) => sameGear(g, climb)) : -1;
  const neighbours =
    machine.kind === 'mid-drive'
      ? machine.gears.filter((_, i) => Math.abs(i - index) === 2 || (choice === 'best' && i === index))
      : [];
  return {
    held: gradeCurve(machine, STATED_CHARGE, choice),
    full: gradeCurve(machine, known.packs[0].chargeLimitPct.value / 100, choice),
    low: gradeCurve(machine, LOW_CHARGE, choice),
    others: neighbours.map((gear) => ({
      cogTeeth: gear.cogTeeth,
      hubGear: gear.hubGear,
      points: gradeCurve(machine, STATED_CHARGE, gear),
    })),
  };
}

/** The test hill's steady speed nearly empty, at half charge and full, m/s; undefined where it stalls. */
export interface HillSpan {
  readonly low: number | undefined;
  readonly half: number | undefined;
  readonly full: number | undefined;
}

/** Speeds on the test hill over the charge. */
export function hillSpan({ machine, choice, climb, known }: Study): HillSpan {
  const at = (charge: number): number | undefined => {
    const supply = supplyOn(machine, charge);
    const outcome = steadySpeed(machine, supply, known.brief.hillGradePct.value, choice);
    return outcome.moves ? outcome.v : undefined;
  };
  return {
    low: at(LOW_CHARGE),
    half: climb.climbs ? climb.v : undefined,
    full: at(known.packs[0].chargeLimitPct.value / 100),
  };
}

/** Range that may be planned on, and energy, at one speed: the rider helping, and legs resting. */
export interface RangePoint {
  readonly kmh: number;
  /** Far end of the plan: the rider's power all the way, less the reserve. */
  readonly farKm: number;
  /** Near end: legs resting, stops and small grades, less the reserve; 0 where the speed is not held so. */
  readonly nearKm: number;
  readonly helpedWhPerKm: number;
  readonly restedWhPerKm: number | undefined;
}

const SLOWEST_KMH = 8;
const STEPS = 16;

/** Planned range against speed, from a slow ride to top speed; speeds that are not held are left out. */
export function rangeChart({ machine, known, topFull }: Study): readonly RangePoint[] {
  const topKmh = topFull.moves ? msToKmh(topFull.v) : 0;
  if (topKmh <= SLOWEST_KMH) return [];
  const charge = known.packs[0].chargeLimitPct.value / 100;
  const reserve = known.brief.reservePct.value / 100;
  return Array.from({ length: STEPS + 1 }, (_, i): RangePoint | undefined => {
    const kmh = SLOWEST_KMH + ((topKmh - SLOWEST_KMH) * i) / STEPS;
    const helped = constantSpeedRange(machine, kmhToMs(kmh), charge, 'helping');
    if (!helped.holds) return undefined;
    const rested = constantSpeedRange(machine, kmhToMs(kmh), charge, 'resting');
    const planned = plannedSpan(helped, rested, reserve);
    return {
      kmh,
      farKm: planned.high / 1000,
      // What is ridden on more slowly is no range at this speed.
      nearKm: rested.holds ? planned.low / 1000 : 0,
      helpedWhPerKm: helped.whPerKm,
      restedWhPerKm: rested.holds ? rested.whPerKm : undefined,
    };
  }).filter((point) => point !== undefined);
}
