import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chemistry } from '../document/choices.ts';
import { packWarmed, wholeCapacityAh, supplyAt, type Pack } from '../machine/battery.ts';
import { merged, sameKind } from '../machine/joined-packs.ts';
import { assemble } from '../machine/assemble.ts';
import { lightsVerdict } from '../power-chain/lights.ts';
import { packsStudy } from '../power-chain/packs-study.ts';
import { solved } from '../test/ode.ts';
import { RUNS, sample } from '../test/sample.ts';
import { constantSpeedRange } from './range.ts';
import { topSpeed } from './steady.ts';
import { busPoint, equalisingAmps, sharePower, type Load } from './packs-together.ts';

const pack = (rest: Partial<Pack> = {}): Pack => ({
  chemistry: 'nmc',
  cellsInSeries: 13,
  capacityAh: 10,
  health: 1,
  wiringOhm: 0.02,
  temperatureC: 25,
  ...rest,
});

/** Packs aboard, each at a charge. */
const aboard = (packs: readonly Pack[], charges: readonly number[]) =>
  packs.map((one, i) => ({ pack: one, bmsA: Infinity, charge: charges[i] ?? 1 }));

/** So many watts as long as the bus stands above some volts at rest. */
const above =
  (volts: number, watts: number): Load =>
  ({ openVolts }) =>
    openVolts > volts ? { watts, v: 5 } : undefined;

