import type { Gear } from '../machine/driveline.ts';
import { cadenceRpm } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { continuousAt, type Continuous } from '../ride/continuous.ts';
import { EVERYDAY, courseOf, type Course } from '../ride/course.ts';
import { rideCourse, ridePast } from '../ride/route-ride.ts';
import type { HeatEnds, Ride, RideOptions } from '../ride/ride.ts';
import { steadySpeed } from '../ride/steady.ts';
import type { GearChoice } from '../ride/traction.ts';
import { supplyOn } from '../machine/diodes.ts';
import { evenHill } from '../route/route.ts';

/** How long a climb may last, from a cold motor. */
export interface HeatTimes {
  /** Seconds until the controller holds back or the winding suffers; undefined where neither ever happens. */
  readonly tooHotAfter: number | undefined;
  readonly what: 'rollback' | 'controller' | 'damage' | 'never';
}

/** Whoever climbs for longer than this climbs for ever, s. */
const LONGEST_S = 2 * 3600;
/** A hill that is not climbed in this long is looked at no further: everything has been warm for hours by then, s. */
const LONGEST_HILL_S = 6 * 3600;
const ALL_OUT = 40;
const PACE = { cruise: ALL_OUT, descent: ALL_OUT, ...EVERYDAY } as const;

const ENDLESS_M = 1_000_000;
/** An even grade without an end, with a breakpoint where one is given, m. */
function uphill(machine: Machine, gradePct: number, breakM?: number): Course {
  const hill = evenHill('', ENDLESS_M, gradePct);
  const [foot, top] = [hill.profile[0], hill.profile[1]];
  const marked =
    breakM === undefined || foot === undefined || top === undefined
      ? hill.profile
      : [
          foot,
          { ...top, distanceM: breakM, elevationM: (top.elevationM * breakM) / ENDLESS_M },
          {
            ...top,
            distanceM: breakM + ENDLESS_M,
            elevationM: (top.elevationM * (breakM + ENDLESS_M)) / ENDLESS_M,
          },
        ];
  return courseOf(
    { ...hill, profile: marked },
    { speed: machine.road.headwind, fromDeg: undefined, otherwise: 'ahead' },
    PACE,
  );
}

/** The steady speed on an even grade, m/s; 0 where there is none. */
function steadyOn(machine: Machine, charge: number, gradePct: number, choice: GearChoice): number {
  const steady = steadySpeed(machine, supplyOn(machine, charge), gradePct, choice);
  return steady.moves ? steady.v : 0;
}

/**
 * Climbs an even grade from cold with all help, the charge held, until the winding is too hot or two hours are over.
 * @param speed its steady speed, where it is known already, m/s
 */
export function heatOnGrade(
  machine: Machine,
  charge: number,
  gradePct: number,
  choice: GearChoice,
  speed: number = steadyOn(machine, charge, gradePct, choice),
): HeatTimes {
  const options = { ...upwards(charge, choice, speed), ...hot(machine) };
  return heatTimes(rideCourse(machine, uphill(machine, gradePct), options));
}

/** All help, the charge held: an even load. */
const upwards = (charge: number, gear: GearChoice, speed: number): RideOptions => ({
  pace: PACE,
  legs: 'helping',
  gear,
  charge,
  draining: 'stays',
  even: true,
  speed,
  mostSeconds: LONGEST_HILL_S,
});

/** Until the heat has answered. */
const hot = ({ thermal }: Machine): HeatEnds => ({
  untilC: Math.min(thermal.rollbackStartC, thermal.damageC),
  mostSeconds: LONGEST_S,
});

function heatTimes(ride: Ride): HeatTimes {
  // Warm copper gives less: a motor that stalls on the way burns where it stands.
  if (ride.ends === 'stalled') return { tooHotAfter: ride.seconds, what: 'damage' };
  if (ride.ends !== 'hot') return { tooHotAfter: undefined, what: 'never' };
  const held = ride.rollbackAfter === undefined ? 'damage' : 'rollback';
  return { tooHotAfter: ride.seconds, what: ride.foldAfter === undefined ? held : 'controller' };
}

/**
 * A hill from cold, entered at its steady speed, with all help and the charge held: as it stands at its top, and how long such
 * a grade is borne. One climb tells both: it goes on beyond the top, or after the heat has answered.
 */
