import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { batteryAmps, wholeCapacityAh, peukertFactor, supplyAt } from '../machine/battery.ts';
import { assemble } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { roadForce } from '../machine/road-load.ts';
import { kmhToMs } from '../quantity/units.ts';
import { solved } from '../test/ode.ts';
import { withCellsAt } from '../test/hand-machine.ts';
import { phraseText } from '../quantity/phrase.ts';
import { evaluate } from '../test/evaluate.ts';
import { RUNS, anyBuild, sample } from '../test/sample.ts';
import { electricalWatts, operatingPoint, partThrottleAmps } from './operating-point.ts';
import { constantSpeedRange } from './range.ts';
import { heldMetres, TOLD_H } from './range-outcome.ts';
import { topSpeed } from './steady.ts';

/** The same ride stepped through: 20,000 steps of charge, the power asked for at each, until it cannot be had. */
function stepped(machine: Machine, v: number, from: number): number {
  const steps = 20000;
  const gear = machine.gears[0];
  if (gear === undefined) throw new Error('no gear');
  const force = roadForce(machine.road, v, 0);
  const amps = partThrottleAmps(machine, gear, v, force);
  const watts = electricalWatts(machine, gear, amps, v);
  let metres = 0;
  for (let i = 0; i < steps; i += 1) {
    const charge = from * (1 - (i + 0.5) / steps);
    const supply = supplyAt(machine.pack, charge);
    if (operatingPoint(machine, gear, supply, v).forceN < force) break;
    const battery = batteryAmps(supply, watts);
    const seconds =
      (wholeCapacityAh(machine.pack) * 3600 * (from / steps)) /
      (battery * peukertFactor(machine.pack, battery));
    metres += v * seconds;
  }
  return metres;
}

const hub = (changes: Parameters<typeof sample>[0] = {}) =>
  withCellsAt(
    assemble(
      sample({
        ...changes,
        brief: { riderPowerW: 0, temperatureC: 20, ...changes.brief },
        controls: { throttle: 'full', ...changes.controls },
        controller: { limitsSpeed: false, batteryCurrentA: 25, ...changes.controller },
      }),
    ),
    25,
  );

