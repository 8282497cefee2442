import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { meanPowerOver, powerAfter, powerOnGrade } from '../machine/rider.ts';
import { airCooling } from '../machine/thermal.ts';
import { kmhToMs } from '../quantity/units.ts';
import { evenHill } from '../route/route.ts';
import { gearedHub } from '../test/geared-hub.ts';
import { pace, ride } from '../test/rides.ts';
import { sample, type Changes } from '../test/sample.ts';
import { givenBack } from '../trips/hill-heat.ts';
import { ridePlan } from '../trips/ride-plan.ts';
import { constantSpeedRange } from './range.ts';
import type { RideOptions } from './ride.ts';
import { steadySpeed, topSpeed } from './steady.ts';
import { waysToHold, type Legs } from './ways.ts';

type Controls = NonNullable<Changes['controls']>;

const hub = (controls: Controls, riderPowerW = 75): Machine => gearedHub(riderPowerW, controls);
const whPerKm = (machine: Machine, legs: Legs): number => {
  const range = constantSpeedRange(machine, kmhToMs(25), 1, legs);
  return range.holds ? range.whPerKm : NaN;
};

describe('how a machine is ridden, at 25 km/h (worked beforehand)', () => {
  /** Enough that half of the load is never too much for them. */
  const LEGS_W = 150;
  const pedals: Controls = { assistSensor: 'torque', throttle: 'none', assistRatio: 1 };

  it('by the throttle alone takes 8.57 Wh/km', () => {
    expect(whPerKm(hub({ assistSensor: 'none', throttle: 'full' }, 0), 'resting')).toBeCloseTo(8.57, 0);
  });

  it('by the pedals with as much help as legs takes 4.55, whether a throttle is fitted or not', () => {
    expect(whPerKm(hub(pedals, LEGS_W), 'resting')).toBeCloseTo(4.55, 0);
    const fitted: Controls = { ...pedals, throttle: 'full', throttleSharePct: 0 };
    expect(whPerKm(hub(fitted, LEGS_W), 'resting')).toBeCloseTo(whPerKm(hub(pedals, LEGS_W), 'resting'), 9);
  });

  it('mixed, a fifth by the throttle, takes 5.36', () => {
    const mixed = whPerKm(hub({ ...pedals, throttle: 'full', throttleSharePct: 20 }, LEGS_W), 'resting');
    expect(Math.abs(mixed / 5.36 - 1)).toBeLessThan(0.04);
    // Unless it is said, a fifth is taken where both are fitted.
    expect(whPerKm(hub({ ...pedals, throttle: 'full' }, LEGS_W), 'resting')).toBeCloseTo(mixed, 9);
  });

  it('behind a sensor of cadence goes no further for a throttle that is never used, and by a fifth for one that is', () => {
    const cadence: Controls = { assistSensor: 'cadence', throttle: 'none' };
    const shared = (pct: number): number =>
      whPerKm(hub({ ...cadence, throttle: 'full', throttleSharePct: pct }, 75), 'helping');
    const without = whPerKm(hub(cadence, 75), 'helping');
    expect(shared(0)).toBeCloseTo(without, 9);
    // On that fifth the legs give all they have beside the hand: the watts mix by the share.
    expect(shared(20)).toBeCloseTo(0.8 * without + 0.2 * shared(100), 1);
    expect(shared(100)).toBeLessThan(without - 0.5);
  });

  it.each([
    [40, 6.73],
    [75, 5.15],
    [120, 3.17],
  ])('with %s W of legs beside the throttle takes %s', (riderPowerW, expected) => {
    const machine = hub({ assistSensor: 'none', throttle: 'full' }, riderPowerW);
    const v = kmhToMs(25);
    // Legs as fresh as in the first hour.
    const beside = (waysToHold(machine, v, 'helping')[0]?.batteryW ?? NaN) / (v * 3.6);
    expect(Math.abs(beside / expected - 1)).toBeLessThan(0.06);
  });
});

