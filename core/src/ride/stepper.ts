import type { Gear } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import { wheelForce } from '../machine/motor.ts';
import { riderForce } from '../machine/rider.ts';
import { Bracket, secant } from '../quantity/numerics.ts';
import { GearBox } from './gear-box.ts';
import type { WarmMachine } from '../machine/magnets.ts';
import type { MotorHeat } from './motor-heat.ts';
import {
  easeAt,
  handShare,
  helpIn,
  operatingPoint,
  partThrottleAmps,
  type OperatingPoint,
} from './operating-point.ts';
import type { PowerSource } from './power-source.ts';
import type { Legs } from './ways.ts';
import { brakingAmps } from './regenerate.ts';
import type { Road } from './road.ts';
import type { Pace } from './course.ts';
import type { Binding } from './trace.ts';
import type { GearChoice } from './traction.ts';

/** Wheels, rotor and the like as if they were mass, kg. From memory: the sum of J / r^2. */
export const TURNING_KG = 2;
/** Room above the fastest that is rolled to, m/s, for the search of a step. */
const ROLL_ROOM = 5;
/** Roots of a step's speed, m/s: what is left over goes into the force, so that energies close all the same. */
const ROOT_MS = 1e-7;
/** A secant that has not converged in so many steps is left for the bracket. */
const MOST_SECANTS = 5;
const MOST_TRIES = 60;
/** Slower than this a gear is chosen for the speed that is coming, m/s. */
const LAUNCH_MS = 1;
/** So far ahead, s, however long the step is: a rider who crawls uphill does not shift for what comes in a minute. */
const LAUNCH_S = 4;

/**
 * One step of a ride by the implicit midpoint rule, inverse first: the wanted speed at its end, and the force for it
 * in closed form; where that cannot be had, vm = v + dt/2 (F(vm) - load(vm)) / m is solved at full throttle. What
 * makes the step stands in the fields afterwards, at its middle speed.
 */
export class Stepper {
  private readonly m: WarmMachine;
  private readonly road: Road;
  private readonly source: PowerSource;
  private readonly heat: MotorHeat;
  private readonly pace: Pace;
  private readonly helping: boolean;
  private readonly box: GearBox;
  readonly mass: number;

  gear: Gear;
  amps = 0;
  motorN = 0;
  riderN = 0;
  brakeN = 0;
  binding: Binding = 'wish';
  private full: OperatingPoint | undefined;
  /** Of the step being solved: its beginning, whether the throttle is open, and its length. */
  private v = 0;
  /** Shorter than asked for where the machine comes to rest within the step. */
  dt = 0;
  private open = false;
  /** The last push was with all there is. */
  private flatOut = false;
  private lastA = 0;

  constructor(
    machine: WarmMachine,
    road: Road,
    source: PowerSource,
    heat: MotorHeat,
    rides: { readonly pace: Pace; readonly legs: Legs; readonly gear: GearChoice },
  ) {
    this.m = machine;
    this.road = road;
    this.source = source;
    this.heat = heat;
    this.pace = rides.pace;
    this.helping = rides.legs === 'helping';
    this.box = new GearBox(machine, rides.gear);
    this.gear = this.box.gear;
    this.mass = machine.road.massKg + TURNING_KG;
  }

  /** Settles a step of `dt` from `x` at `v`; gives the speed at its end. */
  settle(x: number, v: number, dt: number): number {
    this.v = v;
    this.dt = dt;
    const cap = this.road.allowed(x, v, dt);
    // Downhill nobody opens the throttle beyond the speed that it is let run to.
    const most = this.road.gradePct < 0 ? Math.min(this.pace.cruise, this.pace.descent) : this.pace.cruise;
    const wish = Math.min(most, cap, v + this.pace.accelerate * dt);
    const wanted = this.forceFor(wish);
    if (wanted > 0 && wish >= v - ROOT_MS) return this.drive(wish, wanted);
    return this.roll(Math.min(cap, Math.max(v, this.pace.descent)), wish);
  }

  /** Standing still for a while. */
  stand(): void {
    this.amps = this.motorN = this.riderN = this.brakeN = 0;
    this.binding = 'standing';
  }

