import { describe, expect, it } from 'vitest';
import {
  HALL_ORDERS,
  hallAdvice,
  reversals,
  type HallOrder,
  type HallTrial,
  type TrialOutcome,
} from './hall-guide.ts';

/**
 * A six-step motor, simulated: line-to-line EMF of sines, three sensors 120 electrical degrees apart, a controller that commutates by
 * the code that it sees, current limited by resistance, friction. Gives mean speed and current for a join of phases and halls.
 */
function run(phases: readonly number[], halls: readonly number[], start: number, reversed = false) {
  const [J, friction, drag, kt, R, volts] = [0.002, 0.03, 0.002, 0.4, 0.3, 6];
  let [theta, omega, turned, charge] = [start, 0, 0, 0];
  const dt = 2e-4;
  const steps = 8000;
  // A right join drives the phase pair whose EMF is greatest within each sixth of a turn.
  const TABLE: Readonly<Record<number, readonly [number, number]>> = {
    5: [0, 1],
    4: [0, 2],
    6: [1, 2],
    2: [1, 0],
    3: [2, 0],
    1: [2, 1],
  };
  const third = (2 * Math.PI) / 3;
  const emfOf = (k: number, angle: number): number => Math.sin(angle - k * third);
  // Sensor k is high for the half turn around its phase's rising flank, moved so that the table above is right for the plain join.
  const hallOf = (k: number, angle: number): number =>
    Math.sin(angle - k * third + Math.PI / 6) >= 0 ? 1 : 0;
  for (let i = 0; i < steps; i += 1) {
    const seen = halls.map((k) => hallOf(k, reversed ? -theta : theta));
    const code = 4 * (seen[0] ?? 0) + 2 * (seen[1] ?? 0) + (seen[2] ?? 0);
    const pair = TABLE[code];
    let torque = 0;
    if (pair !== undefined) {
      const [a, b] = [phases[pair[0]] ?? 0, phases[pair[1]] ?? 0];
      const shape = emfOf(a, theta) - emfOf(b, theta);
      const amps = Math.max(-20, Math.min(20, (volts - kt * omega * shape) / R));
      torque = kt * amps * shape;
      if (i > steps / 2) charge += Math.abs(amps) * dt;
    }
    const push = torque - drag * omega;
    const stuck = Math.abs(omega) < 0.05 && Math.abs(push) < friction;
    const net = stuck ? 0 : push - friction * Math.sign(omega === 0 ? push : omega);
    omega = stuck ? 0 : omega + (net / J) * dt;
    theta += omega * dt;
    if (i > steps / 2) turned += omega * dt;
  }
  const time = (steps / 2) * dt;
  return { speed: turned / time, amps: charge / time };
}

const NUMBERS = { A: 0, B: 1, C: 2 } as const;
const joins = (order: HallOrder): readonly number[] =>
  Array.from(order).map((l) => NUMBERS[l as 'A' | 'B' | 'C']);
const PHASES = HALL_ORDERS.map(joins);

/** What a builder would say of a join, over several starting angles. */
function looksLike(
  phases: readonly number[],
  order: HallOrder,
): { outcome: TrialOutcome; backwards: boolean; amps: number } {
  const runs = [0.3, 1.4, 2.5, 3.6, 4.7, 5.8].map((start) => run(phases, joins(order), start));
  const speed = runs.reduce((s, r) => s + r.speed, 0) / runs.length;
  const amps = runs.reduce((s, r) => s + r.amps, 0) / runs.length;
  const turns = runs.every((r) => Math.abs(r.speed) > 2 && Math.sign(r.speed) === Math.sign(speed));
  const calm: TrialOutcome = amps < 4 ? 'smooth' : 'rough';
  const outcome: TrialOutcome = turns ? calm : 'locked';
  return { outcome, backwards: speed < 0, amps };
}

describe('phases and halls, on a simulated six-step motor', () => {
  const table = PHASES.map((phases) => HALL_ORDERS.map((order) => looksLike(phases, order)));

  it('six of the 36 joins run well, three each way; for each order of phases exactly one', () => {
    const smooth = table.map((row) => row.filter((r) => r.outcome === 'smooth'));
    expect(smooth.map((s) => s.length)).toEqual([1, 1, 1, 1, 1, 1]);
    expect(smooth.flat().filter((r) => r.backwards)).toHaveLength(3);
  });

  it('the guide ends with the right one after four trials at the most, whatever the phases', () => {
    const counts = PHASES.map((phases, p) => {
      const trials: HallTrial[] = [];
      for (;;) {
        const advice = hallAdvice(trials);
        if (advice.kind === 'right') {
          expect(table[p]?.[HALL_ORDERS.indexOf(advice.order)]?.outcome).toBe('smooth');
          return trials.length;
        }
        if (advice.kind !== 'try') throw new Error(`${advice.kind} with phases ${phases.join()}`);
        expect(trials.map((t) => t.order)).not.toContain(advice.order);
        const seen = looksLike(phases, advice.order);
        trials.push({ order: advice.order, ...seen });
        if (trials.length > 4) throw new Error('more than four trials');
      }
    });
    expect(Math.max(...counts)).toBeLessThanOrEqual(4);
  });

  it('is reversed by two phases and two halls together, found in at most three trials', () => {
    PHASES.forEach((phases, p) => {
      const right = HALL_ORDERS.find((_, h) => table[p]?.[h]?.outcome === 'smooth');
      if (right === undefined) throw new Error('none right');
      const turned = [phases[1] ?? 0, phases[0] ?? 0, phases[2] ?? 0];
      const ways = reversals(right);
      expect(new Set(ways.map((w) => w.order)).size).toBe(3);
      const good = ways.filter((w) => looksLike(turned, w.order).outcome === 'smooth');
      expect(good).toHaveLength(1);
      const before = looksLike(phases, right).backwards;
      expect(looksLike(turned, good[0]?.order ?? 'ABC').backwards).toBe(!before);
      // Only phases, or only halls, never runs well.
      expect(looksLike(turned, right).outcome).not.toBe('smooth');
    });
  });

  it('of which none is right says so; one that is silent is no trial of the order', () => {
    const trials = HALL_ORDERS.map((order): HallTrial => ({
      order,
      outcome: 'rough',
      backwards: false,
      amps: 9,
    }));
    expect(hallAdvice(trials).kind).toBe('none');
    expect(hallAdvice([{ order: 'ABC', outcome: 'silent', backwards: false, amps: 0 }]).kind).toBe('silent');
  });
});
