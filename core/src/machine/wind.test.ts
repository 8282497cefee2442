import { describe, expect, it } from 'vitest';
import type { Terrain } from '../document/terrains.ts';
import { ridePlan } from '../trips/ride-plan.ts';
import { evenHill } from '../route/route.ts';
import { sample } from '../test/sample.ts';
import { assemble } from './assemble.ts';
import { airFromAllSides, windShare } from './wind.ts';

const at = (windAt: Terrain, style: 'diamond' | 'recumbent' = 'diamond') => {
  const build = sample({ brief: { headwindMs: 6, windAt }, donor: { style } });
  return { build, share: windShare(build) };
};

describe('a wind of which nobody knows from where', () => {
  /** The integral itself: over every direction, cross wind included. */
  const mean = (v: number, w: number): number => {
    const n = 7200;
    let sum = 0;
    for (let i = 0; i < n; i += 1) {
      const angle = (2 * Math.PI * (i + 0.5)) / n;
      const along = v + w * Math.cos(angle);
      sum += along * Math.hypot(along, w * Math.sin(angle));
    }
    return sum / n;
  };

  it.each([0.05, 0.25, 0.5, 0.8, 1, 1.2, 2, 4, 20])(
    'costs the mean over all sides, at %s times the speed',
    (share) => {
      expect(airFromAllSides(5, 5 * share) / mean(5, 5 * share)).toBeCloseTo(1, 2);
    },
  );

  it('is 1.047, 1.185 and 1.70 times still air at a quarter, a half and all of the speed (derived)', () => {
    for (const [share, times] of [
      [0.25, 1.047],
      [0.5, 1.185],
      [1, 1.7],
    ] as const)
      expect(airFromAllSides(6, 6 * share) / 36).toBeCloseTo(times, 2);
    expect(airFromAllSides(6, 0)).toBe(36);
    expect(airFromAllSides(0, 3)).toBe(0);
  });
});

describe('the wind of a forecast', () => {
  it.each([
    ['sea', 0.74],
    ['flat', 0.69],
    ['fields', 0.6],
    ['village', 0.4],
    ['town', 0.25],
    ['felt', 1],
  ] as const)('comes down to the rider: %s, %s of it (EN 1991-1-4, table 4.1)', (terrain, share) => {
    expect(at(terrain).share).toBeCloseTo(share, 2);
  });

  it('comes down less far to one who lies', () => {
    expect(at('flat', 'recumbent').share).toBeLessThan(at('flat').share);
  });

  it('is that on the level and on a road', () => {
    const { build } = at('fields');
    expect(assemble(build).road.headwind).toBeCloseTo(6 * 0.6, 1);
    const felt = at('felt').build;
    const far = (b: typeof build): number =>
      ridePlan(b, evenHill('', 2000, 0), 'cruise').ride({ again: true }).metres;
    expect(far(build)).toBeGreaterThan(far(felt));
  });
});
