import type { BuildDocument } from '../document/document.ts';
import { assemble } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import type { Thermal } from '../machine/thermal.ts';
import type { Continuous } from '../ride/continuous.ts';
import type { Ride } from '../ride/ride.ts';
import { startGrade, type StartGrade } from '../ride/start-grade.ts';
import { STATED_CHARGE } from '../ride/stated.ts';
import { routeLengthM } from '../route/profile.ts';
import type { Route } from '../route/route.ts';
import { continuousCurve, heatOnGrade, repeatedClimbs, type RepeatedClimb } from './hill-heat.ts';
import { ridePlan, traceSpacing, type Effort } from './ride-plan.ts';

/** What pictures and sentences about a ride need of its machine, as plain data. */
interface Rider {
  readonly thermal: Pick<Thermal, 'rollbackStartC' | 'damageC'>;
  /** The charge that the habit of charging begins a ride with, 0 to 1. */
  readonly charged: number;
  readonly reserve: number;
}

/** A hill ridden once from its foot. */
export interface HillRidden extends Rider {
  readonly ride: Ride;
  /** Moving off at half charge. */
  readonly start: StartGrade;
}

/** A road ridden once, and again and again to the end of the charge. */
export interface RoundsRidden extends Rider {
  readonly once: Ride;
  readonly whole: Ride;
}

const riderOf = ({ thermal }: Machine, charged: number, reserve: number): Rider => ({
  thermal: { rollbackStartC: thermal.rollbackStartC, damageC: thermal.damageC },
  charged,
  reserve,
});

/** Rides a hill once with a trace. */
export function rideHill(build: BuildDocument, road: Route, effort: Effort): HillRidden {
  const plan = ridePlan(build, road, effort);
  const { machine } = plan;
  return {
    ...riderOf(machine, plan.charged, plan.reserve),
    ride: plan.ride({ traceEvery: traceSpacing(plan.course) }),
    start: startGrade(machine, STATED_CHARGE, machine.heldGear ?? 'best'),
  };
}

/** Rides a road once with a trace, and in rounds until the charge is gone. */
export function rideRounds(build: BuildDocument, road: Route): RoundsRidden {
  const plan = ridePlan(build, road, 'cruise');
  return {
    ...riderOf(plan.machine, plan.charged, plan.reserve),
    once: plan.ride({ traceEvery: traceSpacing(plan.course) }),
    whole: plan.ride({ again: true }),
  };
}

/** What a motor holds for ever, with and without fluid in its gap, and how hot one climb after the other makes it. */
export interface HeatRidden {
  readonly thermal: Rider['thermal'];
  /** As built, and with the other choice of fluid. */
  readonly curves: readonly [readonly Continuous[], readonly Continuous[]];
  readonly repeated: { readonly ride: Ride; readonly climbs: readonly RepeatedClimb[] };
  /** Seconds until the winding suffers on the grade with nothing to hold back; undefined where nothing holds back. */
  readonly unheldAfter: number | undefined;
}

export interface HeatAsked {
  readonly road: Route;
  /** Climbs, one after the other. */
  readonly times: number;
  /** Road speeds of the curves, m/s. */
  readonly speeds: readonly number[];
  readonly gradePct: number;
}

/** A trace of repeated climbs has at least this many rows a climb. */
const ROWS_A_CLIMB = 60;

/** Heat of a motor on a hill again and again, beside its continuous power. */
export function rideHeat(build: BuildDocument, { road, times, speeds, gradePct }: HeatAsked): HeatRidden {
  const machine = assemble(build);
  const other = assemble({ ...build, drive: { ...build.drive, fluid: !build.drive.fluid } });
  const { thermal } = machine;
  const plan = ridePlan(build, { ...road, times, andBack: true }, 'full');
  const length = routeLengthM(road);
  const ride = plan.ride({ traceEvery: Math.min(traceSpacing(plan.course), length / ROWS_A_CLIMB) });
  const unheld = {
    ...machine,
    thermal: { ...thermal, rollbackStartC: Infinity, rollbackEndC: Infinity },
    controllerHeat: { ...machine.controllerHeat, foldStartC: Infinity, foldEndC: Infinity },
  };
  const holdsBack = Number.isFinite(thermal.rollbackStartC);
  return {
    thermal: { rollbackStartC: thermal.rollbackStartC, damageC: thermal.damageC },
    curves: [continuousCurve(machine, speeds), continuousCurve(other, speeds)],
    repeated: { ride, climbs: repeatedClimbs(ride, length) },
    unheldAfter: holdsBack
      ? heatOnGrade(unheld, STATED_CHARGE, gradePct, machine.heldGear ?? 'best').tooHotAfter
      : undefined,
  };
}
