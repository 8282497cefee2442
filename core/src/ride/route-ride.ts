import { terminalVolts } from '../machine/diodes.ts';
import { cadenceRpm } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import { powerAfter, powerOnGrade } from '../machine/rider.ts';
import { Board } from '../machine/trips.ts';
import { coreDrag } from '../machine/motor.ts';
import type { Course } from './course.ts';
import { emptyLedger } from './ledger.ts';
import { MotorHeat } from './motor-heat.ts';
import { warmMachine, type WarmMachine } from '../machine/magnets.ts';
import { powerSource, type PowerSource } from './power-source.ts';
import type { HeatEnds, Ride, RideEnd, RideOptions } from './ride.ts';
import { Road } from './road.ts';
import { Stepper } from './stepper.ts';
import { circuitAt } from './circuit.ts';
import { BINDINGS_OF_RIDER, emptyTrace, type Binding, type Trace } from './trace.ts';

/**
 * Steps are at most this long, s, and change the speed by about this much, m/s; what a rider does (braking, the
 * speed wished for, stops) and every breakpoint begin a step of their own. Within 0.1 % of a fine solution (see the
 * tests).
 */
const STEP_S = 4;
const STEP_MS = 0.15;
/** At full throttle nothing is wished for that a step could smear: the speed may change by this much, m/s. */
const OPEN_STEP_MS = 0.2;
const SHORTEST_S = 0.02;
/** Of the time an even load has lasted, a step may take this much: what changes is only as fast as that. */
const EVEN_SHARE = 0.01;
/** Low volts have to bind this long before they end a ride: in a launch they only fold back, s. */
const CUTOFF_S = 30;
/** Slower than this (m/s) for this long (s) is standing still. */
const STALL_MS = 0.1;
const STALL_S = 5;
/** This close to a breakpoint is on it, m. */
const ON_IT_M = 1e-6;
/** Slower than this (m/s) and this near a stop (m), it is rolled out evenly over what is left, at most this long (s). */
const CREEP_MS = 0.05;
const CREEP_M = 0.1;
const LAST_S = 20;
const WAIT_STEP_S = 10;
/** No ride on one charge is longer, s and steps. */
const MOST_S = 72 * 3600;
const MOST_STEPS = 3_000_000;
const NO_WAIT = 0;
/** Beyond an hour legs give less, looked at anew after so long, s. */
const TIRES_EVERY_S = 300;
const OF_RIDER: ReadonlySet<Binding> = new Set(BINDINGS_OF_RIDER);

/** One ride under way: the loop, and its books. */
class RideState {
  private readonly machine: Machine;
  private readonly m: WarmMachine;
  private readonly o: RideOptions;
  private readonly source: PowerSource;
  private readonly road: Road;
  private readonly step: Stepper;
  private readonly longest: number;
  readonly heat: MotorHeat;
  private readonly board: Board;
  readonly ledger = emptyLedger();
  readonly trace: Trace | undefined;
  readonly bound: Partial<Record<Binding, number>> = {};
  t = 0;
  x = 0;
  moving = 0;
  slowest = Infinity;
  usedJ = 0;
  steps = 0;
  private v: number;
  private a = 0;
  private lowS = 0;
  private stillS = 0;
  private nextRow = 0;
  /** The last step was at full throttle. */
  private opened = false;
  private tiresAt = 3600;
  private batteryW = 0;
  private batteryA = 0;

  constructor(machine: Machine, course: Course, options: RideOptions) {
    this.machine = machine;
    this.m = warmMachine(machine);
    this.o = options;
    this.source = powerSource(machine, options.charge, options.draining ?? 'drains');
    this.board = new Board();
    this.heat = new MotorHeat(
      machine,
      this.m,
      options.warmth ?? { windingC: machine.airC, shellC: machine.airC },
    );
    this.road = new Road(machine, course, options.pace.brake);
    this.step = new Stepper(this.m, this.road, this.source, this.heat, options);
    this.setLegs();
    this.longest = options.step ?? STEP_S;
    this.v = options.speed ?? 0;
    this.trace = options.traceEvery === undefined ? undefined : emptyTrace();
  }

