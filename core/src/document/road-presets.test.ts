import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import { standingKg } from '../machine/machine.ts';
import { roadForce } from '../machine/road-load.ts';
import { shippedRules } from '../law/rules.ts';
import { sample, type Changes } from '../test/sample.ts';
import { evaluate } from '../verdict/evaluate.ts';
import { knownBuild } from './known.ts';
import { smallWheel } from './road-presets.ts';

const UNKNOWN = { source: 'unknown' } as const;
const donorOf = (donor: Changes['donor']) =>
  knownBuild(sample({ donor: { cdaM2: UNKNOWN, crr: UNKNOWN, ...donor } })).donor;

describe('usual drag and rolling', () => {
  it('follow from posture and bags (values of the kind in Wilson, Bicycling Science; from memory)', () => {
    const trekking = donorOf({ posture: 'flat-bar' }).cdaM2;
    expect(trekking.value).toBeCloseTo(0.52, 9);
    expect(trekking.origin).toMatch(/hands on a flat bar/);
    const laden = donorOf({ posture: 'flat-bar', carries: ['rear-bags', 'cape'] }).cdaM2;
    expect(laden.value).toBeCloseTo(0.67, 9);
    expect(laden.origin).toMatch(/rear bags, a cape/);
    expect(donorOf({ posture: 'recumbent-bags' }).cdaM2.value).toBeCloseTo(0.36, 9);
  });

  it('follow from the kind of tyre and the wheel: 406 mm against 622 at 40 mm is 1.29', () => {
    expect(smallWheel(406, 40)).toBeCloseTo(1.29, 2);
    expect(donorOf({ tyre: 'tourer', beadMm: 622 }).crr.value).toBeCloseTo(0.0065, 9);
    expect(donorOf({ tyre: 'tourer', beadMm: 406, tyreMm: 40 }).crr.value).toBeCloseTo(0.0065 * 1.29, 4);
    expect(donorOf({ tyre: 'small-20', beadMm: 406 }).crr.value).toBeCloseTo(0.009, 9);
  });

  it('roll harder on soft tyres: (p0/p)^0.4, half of the pressure 1.32 times (from memory), not on a trailer’s', () => {
    const crr = (pressurePct: Changes['donor'], brief: Changes['brief'] = {}) =>
      assemble(sample({ donor: { crr: 0.006, ...pressurePct }, brief: { temperatureC: 20, ...brief } })).road
        .crr;
    expect(crr({})).toBeCloseTo(0.006, 9);
    expect(crr({ pressurePct: 50 }) / 0.006).toBeCloseTo(1.32, 2);
    expect(crr({ pressurePct: 130 }) / 0.006).toBeCloseTo(0.9, 2);
    // Beyond these the law is not known.
    expect(crr({ pressurePct: 20 })).toBe(crr({ pressurePct: 50 }));
    const towing: Changes['brief'] = { trailer: 'child', trailerKg: 14, trailerLoadKg: 20, trailerCrr: 0.01 };
    const more = (pressurePct: Changes['donor']): number => {
      const { road, towedKg } = assemble(
        sample({ donor: { crr: 0.006, ...pressurePct }, brief: { temperatureC: 20, ...towing } }),
      );
      return road.crr * road.massKg - towedKg * 0.01;
    };
    expect(more({ pressurePct: 50 }) / more({})).toBeCloseTo(1.32, 2);
  });

  it('never stand against what was measured', () => {
    const { cdaM2 } = donorOf({ posture: 'upright', cdaM2: 0.44 });
    expect(cdaM2).toMatchObject({ value: 0.44, source: 'measured' });
  });
});

describe('a trailer', () => {
  const build = (brief: Changes['brief']) =>
    sample({
      brief: { temperatureC: 20, headwindMs: 0, ...brief },
      donor: { massKg: 15, permittedKg: 150, brakeFront: 'hydraulic-disc', brakeRear: 'hydraulic-disc' },
      controller: { limitsSpeed: true, assistCutoffKmh: 40, assistTaperKmh: 0 },
    });
  const child: Changes['brief'] = {
    trailer: 'child',
    trailerKg: 14,
    trailerLoadKg: 20,
    trailerCrr: 0.01,
  };

  it('of 34 kg takes 7.1 N at 20 km/h on the level (worked by hand)', () => {
    const [alone, towing] = [assemble(build({})), assemble(build(child))];
    const v = 20 / 3.6;
    const more = roadForce(towing.road, v, 0) - roadForce(alone.road, v, 0);
    expect(more).toBeCloseTo(7.1, 0);
    expect(towing.towedKg).toBe(34);
    expect(standingKg(towing)).toBeCloseTo(alone.road.massKg, 9);
  });

  it('slows the hill and the start, counts in the brakes, and not in the permitted mass, the axles or the law', () => {
    const rules = shippedRules();
    const [alone, towing] = [evaluate(build({}), rules), evaluate(build(child), rules)];
    const figure = (verdict: typeof alone, id: string) =>
      verdict.figures.find((f) => f.id === id)?.value ?? 0;
    expect(figure(towing, 'hill')).toBeLessThan(figure(alone, 'hill'));
    expect(figure(towing, 'start')).toBeLessThan(figure(alone, 'start'));
    expect(figure(towing, 'range')).toBeLessThan(figure(alone, 'range'));
    expect(figure(towing, 'mass')).toBe(figure(alone, 'mass'));
    const check = (verdict: typeof alone, id: string) =>
      verdict.fit.checks.find((c) => c.id === id)?.value ?? 0;
    expect(check(towing, 'brake-energy')).toBeGreaterThan(check(alone, 'brake-energy'));
    expect(check(towing, 'permitted-mass')).toBe(check(alone, 'permitted-mass'));
    expect(towing.axlesKg.front).toBeCloseTo(alone.axlesKg.front, 9);
    expect(towing.law.here.className).toEqual(alone.law.here.className);
  });
});