  /** Evenly slower to a stop over a step. */
  stop(v: number, dt: number): void {
    this.v = v;
    this.dt = dt;
    this.brake(0);
  }

  /** Force of motor, rider and brakes that ends the step at `v1`, N. */
  private forceFor(v1: number): number {
    return (this.mass * (v1 - this.v)) / this.dt + this.road.load((this.v + v1) / 2);
  }

  /** The middle speed of what is next in a launch, m/s. */
  private coming(wish: number): number {
    return (this.v + Math.min(wish, this.v + this.pace.accelerate * Math.min(this.dt, LAUNCH_S))) / 2;
  }

  private drive(wish: number, wanted: number): number {
    const wm = (this.v + wish) / 2;
    // The gear is for the speed ridden: the one wished for may be out of reach.
    this.gear = this.box.choose(
      this.source.supply,
      this.v < LAUNCH_MS ? this.coming(wish) : this.v,
      wanted,
      this.dt,
    );
    this.open = true;
    // After a step at full throttle the next is likely to be one: its root is tried first, and lies below the wish.
    let vm = this.flatOut ? this.guessed(wm) : undefined;
    if (vm === undefined) {
      if (this.most(wm) >= wanted) {
        this.flatOut = false;
        this.binding = 'wish';
        this.share(wanted, wm);
        return wish;
      }
      vm = (this.flatOut ? undefined : this.guessed(wm)) ?? this.reach(wm);
    }
    this.flatOut = true;
    const v1 = Math.max(0, 2 * vm - this.v);
    this.lastA = (v1 - this.v) / this.dt;
    this.share(this.forceFor(v1), (this.v + v1) / 2);
    const limit: Limit = this.full?.limit ?? 'no-motor';
    this.binding = limit === 'phase-current' ? (this.heat.heldBy ?? limit) : limit;
    return v1;
  }

  /** Neither pushes: it rolls, and is braked where it would become faster than `most`. */
  private roll(most: number, wish: number): number {
    this.open = false;
    const v1 = Math.max(0, 2 * this.reach(Math.max(this.v, most) + ROLL_ROOM) - this.v);
    if (v1 < wish) {
      // Rolling alone is slower than wished: a part of the push makes up for it.
      const wanted = this.forceFor(wish);
      if (wanted > this.ownDrag((this.v + wish) / 2)) return this.drive(wish, wanted);
    }
    if (v1 > most) {
      this.brake(most);
      return most;
    }
    this.binding = 'rolling';
    this.rest((this.v + v1) / 2);
    this.brakeN = this.motorN - this.forceFor(v1);
    return v1;
  }

  /** Slower than it rolls: with the motor as far as it gives back, with the brakes for the rest. */
  private brake(v1: number): void {
    const { m, gear } = this;
    const middle = (this.v + v1) / 2;
    const total = this.forceFor(v1);
    this.binding = 'braking';
    this.rest(middle);
    if (total > this.motorN) {
      // So little is left that it has to be pushed: the last metre uphill.
      this.most(middle);
      this.share(total, middle);
      return;
    }
    this.amps = brakingAmps(m, gear, this.source, middle, this.motorN - total);
    this.motorN = wheelForce(m.motor, gear.motorRatio, m.efficiency, this.amps, middle);
    this.brakeN = this.motorN - total;
  }

  private rest(v: number): void {
    this.riderN = 0;
    this.amps = 0;
    this.motorN = this.ownDrag(v);
  }

  private ownDrag(v: number): number {
    return wheelForce(this.m.motor, this.gear.motorRatio, this.m.efficiency, 0, v);
  }

  /**
   * Splits a force between legs and motor at a speed whose full throttle is known. The motor gives no more than it
   * can, which is less than nothing where it is dragged along; what is missing the legs give, as far as they push beside all of it.
   */
  private share(totalN: number, v: number): void {
    const { m, gear } = this;
    const legs = this.legs(totalN, v);
    this.amps = Math.min(this.full?.phaseA ?? 0, partThrottleAmps(m, gear, v, totalN - legs));
    this.motorN = wheelForce(m.motor, gear.motorRatio, m.efficiency, this.amps, v);
    const missing = totalN - legs - this.motorN;
    const more = missing > 0 ? this.legsBeside(this.full?.forceN ?? 0, v) - legs : 0;
    this.riderN = legs + Math.max(0, Math.min(missing, more));
    // What is left over is a drag that cannot be pushed away, or rounding.
    this.brakeN = this.motorN + this.riderN - totalN;
  }