describe('range at constant speed', () => {
  it.each(['nmc', 'lfp', 'lead-acid'] as const)(
    'agrees with stepping through the charge, %s',
    (chemistry) => {
      const machine = hub({ pack: { chemistry, nominalV: 48, capacityAh: 15 } });
      for (const kmh of [15, 22, 28]) {
        const v = kmhToMs(kmh);
        const range = constantSpeedRange(machine, v, 1);
        if (!range.holds) continue;
        // Two points a tenth of charge: within 0.3 % of 20,000 steps, the end of charge included.
        expect(
          Math.abs(range.metres / stepped(machine, v, 1) - 1),
          `${chemistry} ${String(kmh)}`,
        ).toBeLessThan(0.003);
      }
    },
  );

  // odex: Hairer, Norsett and Wanner's extrapolation code for ordinary differential equations (registry).
  it.each(['nmc', 'lfp', 'lead-acid'] as const)(
    'agrees with a general-purpose solver of dx/dq = v Q / I(q), %s',
    async (chemistry) => {
      const machine = hub({ pack: { chemistry, nominalV: 48, capacityAh: 15 } });
      const v = kmhToMs(20);
      const range = constantSpeedRange(machine, v, 1);
      if (!range.holds) throw new Error('20 km/h is not held');
      const gear = machine.gears[0];
      if (gear === undefined) throw new Error('no gear');
      const amps = partThrottleAmps(machine, gear, v, roadForce(machine.road, v, 0));
      const watts = electricalWatts(machine, gear, amps, v);
      const metresPerCharge = (drained: number): number[] => {
        const battery = batteryAmps(supplyAt(machine.pack, 1 - drained), watts);
        return [
          (v * wholeCapacityAh(machine.pack) * 3600) / (battery * peukertFactor(machine.pack, battery)),
        ];
      };
      const y = await solved(metresPerCharge, 0, [0], 1 - range.endCharge);
      // Two-point Gauss a tenth of charge: within 0.08 %.
      expect(Math.abs(range.metres / (y[0] ?? NaN) - 1)).toBeLessThan(0.0008);
    },
  );

  it('goes as far as the energy taken says: Wh / (Wh/km), where resistance hardly counts', () => {
    const range = constantSpeedRange(hub({ pack: { capacityAh: 40 } }), kmhToMs(18), 1);
    expect(range.holds && range.usedWh / range.whPerKm).toBeCloseTo(range.holds ? range.metres / 1000 : 0, 0);
  });

  it('never takes more than the pack holds', () => {
    fc.assert(
      fc.property(anyBuild, fc.double({ min: 8, max: 30, noNaN: true }), (build, kmh) => {
        const machine = assemble(build);
        const range = constantSpeedRange(machine, kmhToMs(kmh), 1);
        if (!range.holds) return;
        const full = [machine.pack, ...machine.others.map((other) => other.pack)].reduce(
          (sum, pack) => sum + supplyAt(pack, 1).openVolts * wholeCapacityAh(pack),
          0,
        );
        expect(range.usedWh).toBeLessThanOrEqual(full);
        expect(range.endCharge).toBeGreaterThanOrEqual(0);
        expect(range.endCharge).toBeLessThanOrEqual(1);
      }),
      RUNS,
    );
  });

  it('shrinks with load, age, cold, wind and a lower charge limit', () => {
    const km = (changes: Parameters<typeof sample>[0], charge = 1): number => {
      const range = constantSpeedRange(hub(changes), kmhToMs(20), charge);
      return range.holds ? range.metres : 0;
    };
    const base = km({});
    expect(km({ brief: { loadMassKg: 60 } })).toBeLessThan(base);
    expect(km({ pack: { healthPct: 70 } })).toBeLessThan(base);
    expect(km({ brief: { temperatureC: -5 } })).toBeLessThan(base);
    expect(km({ brief: { headwindMs: 4 } })).toBeLessThan(base * 0.8);
    expect(km({}, 0.85)).toBeLessThan(base * 0.9);
    expect(km({ brief: { riderPowerW: 100 } })).toBeGreaterThan(base * 1.3);
  });

  it('says which limit stops a speed that is not held', () => {
    const range = constantSpeedRange(hub(), kmhToMs(60), 1);
    expect(range).toMatchObject({ holds: false, limit: 'voltage' });
    const limited = constantSpeedRange(
      hub({ controller: { limitsSpeed: true, assistCutoffKmh: 25 } }),
      kmhToMs(26),
      1,
    );
    expect(limited).toMatchObject({ holds: false, limit: 'speed-limit' });
  });

  it('ends at the cut-off, or where the volts no longer hold the speed, and says which', () => {
    const cutoff = constantSpeedRange(hub({ controller: { lowVoltageCutoffV: 44 } }), kmhToMs(20), 1);
    expect(cutoff.holds && cutoff.ends).toBe('low-voltage');
    expect(cutoff.holds && cutoff.endCharge).toBeGreaterThan(0.1);
    const machine = hub({ controller: { lowVoltageCutoffV: 30 } });
    const half = topSpeed(machine, 0.5);
    const fast = constantSpeedRange(machine, half.moves ? half.v : 0, 1);
    expect(fast.holds && fast.ends).toBe('voltage');
    expect(fast.holds && fast.endCharge).toBeCloseTo(0.5, 2);
  });
});

describe('practice values (common practice, no published source)', () => {
  it('a full-size mountain bicycle with a 48 V 20 Ah rear hub goes about 40 miles', () => {
    const machine = hub({
      brief: { riderMassKg: 80, loadMassKg: 5, riderPowerW: 75 },
      donor: { massKg: 16, beadMm: 559, tyreMm: 54, crr: 0.011, cdaM2: 0.55 },
      pack: { nominalV: 48, capacityAh: 20, healthPct: 100 },
    });
    const range = constantSpeedRange(machine, kmhToMs(20 * 1.609344), 1);
    // No speed is handed down with it: 20 mph as in the next case. Mixed riding takes about 15 % off; tolerance 20 %.
    const miles = range.holds ? (range.metres / 1609.344) * 0.85 : 0;
    expect(miles).toBeGreaterThan(32);
    expect(miles).toBeLessThan(48);
  });

  it('the same with about 13 Ah goes about 25 miles at 20 mph, pedalling along', () => {
    const machine = hub({
      brief: { riderMassKg: 80, loadMassKg: 5, riderPowerW: 75 },
      donor: { massKg: 16, beadMm: 559, tyreMm: 54, crr: 0.011, cdaM2: 0.55 },
      pack: { nominalV: 48, capacityAh: 13, healthPct: 100 },
    });
    const range = constantSpeedRange(machine, kmhToMs(20 * 1.609344), 1);
    const miles = range.holds ? (range.metres / 1609.344) * 0.85 : 0;
    expect(miles).toBeGreaterThan(20);
    expect(miles).toBeLessThan(30);
  });

  it('a 20-inch fat folder with 60 V and a 1500 W limit runs about 30 mph and climbs 13 % at about 11 mph', () => {
    const machine = hub({
      brief: { riderMassKg: 80, loadMassKg: 0 },
      donor: { style: 'fat', massKg: 26, beadMm: 406, tyreMm: 100, crr: 0.014, cdaM2: 0.55 },
      drive: { kvRpmPerV: 52, resistanceOhm: 0.075, reduction: 5 },
      pack: { nominalV: 60, capacityAh: 19.2, bmsCurrentA: 40 },
      controller: { batteryCurrentA: 30, phaseCurrentA: 80, limitsPower: true, powerLimitW: 1500 },
    });
    const top = topSpeed(machine, 0.8);
    const mph = top.moves ? top.v / 0.44704 : 0;
    // The winding is not known: 10 %.
    expect(mph).toBeGreaterThan(27);
    expect(mph).toBeLessThan(33);
  });
});

