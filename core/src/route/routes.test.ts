import { describe, expect, it } from 'vitest';
import beaconRoad from '../../../demo/routes/beacon-road.json' with { type: 'json' };
import crateLane from '../../../demo/routes/crate-lane.json' with { type: 'json' };
import marketRounds from '../../../demo/routes/market-rounds.json' with { type: 'json' };
import marketRun from '../../../demo/routes/market-run.json' with { type: 'json' };
import orchardLanes from '../../../demo/routes/orchard-lanes.json' with { type: 'json' };
import seaBank from '../../../demo/routes/sea-bank.json' with { type: 'json' };
import steepleWall from '../../../demo/routes/steeple-wall.json' with { type: 'json' };
import tideCauseway from '../../../demo/routes/tide-causeway.json' with { type: 'json' };
import { evenly, noiseM, smoothed, usualSmoothM, withoutSpikes } from './clean.ts';
import { asRound, cleanedProfileOf, profileOf } from './drawn.ts';
import { hop } from './geodesy.ts';
import { elevationAt, gradeOf, pieces, riddenLengthM, riseOf, steepest, totalClimb } from './profile.ts';
import { readRoute } from './read-route.ts';
import { cleanedProfile, placesAlong, rawTrack, type Positions } from './recorded.ts';
import { evenHill } from './route.ts';
import { routeSummary } from './summary.ts';

describe('grades', () => {
  it('are rise over run: 100 m of road that rise 10 m are 10.05 %', () => {
    expect(gradeOf(100, 10)).toBeCloseTo(10.0504, 4);
    expect(riseOf(100, gradeOf(100, 7.3))).toBeCloseTo(7.3, 12);
    expect(gradeOf(10, 50)).toBeLessThan(3000);
  });
});

describe('a profile', () => {
  const profile = profileOf(
    [
      { lengthM: 200, gradePct: 5, bearingDeg: 10 },
      { lengthM: 6, gradePct: 30, bearingDeg: 20 },
      { lengthM: 300, gradePct: -4, bearingDeg: 30 },
    ],
    50,
  );

  it('drawn by stretches has them as its pieces', () => {
    const [a, b, c] = pieces(profile);
    expect(a).toMatchObject({ fromM: 0, lengthM: 200, bearingDeg: 10 });
    expect(a?.gradePct).toBeCloseTo(5, 1);
    expect(b?.gradePct).toBeCloseTo(30, 0);
    expect(c?.gradePct).toBeCloseTo(-4, 1);
  });

  it('says how high it is anywhere, and stays at its ends', () => {
    expect(elevationAt(profile, 100)).toBeCloseTo(50 + riseOf(100, 5), 2);
    expect(elevationAt(profile, -5)).toBe(50);
    expect(elevationAt(profile, 9999)).toBe(profile.at(-1)?.elevationM);
  });

  it('is as steep as ten metres of it: what is shorter is rolled over', () => {
    const { atM, gradePct } = steepest(profile);
    expect(atM).toBe(200);
    expect(gradePct).toBeLessThan(30);
    expect(gradePct).toBeGreaterThan(14);
  });

  it('climbs what it climbs', () => {
    expect(totalClimb([0, 5, 3, 10])).toEqual({ upM: 12, downM: 2 });
  });

  it('that ends at another height is ridden there and back for its range, and only then', () => {
    expect(asRound(evenHill('', 500, 6)).andBack).toBe(true);
    expect(asRound(evenHill('', 500, 0)).andBack).toBe(false);
    expect(riddenLengthM({ ...evenHill('', 500, 6), andBack: true, times: 3 })).toBeCloseTo(3000, 9);
  });
});

describe('hops on the ellipsoid', () => {
  // Length of a degree of latitude, WGS 84: 110.574 km at the equator, 111.694 km at the poles; of longitude 111.320 km
  // at the equator and 78.847 km at 45 degrees (published tables of the ellipsoid).
  it.each([
    [0, 0, 0.01, 0, 1105.74],
    [89.985, 0, 89.995, 0, 1116.94],
    [0, 0, 0, 0.01, 1113.2],
    [45, 0, 45, 0.01, 788.47],
    [0, 179.995, 0, -179.995, 1113.2],
  ])('from %d, %d to %d, %d are %d m', (a, b, c, d, metres) => {
    expect(hop(a, b, c, d).metres).toBeCloseTo(metres, 1);
  });
  it.each([
    [0.01, 0, 0],
    [0, 0.01, 90],
    [-0.01, 0, 180],
    [0, -0.01, 270],
  ])('towards %d, %d bear %d degrees', (lat, lon, bearing) => {
    expect(hop(0, 0, lat, lon).bearingDeg).toBeCloseTo(bearing, 9);
  });
});