  /** What the legs give of a force wanted at the tyre. */
  private legs(wantedN: number, v: number): number {
    const { rider, chainEfficiency } = this.m;
    const assistRatio = this.m.assistRatio * helpIn(this.m, this.gear);
    const wanted = Math.max(0, wantedN);
    const all = riderForce(rider, this.gear, chainEfficiency, v);
    // While the motor has force to spare; what is missing the legs add.
    if (this.helping) return Math.min(easeAt(this.m, v) * all, wanted);
    const most = Math.min(all, wanted);
    return Math.min(
      most,
      assistRatio === Infinity ? 0 : ((1 - handShare(this.m, v)) * wanted) / (1 + assistRatio),
    );
  }

  /** Most that motor and rider push with. */
  private most(v: number): number {
    const { m, gear } = this;
    const full = (this.full = operatingPoint(m, gear, this.source.supply, v));
    return full.forceN + this.legsBeside(full.forceN, v);
  }

  /** What legs push beside all that the motor can: all they have, or their share where they only do that. */
  private legsBeside(motorN: number, v: number): number {
    const { m, gear } = this;
    if (!this.helping && m.assistRatio === Infinity) return 0;
    const legs = riderForce(m.rider, gear, m.chainEfficiency, v);
    if (this.helping) return legs;
    return Math.min(legs, ((1 - handShare(m, v)) * motorN) / (m.assistRatio * helpIn(m, gear)));
  }

  private readonly bracket = new Bracket();
  private readonly gapAt = (vm: number): number => this.gap(vm);

  /** Falls short (below 0) or exceeds what a middle speed asks, m/s. */
  private gap(vm: number): number {
    const force = this.open ? this.most(vm) : this.ownDrag(vm);
    return vm - this.v - (this.dt / (2 * this.mass)) * (force - this.road.load(vm));
  }

  /** The middle speed by a secant from the last step's acceleration; undefined where it does not settle at once. */
  private guessed(upper: number): number | undefined {
    const a = this.v + (this.lastA * this.dt) / 2;
    if (!(a > 0.5 * this.v && a < upper)) return undefined;
    const fa = this.gap(a);
    // A machine that goes on as before is there already.
    if (Math.abs(fa) < ROOT_MS) return a;
    // The gap grows at least as fast as the speed, so that this step never goes beyond the root by much.
    return secant(this.gapAt, a, fa, a - fa, {
      low: 0.5 * this.v,
      high: upper,
      tolerance: ROOT_MS,
      steps: MOST_SECANTS,
    });
  }

  /** The middle speed that full throttle, or rolling, reaches, by the Illinois method; `upper` lies above it. */
  private reach(upper: number): number {
    const { v } = this;
    const here = this.gap(v);
    if (here <= 0) return this.root(v, here, upper, this.gap(upper));
    // It slows down: the root lies below, and at half the speed the machine has stopped within the step.
    const low = this.gap(v / 2);
    if (low <= 0) return this.root(v / 2, low, v, here);
    if (v > 0) {
      const force = this.open ? this.most(v / 2) : this.ownDrag(v / 2);
      this.dt = (this.mass * v) / (this.road.load(v / 2) - force);
    }
    return v / 2;
  }

  private root(a: number, fa: number, b: number, fb: number): number {
    const bracket = this.bracket.set(a, fa, b, fb);
    for (let i = 0; i < MOST_TRIES && bracket.width > ROOT_MS && !bracket.flat; i += 1) {
      const x = bracket.crossing;
      const fx = this.gap(x);
      if (Math.abs(fx) < ROOT_MS) return x;
      bracket.take(x, fx);
    }
    return bracket.nearer;
  }
}