  get charge(): number {
    return Math.max(0, this.source.charge);
  }

  /** The length of the next step. */
  private nextStep(left: number): number {
    const { v, road } = this;
    const { accelerate, brake, cruise } = this.o.pace;
    const a = v < 0.5 ? accelerate : Math.abs(this.a);
    const most = this.opened ? OPEN_STEP_MS : STEP_MS;
    const longest = this.o.even === true ? Math.max(this.longest, EVEN_SHARE * this.t) : this.longest;
    let dt = a * longest > most ? Math.max(SHORTEST_S, most / a) : longest;
    const short = Math.min(cruise, road.limit) - v;
    // Only where it is gathered as fast as wished: a machine held just below it would creep in tiny steps.
    const gathers = v < 0.5 || this.a > 0.9 * accelerate;
    if (gathers && short > ON_IT_M && accelerate * dt > short) dt = Math.max(SHORTEST_S, short / accelerate);
    // Rolling down to the speed wished for, and up to the one that is braked at.
    const { descent } = this.o.pace;
    const ahead = this.a < 0 ? cruise - v : descent - v;
    if (this.a !== 0 && ahead * this.a > 0 && Math.abs(ahead) > 1e-3)
      dt = Math.max(SHORTEST_S, Math.min(dt, ahead / this.a));
    if (v > road.endLimit) {
      const rolls = left - (v * v - road.endLimit ** 2) / (2 * brake);
      if (rolls > 1e-3 && rolls < v * dt) dt = Math.max(SHORTEST_S, rolls / v);
    }
    return dt;
  }

  /** One step; undefined while the ride goes on. */
  advance(): RideEnd | undefined {
    const { road, step, x, v } = this;
    const left = road.end - x;
    if (left <= ON_IT_M) return this.passNode();
    let dt = this.nextStep(left);
    let v1 = step.settle(x, v, dt);
    while (Math.abs(v1 - v) > 1.5 * (this.opened ? OPEN_STEP_MS : STEP_MS) && dt > 2 * SHORTEST_S) {
      dt /= 2;
      v1 = step.settle(x, v, dt);
    }
    this.opened = !OF_RIDER.has(step.binding);
    if (road.endLimit === 0 && v > 0 && v1 < CREEP_MS && left < CREEP_M) {
      dt = Math.min(LAST_S, (2 * left) / v);
      v1 = 0;
      step.stop(v, dt);
    }
    for (let i = 0; i < 3 && ((v + v1) / 2) * dt > left + ON_IT_M / 2; i += 1) {
      dt = (2 * left) / (v + v1);
      v1 = step.settle(x, v, dt);
    }
    this.book(step.dt, v1);
    return this.over();
  }

  /** Writes a settled step down: energies, charge, heat and time. */
  private book(dt: number, v1: number): void {
    const { v, ledger, m, step, road } = this;
    const vm = (v + v1) / 2;
    const metres = vm * dt;
    const legsJ = (step.riderN * metres) / m.chainEfficiency;
    ledger.rolling += road.rollingN * metres;
    ledger.air += road.air(vm) * metres;
    ledger.grade += road.slopeN * metres;
    ledger.motion += (step.mass * (v1 * v1 - v * v)) / 2;
    ledger.brakes += step.brakeN * metres;
    ledger.rider += legsJ;
    ledger.chain += legsJ - step.riderN * metres;
    this.t += dt;
    this.electrical(vm, dt);
    this.a = (v1 - v) / dt;
    this.v = v1;
    this.x += metres;
    this.steps += 1;
    const { binding } = step;
    this.bound[binding] = (this.bound[binding] ?? 0) + dt;
    const low = binding === 'low-voltage' || binding === 'pack-power';
    this.lowS = low ? this.lowS + dt : 0;
    if (vm > STALL_MS) {
      this.moving += dt;
      if (this.moving >= this.tiresAt) {
        this.setLegs();
        this.tiresAt = this.moving + TIRES_EVERY_S;
      }
      this.stillS = 0;
      if (binding !== 'braking' && binding !== 'rolling' && v1 <= v)
        this.slowest = Math.min(this.slowest, v1);
    } else this.stillS += dt;
    this.record(vm);
  }

