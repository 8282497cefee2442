import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import { supplyAt } from '../machine/battery.ts';
import { kmhToMs } from '../quantity/units.ts';
import { operatingPoint } from '../ride/operating-point.ts';
import { riderForce } from '../machine/rider.ts';
import { sample, runs } from '../test/sample.ts';
import { wayOf } from '../ride/corners.ts';
import { assistCorners, ratioAt, worstPoint } from './assist-curve.ts';
import { lawFacts } from './facts.ts';

/** Japan's general envelope: 2 below 10 km/h, 2 - (v - 10)/7 to 24, then none (from memory). */
const JAPAN = [
  { kmh: 0, ratio: 2 },
  { kmh: 10, ratio: 2 },
  { kmh: 24, ratio: 0 },
];
const formula = (v: number): number => {
  if (v < 10) return 2;
  return v < 24 ? 2 - (v - 10) / 7 : 0;
};

const build = (ratio: number, cutoff: number, taper: number) =>
  sample({
    controls: { assistSensor: 'torque', throttle: 'none', assistRatio: ratio },
    controller: { limitsSpeed: true, assistCutoffKmh: cutoff, assistTaperKmh: taper },
    drive: { efficiency: 1 },
    gearing: { chainEfficiency: 1 },
  });
const cornersOf = (ratio: number, cutoff: number, taper: number) => {
  const found = assistCorners(assemble(build(ratio, cutoff, taper)));
  if (found === undefined) throw new Error('not in proportion');
  return found;
};

describe('help that follows the push on the pedals', () => {
  const by = (
    helpFollows: 'power' | 'torque' | 'unknown',
    kind: 'geared-hub' | 'mid-drive' = 'geared-hub',
    ringUnread = false,
  ) => {
    const one = sample({
      controls: { assistSensor: 'torque', throttle: 'none', assistRatio: 0.5, helpFollows },
      controller: { limitsSpeed: true, assistCutoffKmh: 24, assistTaperKmh: 14 },
      drive: { kind, efficiency: 1 },
      gearing: {
        chainEfficiency: 1,
        ringTeeth: ringUnread ? { source: 'unknown' } : 44,
        cogTeeth: [11, 22, 44],
      },
    });
    const [way] = lawFacts(wayOf(one));
    if (way === undefined) throw new Error('no way');
    return way.facts.assistRatio;
  };

  it('is the more of the legs’ power the taller the gear: P_motor / P_rider = k v / (r omega of the cranks)', () => {
    expect(by('power').corners?.[0]?.ratio).toBeCloseTo(0.5, 9);
    // Four turns of the wheel for one of the cranks, in the tallest gear.
    expect(by('torque').corners?.[0]?.ratio).toBeCloseTo(2, 9);
  });

  it('is not known while nobody has said what it follows, and is the same of a motor at the cranks', () => {
    const open = by('unknown');
    expect(open.corners?.[0]?.ratio).toBeCloseTo(0.5, 9);
    expect(open.unsure?.most?.[0]?.ratio).toBeCloseTo(2, 9);
    expect(open.unsure?.least?.[0]?.ratio).toBeCloseTo(0.5, 9);
    expect(open.unsure?.labels).toContain('what the help follows, power or torque');
    // The ring decides how tall the tallest gear is: by torque it counts, by power it does not.
    expect(by('unknown', 'geared-hub', true).unsure?.most?.[0]?.ratio).toBeGreaterThan(2.2);
    expect(by('torque', 'geared-hub', true).unsure?.most?.[0]?.ratio).toBeGreaterThan(2.2);
    expect(by('power', 'geared-hub', true).unsure?.labels ?? []).not.toContain('Chainring');
    for (const follows of ['power', 'torque', 'unknown'] as const)
      expect(by(follows, 'mid-drive')).toMatchObject({ corners: by('power', 'mid-drive').corners });
    expect(by('unknown', 'mid-drive').unsure?.labels ?? []).not.toContain(
      'what the help follows, power or torque',
    );
  });
});

