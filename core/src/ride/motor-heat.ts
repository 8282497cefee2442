import type { Machine } from '../machine/machine.ts';
import { caseCooling, caseSettles, caseStep, foldShare } from '../machine/controller-heat.ts';
import { setMagnets, type WarmMachine } from '../machine/magnets.ts';
import { magnetShare, warmResistance } from '../machine/motor.ts';
import { airCooling, heatStep, rollbackShare, settlesAtMost, type Warmth } from '../machine/thermal.ts';

/** The heat of the motor moves slowly: it is stepped for itself, by this at least and this at most, s. */
const HEAT_S = 2;
const MOST_HEAT_S = 4;
/** The air cools as before while the speed is the same to this, m/s: a ten-thousandth of what it takes. */
const SAME_AIR_MS = 1e-3;

/**
 * A load is even once what it leads to has moved by no more than this from step to step, K, for this long, s. So near
 * to it, K, the slow changes of speed and current are over, but for what they leave open. Tolerances of the numerics, no
 * source: held over many builds against two hours ridden out (trips.test.ts).
 */
const EVEN_K = 0.1;
const EVEN_S = 60;
const NEARLY_K = 5;
const OPEN_K = 0.5;

function heldBy(byMotor: number, byCase: number): MotorHeat['heldBy'] {
  if (byMotor === 1 && byCase === 1) return undefined;
  return byCase < byMotor ? 'controller-heat' : 'heat';
}

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
  /** The controller's case, C, at its hottest, and when its own heat began to hold back, s. */
  caseC: number;
  caseHottestC: number;
  foldAfter: number | undefined;
  /** What holds the phase current back, where anything does. */
  heldBy: 'heat' | 'controller-heat' | undefined;
  /** The most that the winding comes to if what it lost of late goes on, C. */
  private settlesC = Infinity;
  private evenS = 0;
  private seconds = 0;
  private windingJ = 0;
  private shellJ = 0;
  private cooling = 0;
  /** What the air takes at the speed it was last worked out for. */
  private cooledAt = NaN;
  private coolingNow = 0;
  private caseCoolingNow = 0;
  private caseJ = 0;
  private caseCooling = 0;
  private caseSettlesC = Infinity;

  constructor(cold: Machine, machine: WarmMachine, warmth: Warmth) {
    this.cold = cold;
    this.machine = machine;
    this.inside = cold.efficiency < 1 ? (1 - cold.gearEfficiency) / (1 - cold.efficiency) : 0;
    this.warmth = warmth;
    this.hottestC = warmth.windingC;
    this.caseC = this.caseHottestC = cold.airC;
    this.apply(0);
  }

  /** Adds the losses of winding, shell and controller in `dt` seconds at road speed `v`, W, up to the time `now` of the ride. */
  add(windingW: number, shellW: number, controllerW: number, v: number, dt: number, now: number): void {
    this.seconds += dt;
    this.windingJ += windingW * dt;
    this.shellJ += shellW * dt;
    this.caseJ += controllerW * dt;
    if (!(Math.abs(v - this.cooledAt) <= SAME_AIR_MS)) {
      this.cooledAt = v;
      this.coolingNow = airCooling(this.cold.thermal, v);
      this.caseCoolingNow = caseCooling(this.cold.controllerHeat, v);
    }
    this.cooling += this.coolingNow * dt;
    this.caseCooling += this.caseCoolingNow * dt;
    if (this.seconds < HEAT_S) return;
    const s = this.seconds;
    const { thermal, airC } = this.cold;
    // What a controller in the motor's shell gives to it falls there.
    const [windingMeanW, cooling] = [this.windingJ / s, this.cooling / s];
    // In the end all that it loses does.
    const inShell = this.cold.controllerHeat.shellWK > 0;
    const shellEndW = (this.shellJ + (inShell ? this.caseJ : 0)) / s;
    const steps = Math.ceil(s / MOST_HEAT_S);
    for (let i = 0; i < steps; i += 1) {
      const shellMeanW = this.shellJ / s + this.warmCase(s, s / steps);
      this.warmth = heatStep(thermal, this.warmth, windingMeanW, shellMeanW, cooling, airC, s / steps);
    }
    const settlesC = settlesAtMost(
      thermal,
      this.warmth.windingC,
      windingMeanW,
      shellEndW,
      cooling,
      airC,
      this.magnetGrowth(),
    );
    this.evenS = Math.abs(settlesC - this.settlesC) <= EVEN_K ? this.evenS + s : 0;
    this.settlesC = settlesC;
    this.seconds = this.windingJ = this.shellJ = this.cooling = this.caseJ = this.caseCooling = 0;
    this.apply(now);
  }

  /** The amps for one force go with 1 / Kt, their heat with its square: by which share it grows for each kelvin of the magnets. */
  private magnetGrowth(): number {
    const { motor } = this.cold;
    return (2 * motor.weakerPerK) / magnetShare(motor, this.warmth.shellC);
  }

  /** Warms the controller's case for `dt` of the `s` seconds gathered; gives what flows from it into the motor's shell, W. */
  private warmCase(s: number, dt: number): number {
    const { controllerHeat, airC } = this.cold;
    const { shellC } = this.warmth;
    const [watts, cooling] = [this.caseJ / s, this.caseCooling / s];
    this.caseC = caseStep(controllerHeat, this.caseC, watts, cooling, airC, shellC, dt);
    this.caseSettlesC = caseSettles(controllerHeat, watts, cooling, airC, shellC);
    return controllerHeat.shellWK * (this.caseC - shellC);
  }

  /** True where the winding is at a temperature, or the controller holds back by its own heat. */
  tooHot(limitC: number): boolean {
    return this.warmth.windingC >= limitC || this.foldAfter !== undefined;
  }

  /** True once an even load has all but warmed the winding through, and that is below a temperature. */
  settlesBelow(limitC: number): boolean {
    // In the motor's shell it goes on warming with it.
    const { shellWK, foldStartC } = this.cold.controllerHeat;
    return (
      this.caseSettlesC + (shellWK > 0 ? NEARLY_K : OPEN_K) < foldStartC &&
      this.evenS >= EVEN_S &&
      this.settlesC < this.warmth.windingC + NEARLY_K &&
      this.settlesC + OPEN_K < limitC
    );
  }

  private apply(now: number): void {
    const { cold, machine } = this;
    const { windingC, shellC } = this.warmth;
    setMagnets(machine, cold, shellC);
    machine.circuitOhm = warmResistance(cold.motor.resistance20, windingC) + cold.controllerOhm;
    const byMotor = rollbackShare(cold.thermal, windingC);
    const byCase = foldShare(cold.controllerHeat, this.caseC);
    machine.limits.phaseA = cold.limits.phaseA * Math.min(byMotor, byCase);
    this.heldBy = heldBy(byMotor, byCase);
    if (this.caseC > this.caseHottestC) this.caseHottestC = this.caseC;
    if (this.caseC >= cold.controllerHeat.foldStartC) this.foldAfter ??= now;
    if (windingC > this.hottestC) this.hottestC = windingC;
    if (windingC >= cold.thermal.rollbackStartC) this.rollbackAfter ??= now;
    if (windingC >= cold.thermal.damageC) this.damageAfter ??= now;
  }
}