describe('a throttle with a speed limit of its own', () => {
  const both: Controls = { assistSensor: 'torque', assistRatio: 1, throttle: 'full', throttleSharePct: 100 };
  const limited: Controls = { ...both, throttleLimited: true, throttleCutoffKmh: 20 };
  const top = (controls: Controls, riderPowerW: number): number => {
    const outcome = topSpeed(hub(controls, riderPowerW), 1);
    return outcome.moves ? outcome.v * 3.6 : 0;
  };

  it('drives up to it, and beyond it the pedals have their own help', () => {
    const pedals = top({ ...both, throttle: 'none' }, 150);
    expect(pedals).toBeGreaterThan(20);
    expect(top(limited, 150)).toBeCloseTo(pedals, 6);
    expect(top(both, 150)).toBeGreaterThan(pedals + 5);
    // On the level, within the fade of 1 km/h below it.
    for (const assistSensor of ['torque', 'none'] as const)
      expect(Math.abs(top({ ...limited, assistSensor }, 0) - 19.5)).toBeLessThan(0.5);
  });

  it('takes no share of a ride at a speed where it does not drive', () => {
    const slow = (controls: Controls) => whPerKm(hub(controls, 150), 'resting');
    expect(slow(limited)).toBeCloseTo(slow({ ...both, throttle: 'none' }), 9);
    expect(slow(both)).toBeGreaterThan(1.5 * slow(limited));
  });

  it('drives alone between the end of the help and its own, higher one: there it has all of the way', () => {
    const past = (throttleSharePct: number): Machine => {
      const machine = hub({ ...both, throttleSharePct, throttleLimited: true, throttleCutoffKmh: 40 }, 150);
      return { ...machine, limits: { ...machine.limits, cutoff: kmhToMs(20) } };
    };
    for (const share of [0, 20])
      expect(whPerKm(past(share), 'resting')).toBeCloseTo(whPerKm(past(100), 'resting'), 9);
    // Below the end of the help the share counts.
    const slow = (share: number): number => {
      const range = constantSpeedRange(past(share), kmhToMs(18), 1, 'resting');
      return range.holds ? range.whPerKm : NaN;
    };
    expect(slow(20)).toBeLessThan(slow(100));
  });

  it('names its own limit where it ends the help, assumed or not', () => {
    const machine = hub({ ...limited, assistSensor: 'none' }, 0);
    const outcome = topSpeed(machine, 1);
    expect(outcome.traction.limit).toBe('throttle-limit');
    // One that nobody has read does not hold it back in silence.
    const unread = hub({ ...limited, throttleCutoffKmh: { source: 'unknown' } }, 0);
    expect(topSpeed(unread, 1)).toEqual(topSpeed(hub(both, 0), 1));
  });

  it('that works only while the pedals turn rides as one does, and stops with the cadence in the middle', () => {
    expect(top({ ...both, throttle: 'pedalling' }, 0)).toBeCloseTo(top(both, 0), 6);
    const middle = (throttle: 'full' | 'pedalling') =>
      assemble(
        sample(
          {
            brief: { riderPowerW: 0, cadenceMaxRpm: 60 },
            controls: { ...both, throttle },
            controller: { limitsSpeed: false },
          },
          'mid-drive',
        ),
      );
    const turned = topSpeed(middle('pedalling'), 1);
    const still = topSpeed(middle('full'), 1);
    expect(turned.moves && still.moves && turned.v < still.v - 1).toBe(true);
    expect(turned.traction.limit).toBe('cadence');
  });
});