  /** Legs give less the longer they ride, and where they go by the grade more uphill and less downhill. */
  private setLegs(): void {
    // Where the charge is held for a question of heat alone, the legs are as well.
    if (this.o.draining === 'stays') return;
    const { rider } = this.machine;
    const onGrade = this.o.byGrade === true ? powerOnGrade(this.road.gradePct) : 1;
    const share = powerAfter(this.moving / 3600) * onGrade;
    this.m.rider = { ...rider, powerW: rider.powerW * share };
  }

  private whyOver(): RideEnd {
    if (this.board.open) return 'cut-out';
    return this.source.empty ? 'empty' : 'cut-off';
  }

  private over(): RideEnd | undefined {
    const { o } = this;
    // Where the charge is held for a question of heat alone, no pack ends it.
    const asksHeat = o.draining === 'stays';
    if (!asksHeat && (this.board.open || this.source.empty || this.lowS >= CUTOFF_S)) {
      const why = this.whyOver();
      if (!this.source.next()) return why;
      this.board.renew();
      this.lowS = 0;
    }
    if (this.stillS >= STALL_S) return 'stalled';
    if (o.untilCharge !== undefined && this.source.charge <= o.untilCharge) return 'charge';
    if (this.steps >= MOST_STEPS) return 'time';
    return this.heatEnds(o);
  }

  /** What ends a ride for its heat, or because it has been warm for long enough. */
  heatEnds({ mostSeconds = MOST_S, untilC }: HeatEnds): RideEnd | undefined {
    if (this.t >= mostSeconds) return 'time';
    if (untilC === undefined) return undefined;
    if (this.heat.tooHot(untilC)) return 'hot';
    return this.o.even === true && this.heat.settlesBelow(untilC) ? 'never-hot' : undefined;
  }

  /** Motor, controller and packs over `dt` at a middle speed, and the heat of it. */
  private electrical(vm: number, dt: number): void {
    const { m, ledger, step } = this;
    const { amps } = step;
    const omega = step.gear.motorRatio * vm;
    const circuit = circuitAt(m, step.gear, vm, amps, this.source.supply);
    const { emfW, windingW, brushW, controllerW } = circuit;
    // A motor behind its freewheel stands while it is not needed.
    const turns = amps !== 0 || !m.motor.freewheel;
    // One that cannot keep up with the wheel runs free behind it, as fast as its own drag lets it.
    const runsFree = m.motor.freewheel && step.motorN === 0;
    const dragW = turns ? coreDrag(m.motor, omega) * omega : 0;
    const coreW = runsFree ? emfW : dragW;
    const gearsW = turns ? emfW - coreW - step.motorN * vm : 0;
    const watts = circuit.takenW + m.limits.standbyW;
    const drawn = this.source.draw(watts, dt);
    // A pack that gives all it can, and less than lamps and standby ask, leaves them dim.
    const got = drawn.openW - drawn.cellsW - drawn.leadsW;
    const short = Math.max(0, watts - got);
    const dim = Math.min(short, m.accessoryW);
    ledger.copper += (windingW + brushW) * dt;
    ledger.core += coreW * dt;
    ledger.gears += gearsW * dt;
    ledger.controller += (controllerW - short + dim) * dt;
    ledger.accessories += (m.accessoryW - dim) * dt;
    ledger.pack += drawn.openW * dt;
    if (drawn.openW < 0) ledger.regenerated -= drawn.openW * dt;
    ledger.cells += drawn.cellsW * dt;
    ledger.leads += drawn.leadsW * dt;
    this.usedJ += got * dt;
    this.batteryW = got;
    this.batteryA = drawn.amps;
    this.board.carry(drawn.strain, dt);
    // Brushes rub and burn at the commutator: half of it warms the rotor, half the shell; their friction the shell.
    const rubW = m.motor.brushes !== undefined && turns && !runsFree ? m.motor.hysteresisNm * omega : 0;
    const shellW = gearsW * this.heat.inside + rubW + brushW / 2;
    this.heat.add(windingW + brushW / 2 + coreW - rubW, shellW, controllerW, vm, dt, this.t);
  }