describe('cleaning', () => {
  it('takes single spikes out and leaves a steep road alone', () => {
    const near = Array.from({ length: 30 }, (_, i) => 10 * i);
    const steep = Array.from({ length: 30 }, (_, i) => 100 + 2 * i);
    expect(withoutSpikes(steep, near)).toEqual({ elevations: steep, replaced: 0 });
    const spiked = steep.map((e, i) => (i === 12 ? e + 60 : e));
    const { elevations, replaced } = withoutSpikes(spiked, near);
    expect(replaced).toBe(1);
    expect(Math.abs((elevations[12] ?? 0) - 124)).toBeLessThan(3);
    // The peaks of a drawn profile, far apart, are hills.
    const hills = Array.from({ length: 12 }, (_, i) => (i % 2) * 40);
    const apart = hills.map((_, i) => 400 * i);
    expect(withoutSpikes(hills, apart).replaced).toBe(0);
  });

  it('lays points evenly along straight lines', () => {
    evenly([0, 10, 40], [0, 10, -20], 4).forEach((value, i) => {
      expect(value).toBeCloseTo([0, 10, 0, -10, -20][i] ?? NaN, 12);
    });
  });

  it('smooths noise away, keeps ends, and keeps an even slope as it is', () => {
    const slope = Array.from({ length: 101 }, (_, i) => i * 0.5);
    smoothed(slope, 10, 200).forEach((e, i) => {
      expect(e).toBeCloseTo(slope[i] ?? 0, 9);
    });
    let seed = 3;
    const next = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5;
    const noisy = slope.map((e) => e + 2 * next());
    const used = smoothed(noisy, 10, 200);
    expect(totalClimb(used).upM).toBeLessThan(52);
    expect(used[0]).toBe(noisy[0]);
    expect(used.at(-1)).toBeCloseTo(noisy.at(-1) ?? 0, 12);
    // Uniform noise over 2 m has a standard deviation of 2 / sqrt(12) m.
    expect(noiseM(noisy)).toBeGreaterThan(0.35);
    expect(noiseM(noisy)).toBeLessThan(0.9);
    expect(noiseM(slope)).toBeCloseTo(0, 9);
    expect([0.01, 0.3, 2].map(usualSmoothM)).toEqual([40, 100, 200]);
  });

  it('of a noisy recorder comes within a tenth of the climb that is there (seeded, invented)', () => {
    let seed = 11;
    const next = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5;
    const count = 1200;
    const height = (i: number): number => 200 + 40 * Math.sin(i / 90);
    const positions: Positions = {
      latDeg: Array.from({ length: count }, (_, i) => (i * 8) / 110574),
      lonDeg: Array.from({ length: count }, () => 0),
      elevationM: Array.from({ length: count }, (_, i) => height(i) + 3 * next()),
    };
    const true_ = totalClimb(Array.from({ length: count }, (_, i) => height(i))).upM;
    const { profile, cleaning } = cleanedProfile(positions);
    expect(cleaning.rawUpM).toBeGreaterThan(2 * true_);
    expect(Math.abs(cleaning.usedUpM / true_ - 1)).toBeLessThan(0.1);
    expect(profile.at(-1)?.distanceM).toBeGreaterThan(8 * (count - 1));
    expect(profile[100]?.bearingDeg).toBeCloseTo(0, 6);
    expect(rawTrack(positions).elevationM).toEqual(positions.elevationM);
    expect(placesAlong(positions, [0, 0.5, 1]).map((p) => p.latDeg * 110574)).toEqual([
      0,
      expect.closeTo(4 * (count - 1), 3) as number,
      expect.closeTo(8 * (count - 1), 3) as number,
    ]);
  });

  it('of a recorder at rest does not make a road', () => {
    const still: Positions = {
      latDeg: [0, 0.000001, 0, 0.01],
      lonDeg: [0, 0, 0.000001, 0],
      elevationM: [5, 9, 1, 20],
    };
    expect(rawTrack(still).distanceM).toHaveLength(2);
  });

  it('of a table smooths only where it is asked to', () => {
    const points = Array.from({ length: 60 }, (_, i) => ({
      distanceM: 100 + i * 10,
      elevationM: (i % 2) * 2,
    }));
    expect(cleanedProfileOf('', points, 0).profile).toHaveLength(60);
    expect(cleanedProfileOf('', points, 0).profile[0]?.distanceM).toBe(0);
    const used = cleanedProfileOf('', points, 120).profile.map((p) => p.elevationM);
    expect(totalClimb(used).upM).toBeLessThan(10);
  });
});

describe('a route from outside', () => {
  const good = evenHill('Good', 100, 5);
  it.each<[string, object, string]>([
    ['without a name', { ...good, name: ' ' }, 'name'],
    ['with one point', { ...good, profile: good.profile.slice(0, 1) }, 'profile'],
    ['that turns back', { ...good, profile: [...good.profile].reverse() }, 'profile'],
    ['with a key too many', { ...good, colour: 'red' }, 'colour'],
    [
      'of another surface',
      { ...good, spans: [{ fromM: 0, toM: 1, surface: 'lava', limitKmh: null }] },
      'spans.0.surface',
    ],
    [
      'with lists of unlike length',
      { ...good, recorded: { latDeg: [0, 1], lonDeg: [0], elevationM: [0, 1], smoothM: 0 } },
      'recorded',
    ],
    [
      'with NaN in it',
      { ...good, profile: [{ ...good.profile[0], elevationM: NaN }, good.profile[1]] },
      'profile.0.elevationM',
    ],
  ])('%s is refused by its path', (_what, data, path) => {
    const read = readRoute(data);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.issues.map((i) => i.path)).toContain(path);
  });

  const demo = [
    beaconRoad,
    crateLane,
    marketRounds,
    marketRun,
    orchardLanes,
    seaBank,
    steepleWall,
    tideCauseway,
  ];
  it.each(demo.map((data) => [data.name, data] as const))('of the demo is valid: %s', (_name, data) => {
    const read = readRoute(data);
    expect(read).toMatchObject({ ok: true, value: { sample: true } });
    if (!read.ok) return;
    const summary = routeSummary(read.value);
    expect(summary.outline).toHaveLength(81);
    expect(summary.steepestPct).toBeLessThan(25);
  });
});