describe('two packs on one bus', () => {
  // Millman: 50 V behind 0.1 ohm and 48 V behind 0.1 ohm are 49 V behind 0.05 ohm; 460 W take 10 A at 48.5 - ...
  it('share by their volts: 50 and 48 V behind 0.1 ohm each at 485 W, 15 A and -5 A joined directly (by hand)', () => {
    const a = { openVolts: 50, ohm: 0.1 };
    const b = { openVolts: 48, ohm: 0.1 };
    // I = 10 A: bus 49 - 0.5 = 48.5 V; 485 W. First (50 - 48.5) / 0.1 = 15 A, second (48 - 48.5) / 0.1 = -5 A.
    const direct = busPoint([a, b], 485, 'parallel');
    expect(direct?.volts).toBeCloseTo(48.5, 9);
    expect(direct?.amps[0]).toBeCloseTo(15, 6);
    expect(direct?.amps[1]).toBeCloseTo(-5, 6);
    // Through diodes the lower gives nothing: 50 - 0.1 I at 485 W is 9.896 A.
    const diodes = busPoint([a, b], 485, 'combiner');
    expect(diodes?.amps[1]).toBe(0);
    expect(diodes?.amps[0]).toBeCloseTo((50 - Math.sqrt(2500 - 4 * 0.1 * 485)) / 0.2, 9);
  });

  it('both feed once the load pulls the bus below the lower one', () => {
    const point = busPoint(
      [
        { openVolts: 50, ohm: 0.1 },
        { openVolts: 48, ohm: 0.1 },
      ],
      2000,
      'combiner',
    );
    expect(point?.amps[0]).toBeGreaterThan(point?.amps[1] ?? 0);
    expect(point?.amps[1]).toBeGreaterThan(0);
  });

  it('of three share by the volts above the bus, as many as it sags to (worked beforehand)', () => {
    const packs = [
      { openVolts: 50, ohm: 0.1 },
      { openVolts: 49, ohm: 0.1 },
      { openVolts: 46, ohm: 0.2 },
    ];
    const some = busPoint(packs, 600, 'combiner');
    expect(some?.volts).toBeCloseTo(48.886, 3);
    expect(some?.amps.map((a) => Number(a.toFixed(2)))).toEqual([11.14, 1.14, 0]);
    const more = busPoint(packs, 2500, 'combiner', 0.02);
    expect(more?.volts).toBeCloseTo(46.81, 3);
    expect(more?.amps.map((a) => Number(a.toFixed(1)))).toEqual([31.7, 21.7, 0]);
  });

  it('give what is asked and nothing flows back through a diode, however many there are (property)', () => {
    const supply = fc.record({
      openVolts: fc.double({ min: 20, max: 80, noNaN: true }),
      ohm: fc.double({ min: 0.02, max: 0.5, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(supply, { minLength: 1, maxLength: 4 }),
        fc.double({ min: 1, max: 800, noNaN: true }),
        fc.constantFrom(0, 0.02, 0.5),
        (packs, watts, diodeV) => {
          const point = busPoint(packs, watts, 'combiner', diodeV);
          if (point === undefined) return;
          const given = point.amps.reduce((sum, amps) => sum + amps, 0) * point.volts;
          expect(given).toBeCloseTo(watts, 6);
          for (const [i, amps] of point.amps.entries()) {
            expect(amps).toBeGreaterThanOrEqual(0);
            // One that rests lies below the bus.
            const { openVolts = 0 } = packs[i] ?? {};
            if (amps === 0) expect(openVolts - diodeV).toBeLessThanOrEqual(point.volts + 1e-9);
          }
        },
      ),
      RUNS,
    );
  });

  it('joined wrongly equalise at the difference over both resistances: 2 V over 0.2 ohm, 10 A', () => {
    const a = pack({ wiringOhm: 0.1 });
    const amps = equalisingAmps(a, a, 1, 0.5);
    const [full, half] = [supplyAt(a, 1), supplyAt(a, 0.5)];
    expect(amps).toBeCloseTo((full.openVolts - half.openVolts) / (full.ohm + half.ohm), 9);
    expect(equalisingAmps(a, a, 0.7, 0.7)).toBe(0);
  });

  it('conserve energy and charge, whatever they are and however they are joined', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...chemistry.options),
        fc.integer({ min: 10, max: 16 }),
        fc.double({ min: 4, max: 30, noNaN: true }),
        fc.double({ min: 50, max: 600, noNaN: true }),
        fc.constantFrom('combiner' as const, 'parallel' as const),
        (kind, series, ah, watts, join) => {
          const first = pack();
          const second = pack({
            chemistry: kind,
            cellsInSeries: kind === 'lead-acid' ? 24 : series,
            capacityAh: ah,
          });
          const from = [0.95, 0.9] as const;
          const sharing = sharePower(aboard([first, second], from), above(38, watts), join);
          expect(Math.abs(sharing.drawnWh - sharing.outWh - sharing.lostWh)).toBeLessThan(
            1e-6 * Math.max(1, sharing.drawnWh),
          );
          expect(sharing.charges[0] ?? 0).toBeGreaterThanOrEqual(0);
          expect(sharing.charges[1] ?? 0).toBeGreaterThanOrEqual(0);
          // Charge out of both is what the steps took: nothing appears or goes (lead-acid loses some to Peukert).
          if (kind !== 'lead-acid') {
            const ampHours = sharing.steps.reduce((sum, s, i) => {
              const next = sharing.steps[i + 1]?.hours ?? sharing.hours;
              return sum + s.amps.reduce((a, b) => a + b, 0) * (next - s.hours);
            }, 0);
            const gone =
              (from[0] - (sharing.charges[0] ?? 0)) * wholeCapacityAh(first) +
              (from[1] - (sharing.charges[1] ?? 0)) * wholeCapacityAh(second);
            expect(Math.abs(gone - ampHours)).toBeLessThan(0.02 * Math.max(0.5, ampHours) + 0.02);
          }
          if (join === 'combiner')
            for (const s of sharing.steps) expect(Math.min(...s.amps)).toBeGreaterThanOrEqual(0);
        },
      ),
      RUNS,
    );
  });

  // odex (see test/ode.ts): two charges drained at a constant power, Millman's bus at every moment.
  it('joined directly drain as a general-purpose solver finds', async () => {
    const [first, second, watts] = [pack({ cellsInSeries: 13 }), pack({ capacityAh: 15 }), 220];
    const sharing = sharePower(aboard([first, second], [0.9, 0.9]), above(46, watts), 'parallel');
    const rates = (_h: number, [q1 = 0, q2 = 0]: readonly number[]): number[] => {
      const bus = busPoint([supplyAt(first, q1), supplyAt(second, q2)], watts, 'parallel');
      if (bus === undefined) throw new Error('no bus');
      return [first, second].map((one, i) => -(bus.amps[i] ?? 0) / wholeCapacityAh(one));
    };
    const [q1 = NaN, q2 = NaN] = await solved(rates, 0, [0.9, 0.9], sharing.hours);
    expect(Math.abs((sharing.charges[0] ?? 0) - q1)).toBeLessThan(0.001);
    expect(Math.abs((sharing.charges[1] ?? 0) - q2)).toBeLessThan(0.001);
  });

  it('through diodes the higher one feeds alone at first, then both until they are level', () => {
    const sharing = sharePower(
      aboard([pack({ cellsInSeries: 14 }), pack()], [1, 1]),
      above(40, 200),
      'combiner',
    );
    expect(sharing.steps[0]?.amps[1]).toBe(0);
    expect(sharing.steps.some((s) => s.amps.every((amps) => amps > 0))).toBe(true);
  });
});

