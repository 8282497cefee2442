import { describe, expect, it } from 'vitest';
import type { BuildDocument, QuantityPath } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import { knownAt, quantityAt, withValue } from '../../document/quantity-at.ts';
import type { Truth } from '../../instruments/simulated-logger.ts';
import { normals } from '../../quantity/numerics.ts';
import { courier, longtail, tandem, tourer, trike } from '../../test/demo.ts';
import { ended } from '../../test/ended.ts';
import { coast, everyday, hill, market, of, outcome, ride } from '../../test/learn-rides.ts';
import { rideHill } from '../../trips/ridden.ts';
import type { RideKind } from '../ride-record.ts';
import { withLearnt } from './learn.ts';
import { teachNext } from './teach-next.ts';

describe('learning from rides of drawn machines', () => {
  const builds = [courier, tourer, longtail, tandem, trike, courier, tourer, longtail, tandem, trike];
  const normal = normals(11);
  const drawn = (sd: number): number => Math.exp(sd * Math.max(-2, Math.min(2, normal())));
  const all = builds.map((build, i) => {
    const truth: Truth = {
      'donor.cdaM2': drawn(0.15),
      'donor.crr': drawn(0.2),
      'drive.efficiency': drawn(0.015),
      'drive.resistanceOhm': drawn(0.12),
    };
    const rides = [
      everyday(build, truth, 100 + i),
      hill(build, truth, 200 + i),
      coast(build, truth, 300 + i),
    ];
    return { build, truth, told: outcome(build, rides) };
  });

  it('finds what is true within two standard errors at least nine times in ten', () => {
    const zs = all.flatMap(({ truth, told }) =>
      (Object.entries(truth) as [QuantityPath, number][]).flatMap(([path, factor]) => {
        const one = told.values.find((v) => v.path === path);
        return one === undefined ? [] : [(one.after - one.before * factor) / one.sd];
      }),
    );
    expect(zs.length).toBeGreaterThanOrEqual(36);
    const inside = zs.filter((z) => Math.abs(z) <= 2).length / zs.length;
    expect(inside, zs.map((z) => z.toFixed(1)).join(' ')).toBeGreaterThanOrEqual(0.9);
    // And its errors are not simply wide: rolling is known at least twice as well as before.
    for (const { told } of all) {
      const crr = of(told, 'donor.crr');
      expect(crr.sd / crr.after).toBeLessThan(0.5 * 0.35);
    }
  });

  it('brings the energy of every ride nearer', () => {
    for (const { told } of all)
      for (const { before, after } of told.off)
        expect(Math.abs(after)).toBeLessThan(Math.max(0.012, Math.abs(before)));
  });
});

describe('what rides can and cannot tell', () => {
  const truth: Truth = { 'donor.cdaM2': 1.2, 'donor.crr': 1.15 };

  it('mass and drag apart: not by a coast-down alone, and it says so', () => {
    const told = outcome(longtail, [coast(longtail, truth, 1)]);
    const cda = of(told, 'donor.cdaM2');
    expect(of(told, 'donor.crr').verdict).toBe('learnt');
    expect(cda.toldBy).toEqual(['coast-down']);
    expect(cda.notApart?.share).toBeGreaterThan(0.5);
    // What of drag hangs on the mass is as wide as the mass is known, whatever is rolled.
    const many = outcome(
      longtail,
      [1, 2, 3, 4, 5, 6].map((seed) => coast(longtail, truth, seed)),
    );
    expect(of(many, 'donor.cdaM2').sd / of(many, 'donor.cdaM2').after).toBeGreaterThan(0.027);
  });

  it('a ride that was held out is off by less', () => {
    const rides = [
      coast(longtail, truth, 1),
      everyday(longtail, truth, 2),
      hill(longtail, truth, 3),
      everyday(longtail, truth, 4),
    ];
    const { heldOut } = outcome(longtail, rides);
    expect(heldOut?.key).toBe('everyday 4');
    expect(Math.abs(heldOut?.before ?? 0)).toBeGreaterThan(0.05);
    expect(Math.abs(heldOut?.after ?? 1)).toBeLessThan(0.4 * Math.abs(heldOut?.before ?? 0));
  });

  it('a ride without a recording teaches no forces, and is named with why', () => {
    const told = outcome(longtail, [
      { key: 'typed', ride: ride('everyday', { energyWh: 300 }), recording: undefined },
    ]);
    expect(told.leftOut).toEqual([{ key: 'typed', why: 'typed by hand: no line to learn from' }]);
    expect(told.values).toEqual([]);
    expect(told.off).toEqual([]);
  });

  it('capacity by amp-hours between volts at rest', () => {
    const typed = ride('range', { chargeAh: 12, voltsBefore: 54, voltsAfter: 46 });
    const told = outcome(longtail, [{ key: 'typed', ride: typed, recording: undefined }]);
    const [one] = told.values;
    expect(one?.path).toMatch(/capacityAh$/);
    expect(one?.toldBy).toEqual(['range']);
    expect(one?.sd).toBeGreaterThan(0);
  });

  it('the motor’s turns only where the volts end its speed', () => {
    const held = outcome(longtail, [
      { key: 't', ride: ride('top-speed', { topKmh: 24 }), recording: undefined },
    ]);
    expect(held.values.some((v) => v.path === 'drive.kvRpmPerV')).toBe(false);
    const free = { ...trike, controller: { ...trike.controller, limitsSpeed: false, limitsPower: false } };
    const strong = withValue(
      withValue(free, 'controller.batteryCurrentA', 80),
      'controller.phaseCurrentA',
      250,
    );
    const told = outcome(strong, [
      { key: 't', ride: ride('top-speed', { topKmh: 34 }), recording: undefined },
    ]);
    expect(told.values.map((v) => v.path)).toContain('drive.kvRpmPerV');
  });
});

