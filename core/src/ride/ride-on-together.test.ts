import { describe, expect, it } from 'vitest';
import { wholeCapacityAh } from '../machine/battery.ts';
import { assemble } from '../machine/assemble.ts';
import { aboardAt, diodesAt, feedingAt, terminalVolts } from '../machine/diodes.ts';
import { merged } from '../machine/joined-packs.ts';
import type { Machine } from '../machine/machine.ts';
import { batteryAmps } from '../machine/battery.ts';
import { kmhToMs } from '../quantity/units.ts';
import { solved } from '../test/ode.ts';
import { sample } from '../test/sample.ts';
import { constantSpeedRange } from './range.ts';
import { fastestHeld, rideOn } from './ride-on.ts';
import { rideOnTogether } from './ride-on-together.ts';
import { onPack } from './several-packs-range.ts';

const TALL = { nominalV: 48, cellsInSeries: 13, capacityAh: 10, bmsCurrentA: 40, massKg: 3 };

/** Two packs behind diodes that are ridden by the hand. */
const machine = (second: object, dropV = 0.5): Machine => ({
  ...assemble(
    sample({
      brief: { riderPowerW: 0 },
      pack: TALL,
      controller: { lowVoltageCutoffV: 31, limitsSpeed: false },
      controls: { throttle: 'full' },
      second: { ...TALL, chargeLimitPct: 100, wiringMohm: 25, ...second, join: 'combiner' },
    }),
  ),
  diodeV: dropV,
});

/** Faster than it ever goes. */
const WANTED = kmhToMs(70);

describe('riding on behind diodes', () => {
  it('of two alike without a drop is that of one pack of both', () => {
    const two = machine({}, 0);
    const [other] = two.others;
    if (other === undefined) throw new Error('a second pack');
    const both = onPack(two, { pack: merged(two.pack, other.pack), bmsA: two.limits.bmsA + other.bmsA });
    for (const from of [1, 0.6, 0.25]) {
      const one = rideOn(both, WANTED, from, two.pack.temperatureC, 'resting');
      const cellsC = [two.pack.temperatureC, other.pack.temperatureC];
      const together = rideOnTogether(two, WANTED, { charges: [from, from], cellsC }, 'resting');
      expect(together?.ends).toBe(one?.ends);
      expect((together?.metres ?? 0) / (one?.metres ?? NaN)).toBeCloseTo(1, 2);
      expect((together?.usedWh ?? 0) / (one?.usedWh ?? NaN)).toBeCloseTo(1, 2);
      expect(together?.toV).toBeCloseTo(one?.toV ?? NaN, 1);
    }
  });

  it('goes a little less far for the drop of the diodes', () => {
    const km = (dropV: number): number =>
      constantSpeedRange(machine({}, dropV), WANTED, 1, 'resting').on?.metres ?? 0;
    expect(km(0.5)).toBeLessThan(km(0.02));
    expect(km(0.5)).toBeGreaterThan(0.96 * km(0.02));
  });

  it('of unlike packs draws from both: further than on either alone', () => {
    const two = machine({ cellsInSeries: 12, capacityAh: 15 });
    const on = (one: Machine): number => constantSpeedRange(one, WANTED, 1, 'resting').on?.metres ?? 0;
    const [other] = two.others;
    if (other === undefined) throw new Error('a second pack');
    const alone = [onPack(two, { pack: two.pack, bmsA: two.limits.bmsA }), onPack(two, other)].map(on);
    expect(on(two)).toBeGreaterThan(Math.max(...alone) * 1.4);
    expect(on(two)).toBeLessThan(1.15 * alone.reduce((a, b) => a + b, 0));
  });

  it('is no range without end where the legs carry it alone', () => {
    const legs: Machine = { ...machine({}), limits: { ...machine({}).limits, standbyW: 0 } };
    const carried = { ...legs, rider: { ...legs.rider, powerW: 200 } };
    const range = constantSpeedRange(carried, 2, 1, 'helping');
    expect(range.holds && range.metres / 1000).toBeLessThan(20_000);
  });

  // odex (see test/ode.ts): both charges and the way, the fastest speed that is held at every moment.
  it('goes as far as a general-purpose solver finds', async () => {
    const two = machine({ cellsInSeries: 12, capacityAh: 15 });
    // Cells that stay as warm as they are.
    const still: Machine = {
      ...two,
      pack: { ...two.pack, warms: undefined as never },
      others: two.others.map((one) => ({ ...one, pack: { ...one.pack, warms: undefined as never } })),
    };
    const aboard = aboardAt(still, 1);
    const on = constantSpeedRange(still, WANTED, 1, 'resting').on;
    if (on === undefined) throw new Error('a ride on');
    const rates = (_s: number, [q1 = 0, q2 = 0]: readonly number[]): number[] => {
      const bus = diodesAt(aboard, [q1, q2], still.diodeV);
      const held = fastestHeld(still, bus, WANTED, 10, 'resting');
      if (held === undefined) throw new Error('not held');
      const whole = batteryAmps(bus, held.way.batteryW);
      const volts = terminalVolts(bus, whole);
      expect(feedingAt(bus, whole).packs).toBeLessThanOrEqual(2);
      const amps = aboard.map(({ pack }, i) => {
        const own = diodesAt([{ pack, bmsA: Infinity, charge: 1 }], [[q1, q2][i] ?? 0], still.diodeV);
        return Math.max(0, own.openVolts - volts) / own.ohm;
      });
      return [...amps.map((a, i) => -a / 3600 / wholeCapacityAh(aboard[i]?.pack ?? still.pack)), held.v];
    };
    const [, , metres = NaN] = await solved(rates, 0, [1, 1, 0], on.seconds * 0.999);
    expect(on.metres / metres).toBeCloseTo(1, 2);
  });
});