describe('packs of one kind joined directly', () => {
  it('are one pack of both: two alike have half the ohms and twice the amp-hours', () => {
    const both = merged(pack(), pack());
    expect(both.capacityAh).toBe(20);
    for (const charge of [0.1, 0.5, 1]) {
      expect(supplyAt(both, charge).ohm).toBeCloseTo(supplyAt(pack(), charge).ohm / 2, 9);
      expect(supplyAt(both, charge).openVolts).toBe(supplyAt(pack(), charge).openVolts);
    }
  });

  it('warm as each does by its own half of the current, and begin as warm as both are on average', () => {
    const warms = { heatJK: 2500, lossWK: 0.8, airC: -5 };
    const one = pack({ warms, temperatureC: -5 });
    const both = merged(one, one);
    const lossW = (whole: Pack, amps: number): number =>
      amps ** 2 * (supplyAt(whole, 0.6).ohm - whole.wiringOhm);
    for (const seconds of [60, 1800, 20_000])
      expect(packWarmed(both, -5, lossW(both, 20), seconds)).toBeCloseTo(
        packWarmed(one, -5, lossW(one, 10), seconds),
        9,
      );
    expect(merged(one, pack({ warms, temperatureC: 15, capacityAh: 30 })).temperatureC).toBeCloseTo(10, 9);
  });

  it('are told from unlike ones', () => {
    expect(sameKind(pack(), pack({ capacityAh: 5 }))).toBe(true);
    expect(sameKind(pack(), pack({ cellsInSeries: 14 }))).toBe(false);
    expect(sameKind(pack(), pack({ chemistry: 'lfp' }))).toBe(false);
  });

  it('take a ride twice as far, and a little more for the smaller sag', () => {
    const alike = {
      nominalV: 48,
      cellsInSeries: 13,
      capacityAh: 13,
      healthPct: 95,
      bmsCurrentA: 30,
      massKg: 0.3,
    };
    const one = sample({ pack: alike });
    const two = sample({
      pack: alike,
      second: { ...alike, join: 'parallel', wiringMohm: 25, chargeLimitPct: 100 },
    });
    const km = (build: typeof one): number => {
      const range = constantSpeedRange(assemble(build), 5, 1);
      return range.holds ? range.metres / 1000 : 0;
    };
    expect(km(two) / km(one)).toBeGreaterThan(1.98);
    expect(km(two) / km(one)).toBeLessThan(2.06);
  });
});