describe('the envelope of help', () => {
  it('at its named speeds is the published one: 1.5714 at 13, 1 at 17, 0.5714 at 20, 0.1429 at 23', () => {
    for (const [v, ratio] of [
      [13, 1.5714],
      [17, 1],
      [20, 0.5714],
      [23, 0.1429],
    ] as const)
      expect(ratioAt(JAPAN, v)).toBeCloseTo(ratio, 4);
  });

  it('is met by twice the rider’s force that fades from 10 to 24 km/h, and by nothing stronger or longer', () => {
    const over = (ratio: number, cutoff: number, taper: number): number => {
      const worst = worstPoint(cornersOf(ratio, cutoff, taper), JAPAN);
      return worst.ratio - worst.allowed;
    };
    expect(over(2, 24, 14)).toBeCloseTo(0, 12);
    expect(over(2, 23.9, 14)).toBeLessThanOrEqual(1e-12);
    expect(over(2.1, 23.9, 14)).toBeCloseTo(0.1, 9);
    expect(over(2, 25, 14)).toBeGreaterThan(0.1);
    expect(over(2, 23.9, 3)).toBeGreaterThan(0.5);
    // Help that stops at a stroke is too much just before it does.
    expect(over(1, 23.9, 0)).toBeCloseTo(1 - formula(23.9), 9);
  });

  it('is held over the whole curve: as thousands of speeds say (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 8, max: 45, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (ratio, cutoff, taper) => {
          const corners = cornersOf(ratio, cutoff, taper);
          const worst = worstPoint(corners, JAPAN);
          const margin = worst.allowed - worst.ratio;
          const own = (v: number): number =>
            v >= cutoff ? 0 : ratio * (taper > 0 ? Math.min(1, (cutoff - v) / taper) : 1);
          for (let i = 0; i <= 2000; i += 1) {
            const v = (50 * i) / 2000;
            expect(formula(v) - own(v)).toBeGreaterThanOrEqual(margin - 1e-6);
          }
        },
      ),
      runs(60),
    );
  });
});

describe('the build’s own curve', () => {
  it('is what the operating point gives: motor force over rider force at the tyre', () => {
    const one = sample(
      {
        controls: { assistSensor: 'torque', throttle: 'none', assistRatio: 1.5 },
        controller: {
          limitsSpeed: true,
          assistCutoffKmh: 25,
          assistTaperKmh: 5,
          batteryCurrentA: 60,
          phaseCurrentA: 200,
        },
        brief: { riderPowerW: 60 },
        drive: { hysteresisNm: 0, eddyNms: 0 },
        pack: { bmsCurrentA: 100 },
      },
      'geared-hub',
    );
    const machine = assemble(one);
    const corners = assistCorners(machine) ?? [];
    const gear = machine.gears[0];
    if (gear === undefined) throw new Error('no gear');
    for (const kmh of [12, 18]) {
      const v = kmhToMs(kmh);
      const motor = operatingPoint(machine, gear, supplyAt(machine.pack, 1), v).forceN;
      const rider = riderForce(
        { ...machine.rider, cadenceMinRpm: 0, cadenceMaxRpm: 1e6 },
        gear,
        machine.chainEfficiency,
        v,
      );
      expect(motor / rider).toBeCloseTo(ratioAt(corners, kmh), 2);
    }
  });

  it('is none where the help does not follow the rider', () => {
    expect(assistCorners(assemble(sample({ controls: { assistSensor: 'cadence' } })))).toBeUndefined();
    expect(
      assistCorners(assemble(sample({ controls: { assistSensor: 'torque', throttle: 'full' } }))),
    ).toBeUndefined();
  });

  it('has no end without a limit on speed', () => {
    const free = sample({
      controls: { assistSensor: 'torque', throttle: 'none', assistRatio: 1 },
      controller: { limitsSpeed: false },
    });
    const corners = assistCorners(assemble(free)) ?? [];
    expect(ratioAt(corners, 80)).toBeGreaterThan(0.5);
    expect(worstPoint(corners, JAPAN).kmh).toBeGreaterThanOrEqual(24);
  });
});
