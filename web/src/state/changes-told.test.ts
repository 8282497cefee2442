import { describe, expect, it } from 'vitest';
import { newBuild, type BuildDocument } from '@apple-cart/core';
import { changesTold } from './changes-told.ts';

const build = newBuild('one', 'mid-drive');
const ring = (teeth: number, source: 'label' | 'measured' = 'label'): BuildDocument => ({
  ...build,
  gearing: { ...build.gearing, ringTeeth: { source, value: teeth } },
});

describe('what was changed', () => {
  it('is told from and to, parts by their names first', () => {
    const before = ring(38);
    const after: BuildDocument = {
      ...ring(34),
      controller: { ...build.controller, name: 'Marl 30 sine' },
    };
    const words = changesTold(before, after, 'metric');
    expect(words[0]).toBe('Controller none to Marl 30 sine');
    expect(words[1]).toMatch(/^Chainring 38 to 34/);
    expect(words).toHaveLength(2);
  });

  it('is told of a number that stayed and is better known now, and in the reader’s units', () => {
    expect(changesTold(ring(38), ring(38, 'measured'), 'metric')[0]).toMatch(/38, now measured$/);
    const light: BuildDocument = {
      ...build,
      donor: { ...build.donor, massKg: { source: 'label', value: 10 } },
    };
    const heavy: BuildDocument = {
      ...build,
      donor: { ...build.donor, massKg: { source: 'label', value: 20 } },
    };
    expect(changesTold(light, heavy, 'imperial')[0]).toMatch(/22.* to 44.* lb/);
    expect(changesTold(build, light, 'metric')[0]).toMatch(/not known to 10/);
  });

  it('is nothing where nothing differs, and names what has no number', () => {
    expect(changesTold(build, build, 'metric')).toEqual([]);
    const other: BuildDocument = { ...build, controls: { ...build.controls, throttle: 'full' } };
    expect(changesTold(build, other, 'metric').join()).toContain('throttle');
  });
});