describe('all help, up and down again', () => {
  const direct = (descentKmh: number) =>
    sample(
      {
        brief: { descentKmh, cruiseSpeedKmh: 15, temperatureC: 20 },
        drive: { freewheel: false },
        controller: { regenerates: 'yes', regenA: 10, limitsSpeed: false },
        controls: { throttle: 'full' },
        pack: { chargeLimitPct: 80, maxChargeA: 15 },
      },
      'direct-drive-hub',
    );
  const downhill = (descentKmh: number) => {
    const plan = ridePlan(direct(descentKmh), { ...evenHill('', 1500, 8), andBack: true }, 'full');
    const ride = plan.ride({ traceEvery: 20 });
    const rows = ride.trace?.gradePct.flatMap((grade, i) => (grade < 0 ? [i] : [])) ?? [];
    return { ride, fastest: Math.max(...rows.map((i) => ride.trace?.speed[i] ?? 0)) };
  };

  it('lets it run downhill to what the brief says, and gives the rest back', () => {
    const slow = downhill(20);
    const fast = downhill(35);
    expect(slow.fastest * 3.6).toBeLessThan(32);
    expect(fast.fastest).toBeGreaterThan(slow.fastest);
    // Down at 20 km/h on 8 %: a quarter of what the climb took, and never above a third (worked beforehand).
    const { ledger } = slow.ride;
    const { share = NaN, wh = NaN } = givenBack(slow.ride) ?? {};
    expect(wh).toBeCloseTo(ledger.regenerated / 3600, 9);
    expect(share).toBeGreaterThan(0.1);
    expect(share).toBeLessThan(0.34);
  });
});