describe('two packs on a build', () => {
  const other = {
    nominalV: 36,
    cellsInSeries: 10,
    capacityAh: 10,
    bmsCurrentA: 25,
    chargeLimitPct: 100,
    massKg: 2.6,
  };
  const build = (join: 'switch' | 'combiner' | 'parallel') =>
    sample({
      // Legs would tire over both, and not over either.
      brief: { riderPowerW: 0 },
      pack: { nominalV: 48, cellsInSeries: 13 },
      controller: { lowVoltageCutoffV: 31, limitsSpeed: false },
      controls: { throttle: 'full' },
      second: { ...other, join },
    });

  it('have each their own speed: fewer volts, slower', () => {
    const study = packsStudy(build('switch'));
    expect(study?.packs[1]?.topKmh).toBeLessThan(study?.packs[0]?.topKmh ?? 0);
    expect(study?.sharing).toBeUndefined();
  });

  it('used one after the other go as far as both together', () => {
    const study = packsStudy(build('switch'));
    const sum = (study?.packs[0]?.rangeKm ?? 0) + (study?.packs[1]?.rangeKm ?? 0);
    expect(study?.rangeTogetherKm).toBeCloseTo(sum, 6);
  });

  it('joined directly though unlike: the equalising current is worked out, and they are not one pack', () => {
    const study = packsStudy(build('parallel'));
    expect(study?.sameKind).toBe(false);
    expect(study?.equalisingA).toBeGreaterThan(20);
  });

  it('through diodes go as far whichever is written first, at a speed that only the higher one holds', () => {
    const machine = assemble(build('combiner'));
    const [low] = machine.others;
    if (low === undefined) throw new Error('a second pack');
    const turned = {
      ...machine,
      pack: low.pack,
      limits: { ...machine.limits, bmsA: low.bmsA },
      others: [{ pack: machine.pack, bmsA: machine.limits.bmsA, charge: 1 }],
    };
    const slowest = topSpeed({ ...turned, others: [] }, 1);
    const v = (slowest.moves ? slowest.v : 0) + 0.5;
    const [one, other] = [machine, turned].map((m) => constantSpeedRange(m, v, 1, 'resting'));
    expect(one).toMatchObject({ holds: true });
    expect(other).toMatchObject({ holds: true });
    expect(other?.holds === true && other.metres).toBeCloseTo(one?.holds === true ? one.metres : 0, 3);
  });

  it('are none where there is one', () => {
    expect(packsStudy(sample())).toBeUndefined();
  });
});

describe('lights', () => {
  const lamp = { name: 'lamp', volts: 12, watts: 6, onPct: 100, light: true };
  const build = (means: 'converter' | 'resistor' | 'own-cells', accessories = [lamp]) =>
    sample({ supply: { means, accessories, efficiencyPct: 90, ratedW: 30, maxInV: 75 } });

  it('of 6 W take 6.7 W through a converter of 90 %, 24 W through a resistor on 48 V (by hand)', () => {
    expect(lightsVerdict(build('converter')).averageW).toBeCloseTo(6 / 0.9, 9);
    expect(lightsVerdict(build('resistor')).averageW).toBeCloseTo(24, 9);
    expect(lightsVerdict(build('own-cells')).averageW).toBe(0);
  });

  it('take from the range what they draw, and nothing when there are none', () => {
    expect(lightsVerdict(build('converter')).takesM).toBeGreaterThan(100);
    expect(lightsVerdict(build('resistor')).takesM).toBeGreaterThan(
      lightsVerdict(build('converter')).takesM ?? 0,
    );
    expect(lightsVerdict(build('converter', [])).takesM).toBe(0);
    expect(lightsVerdict(build('converter', [])).lightsLastH).toBe(Infinity);
  });

  it('last the longer, the higher the motor is cut off', () => {
    const cut = (lowVoltageCutoffV: number): number => {
      const base = build('converter');
      const verdict = lightsVerdict({
        ...base,
        controller: {
          ...base.controller,
          lowVoltageCutoffV: { source: 'measured', value: lowVoltageCutoffV },
        },
      });
      return verdict.lightsLastH ?? 0;
    };
    expect(cut(43)).toBeGreaterThan(cut(40));
  });
});