  /** At the end of a piece: stands where there is a stop, then goes on, round again, or is there. */
  private passNode(): RideEnd | undefined {
    const { road } = this;
    for (let left = road.wait || NO_WAIT; left > 0; left -= WAIT_STEP_S)
      this.stand(Math.min(WAIT_STEP_S, left));
    // Breakpoints stay where they are, whatever rounding left of the last step.
    this.x = road.end;
    if (!road.next(this.o.again === true)) return 'arrived';
    this.setLegs();
    return undefined;
  }

  private stand(dt: number): void {
    this.step.stand();
    this.t += dt;
    this.electrical(0, dt);
    this.bound.standing = (this.bound.standing ?? 0) + dt;
    this.record(0);
  }

  /** A row of the trace where one is due. */
  private record(vm: number): void {
    if (this.x < this.nextRow && vm > 0) return;
    this.nextRow = this.x + (this.o.traceEvery ?? 0);
    this.write(vm);
  }

  /** The trace goes to where the ride ended, due or not. */
  finish(): void {
    if (this.t > (this.trace?.seconds.at(-1) ?? 0)) this.write(this.v);
  }

  private write(vm: number): void {
    const { trace, step } = this;
    if (trace === undefined) return;
    const { supply } = this.source;
    trace.seconds.push(this.t);
    trace.metres.push(this.x);
    trace.speed.push(this.v);
    trace.gradePct.push(this.road.gradePct);
    trace.wheelN.push(step.motorN + step.riderN);
    trace.volts.push(terminalVolts(supply, this.batteryA));
    trace.batteryA.push(this.batteryA);
    trace.phaseA.push(step.amps);
    trace.charge.push(this.charge);
    trace.windingC.push(this.heat.warmth.windingC);
    trace.shellC.push(this.heat.warmth.shellC);
    trace.caseC.push(this.heat.caseC);
    trace.riderW.push((step.riderN * vm) / this.m.chainEfficiency);
    trace.cadenceRpm.push(step.riderN > 0 ? cadenceRpm(step.gear, vm) : 0);
    trace.cogTeeth.push(step.gear.cogTeeth);
    trace.hubGear.push(step.gear.hubGear);
    trace.batteryW.push(this.batteryW);
    trace.binding.push(step.binding);
  }
}

/** The totals as they stand. */
const totals = (state: RideState, ends: RideEnd): Ride => ({
  ends,
  seconds: state.t,
  movingSeconds: state.moving,
  metres: state.x,
  charge: state.charge,
  ledger: { ...state.ledger },
  usedWh: state.usedJ / 3600,
  warmth: state.heat.warmth,
  hottestC: state.heat.hottestC,
  caseHottestC: state.heat.caseHottestC,
  foldAfter: state.heat.foldAfter,
  rollbackAfter: state.heat.rollbackAfter,
  damageAfter: state.heat.damageAfter,
  slowest: state.slowest,
  bound: { ...state.bound },
  steps: state.steps,
  trace: state.trace,
});

/** Rides a machine over a course: its totals, and where asked for a trace. Kinetic energy closes identically. */
export function rideCourse(machine: Machine, course: Course, options: RideOptions): Ride {
  const state = new RideState(machine, course, options);
  let ends: RideEnd | undefined;
  while (ends === undefined) ends = state.advance();
  state.finish();
  return totals(state, ends);
}

/**
 * One ride that is asked two things: its totals as it passes a distance, and as its heat has ended it. Neither moves the
 * other; a ride that ends before either is told as it ended.
 * @param metres a breakpoint of the course, m
 */
export function ridePast(
  machine: Machine,
  course: Course,
  metres: number,
  options: RideOptions,
  heatEnds: HeatEnds,
): { readonly there: Ride; readonly heat: Ride } {
  const state = new RideState(machine, course, options);
  let [there, heat]: (Ride | undefined)[] = [];
  while (there === undefined || heat === undefined) {
    const ends = state.advance();
    if (ends !== undefined || state.x >= metres - ON_IT_M) there ??= totals(state, ends ?? 'arrived');
    const answered = ends ?? state.heatEnds(heatEnds);
    if (answered !== undefined) heat ??= totals(state, answered);
  }
  return { there, heat };
}
