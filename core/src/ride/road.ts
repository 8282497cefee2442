import type { Machine } from '../machine/machine.ts';
import { STANDARD_GRAVITY } from '../quantity/constants.ts';
import { airFromAllSides } from '../machine/wind.ts';
import type { Course } from './course.ts';

/** The piece of road under the wheels: what it asks of a machine, and how fast it may be ridden. SI. */
export class Road {
  private readonly course: Course;
  private readonly brake: number;
  private readonly weight: number;
  private readonly crr: number;
  /** How a tyre sinks in against one of 50 mm. */
  private readonly sinks: number;
  private readonly drag: number;
  private piece = -1;
  private lap = 0;
  rollingN = 0;
  slopeN = 0;
  private ahead = 0;
  private across2 = 0;
  private allSides = 0;
  /** Fastest here, and at the end of the piece. */
  limit = Infinity;
  endLimit = Infinity;
  /** Distance at which the piece ends, laps counted. */
  end = 0;
  /** Standing still at its end, s; NaN for none. */
  wait = NaN;
  gradePct = 0;

  constructor(machine: Machine, course: Course, brake: number) {
    const { road } = machine;
    this.course = course;
    this.brake = brake;
    this.weight = road.massKg * STANDARD_GRAVITY;
    this.crr = road.crr;
    this.sinks = road.sinks ?? 1;
    this.drag = 0.5 * road.airDensity * road.cdaM2;
    this.next(false);
  }

  /** Goes on to the next piece, round again where `again`; false at the end of the road. */
  next(again: boolean): boolean {
    const { course } = this;
    this.piece += 1;
    if (this.piece >= course.count) {
      if (!again || course.metres === 0) return false;
      this.piece = 0;
      this.lap += 1;
    }
    const i = this.piece;
    const [sine, cosine] = [course.sine[i] ?? 0, course.cosine[i] ?? 1];
    this.rollingN = this.weight * cosine * (this.crr + (course.soft[i] ?? 0) * this.sinks);
    this.slopeN = this.weight * sine;
    this.ahead = course.ahead[i] ?? 0;
    this.across2 = (course.across[i] ?? 0) ** 2;
    this.allSides = course.allSides[i] ?? 0;
    this.limit = course.limit[i] ?? Infinity;
    this.endLimit = course.endLimit[i] ?? Infinity;
    this.end = this.lap * course.metres + (course.end[i] ?? 0);
    this.wait = course.wait[i] ?? NaN;
    this.gradePct = (100 * sine) / cosine;
    return true;
  }

  /**
   * Air drag, N: half rho CdA times the air's speed past the rider times its part along the road; the mean over all sides where
   * nobody knows from where the wind comes.
   */
  air(v: number): number {
    if (this.allSides > 0) return this.drag * airFromAllSides(v, this.allSides);
    const along = v + this.ahead;
    return (
      this.drag * along * (this.across2 === 0 ? Math.abs(along) : Math.sqrt(along * along + this.across2))
    );
  }

  load(v: number): number {
    return this.rollingN + this.slopeN + this.air(v);
  }

  /** The fastest at the end of a step of `dt` from `x` at `v`, so that the brakes still do for what comes. */
  allowed(x: number, v: number, dt: number): number {
    const { endLimit, brake: b } = this;
    if (endLimit === Infinity) return this.limit;
    const inside = (b * dt) ** 2 / 4 + endLimit * endLimit + 2 * b * (this.end - x) - b * dt * v;
    return Math.min(this.limit, inside <= 0 ? 0 : Math.max(0, Math.sqrt(inside) - (b * dt) / 2));
  }
}
