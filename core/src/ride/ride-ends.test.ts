import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import { evenHill } from '../route/route.ts';
import { HAND_GEAR, handMachine } from '../test/hand-machine.ts';
import { ALL_OUT, pace, ride } from '../test/rides.ts';
import { systemGap } from './ledger.ts';
import { longtail, tandem } from '../test/demo.ts';

describe('how a ride ends', () => {
  const machine = assemble(longtail);

  it('stalls on a wall, and says where', () => {
    const one = ride(machine, evenHill('', 500, 38), { pace: ALL_OUT });
    expect(one).toMatchObject({ ends: 'stalled' });
    expect(one.metres).toBeLessThan(20);
  });

  it('is not cut off by low volts of a launch, only by half a minute of them', () => {
    const nearlyEmpty = ride(machine, evenHill('', 60, 0), { pace: pace(20), charge: 0.12 });
    expect(nearlyEmpty.ends).toBe('arrived');
    const one = ride(machine, evenHill('', 20_000, 2), { pace: ALL_OUT, charge: 0.12 });
    expect(['cut-off', 'empty']).toContain(one.ends);
  });

  it('takes its second pack when the first has nothing more to give', () => {
    const others = [{ pack: machine.pack, bmsA: 30, charge: 1 }];
    const one = ride(machine, evenHill('', 1000, 0), { pace: pace(15), again: true });
    const two = ride({ ...machine, others }, evenHill('', 1000, 0), { pace: pace(15), again: true });
    expect(two.metres / one.metres).toBeGreaterThan(1.95);
    expect(two.metres / one.metres).toBeLessThan(2.05);
    const diodes = ride({ ...machine, others, join: 'combiner' }, evenHill('', 1000, 0), {
      pace: pace(15),
      again: true,
    });
    // Both at once lose less in their resistance.
    expect(diodes.metres).toBeGreaterThan(two.metres);
    expect(Math.abs(systemGap(diodes.ledger)) / diodes.ledger.pack).toBeLessThan(1e-6);
  });
});

describe('regeneration', () => {
  const machine = assemble(tandem);
  const down = evenHill('', 2000, -8);

  it('takes the place of the brakes and puts charge back', () => {
    expect(machine.regeneration).toEqual({ batteryA: expect.any(Number) as number });
    const options = { pace: pace(20, 25), charge: 0.6, speed: 5 };
    const one = ride(machine, down, options);
    const without = ride({ ...machine, regeneration: undefined }, down, options);
    expect(one.charge).toBeGreaterThan(0.6);
    expect(without.charge).toBeLessThan(0.6);
    expect(one.ledger.regenerated).toBeGreaterThan(0);
    expect(one.ledger.brakes).toBeLessThan(without.ledger.brakes);
    expect(one.seconds).toBeCloseTo(without.seconds, 6);
  });

  it('never puts more than the limit into the pack, and nothing into a full one', () => {
    const limit = 4;
    const one = ride({ ...machine, regeneration: { batteryA: limit } }, down, {
      pace: pace(20, 25),
      charge: 0.6,
      speed: 6,
      traceEvery: 5,
    });
    const amps = one.trace?.batteryA ?? [];
    expect(Math.min(...amps)).toBeGreaterThanOrEqual(-limit - 1e-9);
    expect(Math.min(...amps)).toBeLessThan(-limit + 0.01);
    const full = ride(machine, down, { pace: pace(20, 25), charge: 1, speed: 6, traceEvery: 5 });
    const volts = full.trace?.volts ?? [];
    expect(Math.max(...volts)).toBeLessThanOrEqual(machine.pack.cellsInSeries * 4.2 + 1e-6);
  });
});

describe('by hand', () => {
  it('a motor of 1 N m/A on 10 rad/s a metre holds 50 N with 5 A, and the pack gives (E + 0.3 + I R) I', () => {
    // 100 kg, Crr 0.01: 9.80665 N; air at 5 m/s: 0.3 x 25 = 7.5 N; together 17.30665 N = 1.730665 A.
    const machine = handMachine({}, { airC: 20, gears: [HAND_GEAR] });
    const one = ride(machine, evenHill('', 500, 0), { pace: pace(18), speed: 5, traceEvery: 400 });
    const amps = 1.730665;
    const watts = (50 + 0.3 + 0.1 * amps) * amps;
    expect(one.seconds).toBeCloseTo(100, 6);
    expect((one.usedWh * 3600) / one.seconds).toBeCloseTo(watts, 2);
  });
});
