import type { Supply } from '../machine/battery.ts';
import { cadenceRpm, type Gear } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import { riderForce, suitsLegs } from '../machine/rider.ts';
import { electricalWatts, operatingPoint, partThrottleAmps } from './operating-point.ts';
import type { GearChoice } from './traction.ts';

/** A rider does not change more often than this, s, unless the legs ask for it. */
const LEAST_S = 1.5;
/** Nor for changes of speed (m/s) or force (share) smaller than these. */
const SAME_SPEED = 0.2;
const SAME_FORCE = 0.06;

/** What one gear would give at the moment of choosing. */
interface Candidate {
  readonly gear: Gear;
  /** How well it suits the legs, 0 to 1; 1 where the machine has no pedals. */
  readonly suits: number;
  /** Whether motor and legs together give the force wanted. */
  readonly enough: boolean;
  readonly mostN: number;
  readonly watts: number;
}

/**
 * Of two that are enough, the one within the legs' span, then that of least power; else the one of most force by how well it
 * suits the legs, and where neither suits them, what is enough before what is not.
 */
function better(a: Candidate, b: Candidate): boolean {
  if (a.enough && b.enough) {
    const [spanned, other] = [a.suits === 1, b.suits === 1];
    return spanned === other ? a.watts < b.watts : spanned;
  }
  const [worth, other] = [a.mostN * a.suits, b.mostN * b.suits];
  if (worth !== other && (worth > 0 || other > 0)) return worth > other;
  return a.enough === b.enough ? a.mostN > b.mostN : a.enough;
}

/** The gear ridden in, chosen as a rider does: now and then, for the force wanted, by the least power from the pack. */
export class GearBox {
  private readonly machine: Machine;
  private readonly held: Gear | undefined;
  private readonly pedals: boolean;
  gear: Gear;
  private since = Infinity;
  private chosenAt = NaN;
  private chosenFor = NaN;

  constructor(machine: Machine, choice: GearChoice) {
    this.machine = machine;
    const [lowest] = machine.gears;
    if (lowest === undefined) throw new TypeError('a machine has at least one gear');
    const only = machine.gears.length === 1 ? lowest : undefined;
    this.held = choice === 'best' ? only : choice;
    this.gear = this.held ?? lowest;
    this.pedals = machine.rider.powerW > 0 || machine.control === 'pedals';
  }

  private suits(gear: Gear, v: number): number {
    return this.pedals ? suitsLegs(this.machine.rider, gear, v) : 1;
  }

  /** The gear for a force wanted (N, motor and rider) at a speed, `dt` seconds after the last question. */
  choose(supply: Supply, v: number, wantedN: number, dt: number): Gear {
    if (this.held !== undefined) return this.held;
    this.since += dt;
    const spanned = this.suits(this.gear, v) === 1;
    if (this.machine.kind !== 'mid-drive') {
      // The motor does not feel the cogs: the legs alone choose, and keep what suits them.
      if (!spanned) this.gear = this.comfortable(v);
      return this.gear;
    }
    if (spanned && this.since < LEAST_S) return this.gear;
    const same =
      Math.abs(v - this.chosenAt) < SAME_SPEED &&
      Math.abs(wantedN - this.chosenFor) < SAME_FORCE * Math.abs(this.chosenFor);
    if (spanned && same) return this.gear;
    this.gear = this.search(supply, v, wantedN);
    this.since = 0;
    this.chosenAt = v;
    this.chosenFor = wantedN;
    return this.gear;
  }

  /** The gear that turns the legs nearest the middle of their span. */
  private comfortable(v: number): Gear {
    const { rider, gears } = this.machine;
    const middle = (rider.cadenceMinRpm + rider.cadenceMaxRpm) / 2;
    let best = this.gear;
    for (const gear of gears)
      if (Math.abs(cadenceRpm(gear, v) - middle) < Math.abs(cadenceRpm(best, v) - middle)) best = gear;
    return best;
  }

  private search(supply: Supply, v: number, wantedN: number): Gear {
    let best: Candidate | undefined;
    for (const gear of this.machine.gears) {
      const candidate = this.candidate(supply, gear, v, wantedN);
      if (best === undefined || better(candidate, best)) best = candidate;
    }
    return best?.gear ?? this.gear;
  }

  private candidate(supply: Supply, gear: Gear, v: number, wantedN: number): Candidate {
    const { machine } = this;
    const riderN = riderForce(machine.rider, gear, machine.chainEfficiency, v);
    const mostN = operatingPoint(machine, gear, supply, v).forceN + riderN;
    const motorN = Math.max(0, Math.min(wantedN, mostN) - riderN);
    const watts = electricalWatts(machine, gear, partThrottleAmps(machine, gear, v, motorN), v, supply);
    return { gear, suits: this.suits(gear, v), enough: mostN >= wantedN, mostN, watts };
  }
}
