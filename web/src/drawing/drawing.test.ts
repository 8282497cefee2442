import { describe, expect, it } from 'vitest';
import { evaluate, newBuild, readRecord, shippedRules } from '@apple-cart/core';
import { drawBicycle } from './bicycle.ts';
import { sprocketRadius } from './bicycle-parts.ts';
import { drawingOf, drawnFrom } from './silhouette.tsx';
import { Sketch, toward } from './sketch.tsx';
import { STYLE_NAMES } from '../stages/donor/donor-styles.ts';

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
  it.each(STYLE_NAMES.map((s) => s.value))('%s is drawn with finite coordinates, motor anywhere', (style) => {
    for (const kind of ['geared-hub', 'direct-drive-hub', 'mid-drive', 'external'] as const) {
      for (const wheel of ['front', 'rear'] as const) {
        const plain = newBuild('Build', kind);
        const build = { ...plain, donor: { ...plain.donor, style }, drive: { ...plain.drive, wheel } };
        const sketch = new Sketch(0.124, [60, 150]);
        drawBicycle(sketch, drawnFrom(build, evaluate(build, shippedRules())));
        expect(sketch.shapes.length).toBeGreaterThan(15);
        expect(JSON.stringify(sketch.shapes)).not.toMatch(/NaN|Infinity/);
      }
    }
  });

  it.each(STYLE_NAMES.map((s) => s.value))('%s can be signed as it is drawn', (style) => {
    const plain = newBuild('Build', 'geared-hub');
    const build = { ...plain, donor: { ...plain.donor, style } };
    const drawing = drawingOf(build, evaluate(build, shippedRules()));
    const sheet = { title: 'Build', sections: [], drawing };
    const sign = { who: 'R. Quince', role: '', words: '', planVersion: 1, passed: 1, waived: 0, sheet };
    expect(readRecord('bench-sign', sign)).toEqual({ ok: true, value: sign });
    // A sheet goes to the server in one piece, with its words.
    expect(JSON.stringify(drawing).length).toBeLessThan(64 * 1024);
  });

  it('takes its measures from the build', () => {
    const build = newBuild('Build', 'mid-drive');
    const verdict = evaluate(build, shippedRules());
    expect(drawnFrom(build, verdict)).toMatchObject({
      motorAt: 'middle',
      kind: 'middle',
      ringTeeth: 42,
      frame: { front: { x: verdict.known.donor.wheelbaseMm.value } },
    });
  });

  it('has a motor in each wheel where each wheel has one', () => {
    const drawn = (motors: 'one' | 'pair' | 'each-wheel', wheel: 'front' | 'rear') => {
      const plain = newBuild('Build', 'geared-hub');
      const build = { ...plain, drive: { ...plain.drive, motors, wheel } };
      const one = drawnFrom(build, evaluate(build, shippedRules()));
      return [one.motorAt, one.secondAt];
    };
    expect(drawn('one', 'rear')).toEqual(['rear', undefined]);
    expect(drawn('pair', 'rear')).toEqual(['rear', undefined]);
    expect(drawn('each-wheel', 'rear')).toEqual(['rear', 'front']);
    expect(drawn('each-wheel', 'front')).toEqual(['front', 'rear']);
  });

  it('is drawn without its pack where the pack is moved about', () => {
    const build = newBuild('Build', 'geared-hub');
    const drawn = drawnFrom(build, evaluate(build, shippedRules()));
    const nodes = (packs: boolean): number => {
      const sketch = new Sketch(0.124, [60, 150]);
      drawBicycle(sketch, drawn, packs);
      return sketch.shapes.length;
    };
    expect(nodes(true) - nodes(false)).toBe(1);
  });
});