describe('legs', () => {
  it('hold .953 of an hour’s power after two and .908 after four, .957 in the mean of four (Riegel 1981)', () => {
    expect([powerAfter(0.5), powerAfter(1)]).toEqual([1, 1]);
    expect(powerAfter(2)).toBeCloseTo(0.953, 3);
    expect(powerAfter(4)).toBeCloseTo(0.908, 3);
    expect(meanPowerOver(4)).toBeCloseTo(0.957, 3);
    expect(meanPowerOver(0.5)).toBe(1);
  });

  it('push half as much again up a hill of 6 %, and rest down one of 4 % (common practice, no source)', () => {
    expect([0, 3, 6, 12].map(powerOnGrade)).toEqual([1, 1.25, 1.5, 1.5]);
    expect([-1, -2, -3, -4, -9].map(powerOnGrade)).toEqual([1, 1, 0.5, 0, 0]);
    const machine = gearedHub(40, { assistSensor: 'none', throttle: 'full' });
    const wattsOn = (gradePct: number, options: Partial<RideOptions> = { byGrade: true }): number => {
      const hill = evenHill('', 1000, gradePct);
      const { trace } = ride(machine, hill, { pace: pace(25), traceEvery: 50, ...options });
      return trace?.riderW[10] ?? NaN;
    };
    expect(wattsOn(0)).toBeCloseTo(40, 6);
    expect(wattsOn(3)).toBeCloseTo(50, 6);
    expect(wattsOn(8)).toBeCloseTo(60, 6);
    expect(wattsOn(-5)).toBe(0);
    // A question of heat alone is asked with the legs as they were stated.
    expect(wattsOn(8, {})).toBeCloseTo(40, 6);
    expect(wattsOn(8, { byGrade: true, draining: 'stays' })).toBeCloseTo(40, 6);
  });

  it('raise the help that follows them: up a hill of 6 % a sensor of torque gives half as much again', () => {
    const follows = gearedHub(60, { assistSensor: 'torque', throttle: 'none', assistRatio: 1.5 });
    const up = ride(follows, evenHill('', 2000, 6), { pace: pace(40), traceEvery: 100, byGrade: true }).trace;
    const kmh = 3.6 * (up?.speed.at(-2) ?? NaN);
    const steady = (machine: Machine): number => {
      const outcome = steadySpeed(machine, { openVolts: 46, ohm: 0.1 }, 6, 'best');
      return outcome.moves ? 3.6 * outcome.v : NaN;
    };
    expect(kmh).toBeCloseTo(steady({ ...follows, rider: { ...follows.rider, powerW: 90 } }), 1);
    expect(kmh).toBeGreaterThan(1.2 * steady(follows));
  });

  it('push for the help: by torque it is as much more as the wheel turns for one turn of the cranks', () => {
    const follows = (helpFollows: 'power' | 'torque', assistRatio: number): Machine => {
      const controls: Controls = { assistSensor: 'torque', throttle: 'none', assistRatio, helpFollows };
      return gearedHub(75, controls);
    };
    const top = (machine: Machine): number => {
      const [gear] = machine.gears;
      if (gear === undefined) throw new Error('no gear');
      const outcome = steadySpeed(machine, { openVolts: 46, ohm: 0.1 }, 2, gear);
      return outcome.moves ? outcome.v : NaN;
    };
    const one = follows('torque', 0.6);
    const turns = 1 / ((one.gears[0]?.crankRatio ?? NaN) * one.wheelRadius);
    expect(turns).toBeGreaterThan(1.2);
    expect(top(one)).toBeCloseTo(top(follows('power', 0.6 * turns)), 9);
    expect(top(one)).toBeGreaterThan(top(follows('power', 0.6)));
  });

  it('tire on a long road, and never end a ride by it', () => {
    const machine = gearedHub(60, { assistSensor: 'none', throttle: 'full' });
    const long = ride(machine, evenHill('', 100_000, 0), { pace: pace(20), again: true, traceEvery: 500 });
    const { trace } = long;
    const legsAt = (hours: number): number => {
      const i = trace?.seconds.findIndex((s) => s > hours * 3600) ?? -1;
      return trace?.batteryW[i] ?? NaN;
    };
    expect(long.seconds).toBeGreaterThan(3 * 3600);
    // What legs give less the motor gives more.
    expect(legsAt(3)).toBeGreaterThan(legsAt(0.5) * 1.02);
    expect(long.ends).toBe('cut-off');
  });

  it('give six tenths behind a sensor of cadence alone, and all of it where force is missed (common practice)', () => {
    const watts = (controls: Controls, kmh: number): number => {
      const machine = gearedHub(100, controls);
      const [way] = waysToHold(machine, kmhToMs(kmh), 'helping');
      return ((way?.riderN ?? NaN) * kmhToMs(kmh)) / machine.chainEfficiency;
    };
    expect(watts({ assistSensor: 'cadence', throttle: 'none' }, 25)).toBeCloseTo(60, 6);
    // Beside a hand on the throttle all of it, on the share of the way that is ridden so.
    for (const [throttleSharePct, given] of [
      [0, 60],
      [20, 68],
      [100, 100],
    ] as const)
      expect(watts({ assistSensor: 'cadence', throttle: 'full', throttleSharePct }, 25)).toBeCloseTo(
        given,
        6,
      );
    expect(watts({ assistSensor: 'torque', throttle: 'none' }, 25)).toBeCloseTo(100, 6);
    const at = (assistSensor: 'cadence' | 'torque') =>
      steadySpeed(
        gearedHub(100, { assistSensor, throttle: 'none', assistRatio: 10 }),
        { openVolts: 46, ohm: 0.1 },
        12,
        'best',
      );
    const [cadence, torque] = [at('cadence'), at('torque')];
    expect(cadence.moves && torque.moves && Math.abs(cadence.v / torque.v - 1)).toBeLessThan(0.02);
  });
});

describe('a can that fans itself', () => {
  it('cools with its turns to the power 0.7, half as well under a cover, and hardly at rest (from memory)', () => {
    const external = (covered: 'yes' | 'no') => {
      const build = sample({}, 'external');
      return assemble({ ...build, drive: { ...build.drive, covered } });
    };
    const [open, closed] = [external('no'), external('yes')];
    const ratio = open.gears[0]?.motorRatio ?? 0;
    const v = (4000 * Math.PI) / 30 / ratio;
    const still = (m: Machine, at: number) =>
      airCooling(m.thermal, at) - m.thermal.movingWK * Math.pow(at, 0.7);
    expect(still(open, v)).toBeCloseTo(open.thermal.stillWK, 9);
    expect(still(open, v / 2)).toBeCloseTo(open.thermal.stillWK * Math.pow(0.5, 0.7), 9);
    expect(closed.thermal.stillWK).toBeCloseTo(open.thermal.stillWK / 2, 9);
    expect(still(open, 0)).toBeCloseTo(0.1 * open.thermal.stillWK, 9);
    expect(assemble(sample({}, 'geared-hub')).thermal.fans).toBeUndefined();
  });
});
