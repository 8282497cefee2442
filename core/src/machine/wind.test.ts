import { describe, expect, it } from 'vitest';
import type { Terrain } from '../document/terrains.ts';
import { ridePlan } from '../trips/ride-plan.ts';
import { evenHill } from '../route/route.ts';
import { sample } from '../test/sample.ts';
import { assemble } from './assemble.ts';
import { windShare } from './wind.ts';

const at = (windAt: Terrain, style: 'diamond' | 'recumbent' = 'diamond') => {
  const build = sample({ brief: { headwindMs: 6, windAt }, donor: { style } });
  return { build, share: windShare(build) };
};

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