describe('heat', () => {
  const truth: Truth = {
    'drive.windingHeatJK': 1.25,
    'drive.shellHeatJK': 0.8,
    'drive.coupleWK': 1.2,
    'drive.coolStillWK': 0.8,
  };
  const path = Object.keys(truth) as QuantityPath[];

  it('is found from a climb and from standing still after it, within two standard errors', () => {
    const rides = [1, 2].map((seed) => hill(longtail, { ...truth, 'drive.coolMovingWK': 0.8 }, seed, 1500));
    const told = outcome(longtail, rides);
    for (const p of path) {
      const one = of(told, p);
      const right = one.before * (truth[p] ?? 1);
      expect(Math.abs(one.after - right) / one.sd, `${p} ${String(one.after)} ${String(right)}`).toBeLessThan(
        2.5,
      );
    }
    expect(told.heat?.after).toBeLessThan(0.5 * (told.heat?.before ?? 0));
    // A climb alone leaves the shell where it was.
    const climb = outcome(longtail, [hill(longtail, truth, 1)]);
    expect(of(climb, 'drive.shellHeatJK').verdict).toBe('little');
    expect(of(climb, 'drive.windingHeatJK').verdict).toBe('learnt');
  });
});

describe('taking what was learnt', () => {
  it('writes it into the plan as measured, with its error and a note, and moves hill and range', () => {
    const told = outcome(longtail, [coast(longtail, { 'donor.crr': 1.3 }, 1)]);
    const crr = of(told, 'donor.crr');
    const taken = withLearnt(longtail, [crr], 'from the log: coast-down, 2 Mar');
    const value = quantityAt(taken, 'donor.crr');
    expect(value).toMatchObject({ source: 'measured', note: 'from the log: coast-down, 2 Mar' });
    expect(knownAt(knownBuild(taken), 'donor.crr').value).toBeCloseTo(crr.after, 5);
    expect(knownAt(knownBuild(taken), 'donor.crr').spread).toBeCloseTo(crr.sd / crr.after, 3);
    const wh = (build: BuildDocument): number => rideHill(build, market, 'cruise').ride.usedWh;
    expect(wh(taken)).toBeGreaterThan(1.05 * wh(longtail));
  });

  it('of the air takes its still and its moving part together', () => {
    const rides = [1, 2].map((seed) =>
      hill(longtail, { 'drive.coolStillWK': 0.7, 'drive.coolMovingWK': 0.7 }, seed, 1500),
    );
    const air = of(outcome(longtail, rides), 'drive.coolStillWK');
    const taken = knownBuild(withLearnt(longtail, [air], 'x'));
    const before = knownBuild(longtail);
    expect(taken.drive.coolMovingWK.value / before.drive.coolMovingWK.value).toBeCloseTo(
      air.after / air.before,
      2,
    );
  });
});

describe('what would teach most next', () => {
  const asked = (build: BuildDocument, done: readonly RideKind[]) => ended(teachNext(build, market, done));
  it('is the ride that narrows the range most, and less so once it was ridden', () => {
    const [first, ...rest] = asked(longtail, []);
    if (first === undefined) throw new Error('nothing would teach');
    expect(first.thenKm).toBeLessThan(first.bandKm);
    for (const other of rest) expect(other.thenKm).toBeGreaterThanOrEqual(first.thenKm);
    expect(first.of.length).toBeGreaterThan(0);
    const again = asked(longtail, [first.kind]).find((w) => w.kind === first.kind);
    expect(again?.thenKm ?? first.bandKm).toBeGreaterThan(first.thenKm);
  });
});
