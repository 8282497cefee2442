import type { Machine } from '../machine/machine.ts';
import { warmResistance } from '../machine/motor.ts';
import { airCooling, heatStep, rollbackShare, type Warmth } from '../machine/thermal.ts';

/** A machine whose winding warms: resistance and phase limit follow it. */
export type WarmMachine = Omit<Machine, 'circuitOhm' | 'limits'> & {
  circuitOhm: number;
  limits: { -readonly [K in keyof Machine['limits']]: Machine['limits'][K] };
};

/** The heat of the motor moves slowly: it is stepped for itself, s. */
const HEAT_S = 2;

/** Gathers the motor's losses over a ride and lets it warm by them. */
export class MotorHeat {
  private readonly cold: Machine;
  private readonly machine: WarmMachine;
  /** Of what gears and chain lose, the share that falls inside the motor. */
  private readonly inside: number;
  warmth: Warmth;
  hottestC: number;
  /** When the controller began to hold back, and when the winding suffered, s. */
  rollbackAfter: number | undefined;
  damageAfter: number | undefined;
  /** Share of the phase limit that the heat leaves. */
  shareLeft = 1;
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

  /** Adds the losses of `dt` seconds at road speed `v`, W, up to the time `now` of the ride. */
  add(windingW: number, gearsW: number, v: number, dt: number, now: number): void {
    this.seconds += dt;
    this.windingJ += windingW * dt;
    this.shellJ += gearsW * this.inside * dt;
    this.cooling += airCooling(this.cold.thermal, v) * dt;
    if (this.seconds < HEAT_S) return;
    const s = this.seconds;
    const { thermal, airC } = this.cold;
    this.warmth = heatStep(
      thermal,
      this.warmth,
      this.windingJ / s,
      this.shellJ / s,
      this.cooling / s,
      airC,
      s,
    );
    this.seconds = this.windingJ = this.shellJ = this.cooling = 0;
    this.apply(now);
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