export function hillOnce(
  machine: Machine,
  charge: number,
  lengthM: number,
  gradePct: number,
  choice: GearChoice,
  speed: number,
): { readonly top: Ride; readonly heat: HeatTimes } {
  const course = uphill(machine, gradePct, lengthM);
  const options = upwards(charge, choice, speed);
  const { there, heat } = ridePast(machine, course, lengthM, options, hot(machine));
  return { top: there, heat: heatTimes(heat) };
}

/** One gear on a hill. */
export interface GearOnHill {
  readonly cogTeeth: number;
  readonly hubGear: number | null;
  readonly climbs: boolean;
  readonly v: number;
  readonly limit: Limit;
  readonly cadenceRpm: number;
  readonly phaseA: number;
  readonly inSpan: boolean;
  readonly heat: HeatTimes;
}

/** What each gear would do on an even grade: the speed it settles at, and how long the motor bears it. */
export function gearsOnHill(machine: Machine, charge: number, gradePct: number): readonly GearOnHill[] {
  const supply = supplyOn(machine, charge);
  const { cadenceMinRpm, cadenceMaxRpm } = machine.rider;
  return machine.gears.map((gear: Gear): GearOnHill => {
    const steady = steadySpeed(machine, supply, gradePct, gear);
    const v = steady.moves ? steady.v : 0;
    const cadence = cadenceRpm(gear, v);
    return {
      cogTeeth: gear.cogTeeth,
      hubGear: gear.hubGear,
      climbs: steady.moves,
      v,
      limit: steady.traction.limit,
      cadenceRpm: cadence,
      phaseA: steady.traction.phaseA,
      inSpan: cadence >= cadenceMinRpm && cadence <= cadenceMaxRpm,
      heat: steady.moves
        ? heatOnGrade(machine, charge, gradePct, gear, v)
        : { tooHotAfter: 0, what: 'damage' },
    };
  });
}

/** One climb of several, with the way down before the next. */
export interface RepeatedClimb {
  readonly climb: number;
  /** Winding at the top and at the bottom again, C. */
  readonly topC: number;
  readonly bottomC: number;
  /** Going up, s. */
  readonly upSeconds: number;
  readonly chargePct: number;
}

/** Climbs read off a ride over there-and-back laps of a hill `lengthM` long; only whole climbs count. */
export function repeatedClimbs({ trace }: Ride, lengthM: number): readonly RepeatedClimb[] {
  if (trace === undefined) return [];
  const at = (metres: number): number => trace.metres.findIndex((x) => x >= metres - 1);
  const out: RepeatedClimb[] = [];
  for (let climb = 1; ; climb += 1) {
    const start = (climb - 1) * 2 * lengthM;
    const [foot, top, bottom] = [Math.max(0, at(start)), at(start + lengthM), at(start + 2 * lengthM)];
    if (top < 0) return out;
    const last = bottom < 0 ? trace.metres.length - 1 : bottom;
    out.push({
      climb,
      topC: trace.windingC[top] ?? NaN,
      bottomC: trace.windingC[last] ?? NaN,
      upSeconds: (trace.seconds[top] ?? 0) - (trace.seconds[foot] ?? 0),
      chargePct: 100 * (trace.charge[last] ?? 0),
    });
    if (bottom < 0) return out;
  }
}

/** What braking with the motor brought on the way down, Wh, and its share of all that was taken; undefined without any. */
export function givenBack({ ledger }: Ride): { readonly wh: number; readonly share: number } | undefined {
  const { regenerated, pack } = ledger;
  return regenerated > 0 ? { wh: regenerated / 3600, share: regenerated / (pack + regenerated) } : undefined;
}

/** More than a third of what a climb took never comes back. Worked over many descents. */
export const MOST_GIVEN_BACK = 1 / 3;

/** Continuous power at speeds, in the gear that turns the motor fastest within the cadence span, or the only one. */
export function continuousCurve(machine: Machine, speeds: readonly number[]): readonly Continuous[] {
  return speeds.map((v) => {
    const inSpan = machine.gears.filter((g) => cadenceRpm(g, v) <= machine.rider.cadenceMaxRpm);
    const gear =
      machine.heldGear ??
      (machine.kind === 'mid-drive' ? inSpan[0] : machine.gears[0]) ??
      machine.gears.at(-1);
    if (gear === undefined) throw new TypeError('a machine has at least one gear');
    return continuousAt(machine, gear, v);
  });
}
