import { describe, expect, it } from 'vitest';
import { evaluate, newBuild } from '@apple-cart/core';
import { sprocketRadius } from './bicycle-parts.ts';
import { drawnFrom } from './silhouette.tsx';
import { Sketch, toward } from './sketch.tsx';
import type { Drawn } from './drawn.ts';
import { STYLES } from './styles.ts';

const drawn: Drawn = {
  wheelbase: 1050,
  radius: 340,
  tyre: 42,
  ringTeeth: 42,
  motorAt: 'rear',
  directDrive: false,
  lead: false,
};

describe('the sketch', () => {
  it('puts millimetres on the page with y upwards', () => {
    const sketch = new Sketch(0.1, [50, 200]);
    expect(sketch.at([100, 300])).toEqual([60, 170]);
    expect(sketch.d(['M', [0, 0], 'L', [100, 0], 'Z'])).toBe('M50 200 L60 200 Z');
  });

  it('goes a distance in a direction', () => {
    const [x, y] = toward([0, 0], Math.PI / 2, 10);
    expect(x).toBeCloseTo(0, 12);
    expect(y).toBeCloseTo(10, 12);
  });

  it('has sprockets of half-inch pitch: 42 teeth are 533.4 mm round', () => {
    expect(2 * Math.PI * sprocketRadius(42)).toBeCloseTo(42 * 12.7, 9);
  });
});

describe('every style', () => {
  it.each(Object.keys(STYLES) as (keyof typeof STYLES)[])(
    '%s is drawn with finite coordinates, motor anywhere',
    (style) => {
      for (const motorAt of ['front', 'rear', 'middle'] as const) {
        const sketch = new Sketch(0.124, [60, 150]);
        STYLES[style](sketch, { ...drawn, motorAt });
        expect(sketch.nodes.length).toBeGreaterThan(10);
        expect(JSON.stringify(sketch.nodes)).not.toMatch(/NaN|Infinity/);
      }
    },
  );

  it('takes its measures from the build', () => {
    const build = newBuild('Build', 'mid-drive');
    const { known } = evaluate(build);
    expect(drawnFrom(build, known)).toMatchObject({
      motorAt: 'middle',
      wheelbase: known.donor.wheelbaseMm.value,
      ringTeeth: 42,
    });
  });
});
