import type { Machine } from '../machine/machine.ts';
import { warmResistance } from '../machine/motor.ts';
import { airCooling, heatStep, rollbackShare, settlesAtMost, type Warmth } from '../machine/thermal.ts';

/** A machine whose winding warms: resistance and phase limit follow it. */
export type WarmMachine = Omit<Machine, 'circuitOhm' | 'limits'> & {
  circuitOhm: number;
  limits: { -readonly [K in keyof Machine['limits']]: Machine['limits'][K] };
};

/** The heat of the motor moves slowly: it is stepped for itself, s. */
const HEAT_S = 2;

/**
 * A load is even once what it leads to has moved by no more than this from step to step, K, for this long, s. So near
 * to it, K, the slow changes of speed and current are over, but for what they leave open. Tolerances of the numerics, no
 * source: held over many builds against two hours ridden out (trips.test.ts).
 */
const EVEN_K = 0.1;
const EVEN_S = 60;
const NEARLY_K = 5;
const OPEN_K = 0.5;

/** Gathers the motor's losses over a ride and lets it warm by them. */
export class MotorHeat {
  private readonly cold: Machine;
  private readonly machine: WarmMachine;
  /** Of what gears and chain lose, the share that falls inside the motor. */
  readonly inside: number;
  warmth: Warmth;
  hottestC: number;
  /** When the controller began to hold back, and when the winding suffered, s. */
  rollbackAfter: number | undefined;
  damageAfter: number | undefined;
  /** Share of the phase limit that the heat leaves. */
  shareLeft = 1;
  /** The most that the winding comes to if what it lost of late goes on, C. */
  private settlesC = Infinity;
  private evenS = 0;
  private seconds = 0;
  private windingJ = 0;
  private shellJ = 0;
  private cooling = 0;

  constructor(cold: Machine, machine: WarmMachine, warmth: Warmth) {
    this.cold = cold;
    this.machine = machine;
    this.inside = cold.efficiency < 1 ? (1 - cold.gearEfficiency) / (1 - cold.efficiency) : 0;
    this.warmth = warmth;
    this.hottestC = warmth.windingC;
    this.apply(0);
  }

  /** Adds the losses of winding and shell in `dt` seconds at road speed `v`, W, up to the time `now` of the ride. */
  add(windingW: number, shellW: number, v: number, dt: number, now: number): void {
    this.seconds += dt;
    this.windingJ += windingW * dt;
    this.shellJ += shellW * dt;
    this.cooling += airCooling(this.cold.thermal, v) * dt;
    if (this.seconds < HEAT_S) return;
    const s = this.seconds;
    const { thermal, airC } = this.cold;
    const [windingMeanW, shellMeanW, cooling] = [this.windingJ / s, this.shellJ / s, this.cooling / s];
    this.warmth = heatStep(thermal, this.warmth, windingMeanW, shellMeanW, cooling, airC, s);
    const settlesC = settlesAtMost(thermal, this.warmth.windingC, windingMeanW, shellMeanW, cooling, airC);
    this.evenS = Math.abs(settlesC - this.settlesC) <= EVEN_K ? this.evenS + s : 0;
    this.settlesC = settlesC;
    this.seconds = this.windingJ = this.shellJ = this.cooling = 0;
    this.apply(now);
  }

  /** True once an even load has all but warmed the winding through, and that is below a temperature. */
  settlesBelow(limitC: number): boolean {
    return (
      this.evenS >= EVEN_S &&
      this.settlesC < this.warmth.windingC + NEARLY_K &&
      this.settlesC + OPEN_K < limitC
    );
  }

  private apply(now: number): void {
    const { cold, machine } = this;
    const { windingC } = this.warmth;
    machine.circuitOhm = warmResistance(cold.motor.resistance20, windingC) + cold.controllerOhm;
    this.shareLeft = rollbackShare(cold.thermal, windingC);
    machine.limits.phaseA = cold.limits.phaseA * this.shareLeft;
    if (windingC > this.hottestC) this.hottestC = windingC;
    if (windingC >= cold.thermal.rollbackStartC) this.rollbackAfter ??= now;
    if (windingC >= cold.thermal.damageC) this.damageAfter ??= now;
  }
}