describe('a pack that does not wake the controller', () => {
  // 14 cells stand at 58.8 V at the most: a cut-off of 60 V never lets the motor run.
  const build = sample({
    pack: { nominalV: 52, cellsInSeries: 14 },
    controller: { lowVoltageCutoffV: 60 },
    drive: { name: 'Hub' },
    brief: { riderPowerW: 150 },
  });

  it('has no range, whatever the legs would do for ever', () => {
    for (const kmh of [8, 15, 22])
      for (const legs of ['helping', 'resting'] as const) {
        const range = constantSpeedRange(assemble(build), kmhToMs(kmh), 1, legs);
        expect(range).toMatchObject({ holds: false, wakes: false, limit: 'low-voltage' });
        expect(range.on).toBeUndefined();
      }
  });

  it('is told so in the tray, and is a stop', () => {
    const figure = evaluate(build).figures.find(({ id }) => id === 'range');
    expect(figure).toMatchObject({ state: 'stop', words: 'None' });
    expect(phraseText(figure?.condition ?? [])).toBe('cut-off: the motor never starts');
  });

  it('leaves the other one of two that are switched', () => {
    const two = sample({
      pack: { nominalV: 36, cellsInSeries: 10, capacityAh: 10 },
      second: { join: 'switch', nominalV: 48, cellsInSeries: 13, capacityAh: 10 },
      controller: { lowVoltageCutoffV: 42.5 },
    });
    const both = constantSpeedRange(assemble(two), kmhToMs(15), 1, 'resting');
    const one = constantSpeedRange(
      assemble(
        sample({
          pack: { nominalV: 48, cellsInSeries: 13, capacityAh: 10 },
          controller: { lowVoltageCutoffV: 42.5 },
          donor: { massKg: 20 },
        }),
      ),
      kmhToMs(15),
      1,
      'resting',
    );
    expect(both.holds && one.holds ? both.metres / one.metres : 0).toBeGreaterThan(0.7);
    expect(both.holds && one.holds ? both.metres / one.metres : 9).toBeLessThan(1.3);
  });

  it('is woken by the higher one of two behind diodes, whichever stands first', () => {
    const low = { nominalV: 36, cellsInSeries: 10, capacityAh: 10 };
    const high = { nominalV: 48, cellsInSeries: 13, capacityAh: 10 };
    const km = (pack: typeof low, second: typeof low): number => {
      const both = sample({
        pack,
        second: { join: 'combiner', ...second },
        controller: { lowVoltageCutoffV: 42.5 },
      });
      const range = constantSpeedRange(assemble(both), kmhToMs(15), 1, 'resting');
      return range.holds ? range.metres / 1000 : 0;
    };
    expect(km(low, high)).toBeGreaterThan(5);
    expect(km(low, high) / km(high, low)).toBeCloseTo(1, 1);
  });
});

describe('a range that says nothing of the motor', () => {
  const rangeOf = (build: BuildDocument) => {
    const found = evaluate(build).figures.find((f) => f.id === 'range');
    if (found === undefined) throw new Error('no range');
    return found;
  };

  it('is told to a day and a night where the legs all but hold the speed', () => {
    const easy = sample({
      drive: { name: 'Hub' },
      pack: { nominalV: 48 },
      donor: { cdaM2: 0.25, crr: 0.004 },
      brief: { riderPowerW: 150, cruiseSpeedKmh: 24, reservePct: 15 },
    });
    const range = constantSpeedRange(assemble(easy), kmhToMs(24), 1);
    expect(range.holds && range.metres).toBeGreaterThan(TOLD_H * 24_000);
    expect(heldMetres(range)).toBeCloseTo(TOLD_H * 24_000, 6);
    const { upTo, condition } = rangeOf(easy);
    expect(upTo).toBeCloseTo(0.85 * TOLD_H * 24, 6);
    expect(phraseText(condition)).toMatch(/it takes next to nothing; told to 24\sh of riding/);
  });

  it('is none where nothing asks the motor for help', () => {
    const bare = sample({
      drive: { name: 'Hub' },
      pack: { nominalV: 48 },
      controls: { assistSensor: 'none', throttle: 'none' },
    });
    const { words, condition, state } = rangeOf(bare);
    expect([words, state, phraseText(condition)]).toEqual([
      'None',
      'stop',
      'nothing asks the motor for help',
    ]);
  });
});
