import { describe, expect, it } from 'vitest';
import { sample } from '../test/sample.ts';
import { withValue } from '../document/quantity-at.ts';
import { sensitivities } from './sensitivity.ts';

describe('sensitivities', () => {
  it('rank what a measurement would settle, the most telling first', () => {
    const list = sensitivities(sample());
    const paths = list.map((s) => s.known.path);
    expect(paths.length).toBeGreaterThan(10);
    // The motor's winding decides more than the display's three watts.
    expect(paths.indexOf('drive.kvRpmPerV')).toBeLessThan(paths.indexOf('controller.standbyW'));
  });

  it('leave out what is measured, chosen or met', () => {
    const paths = sensitivities(sample({ donor: { massKg: 15 } })).map((s) => s.known.path);
    expect(paths).not.toContain('donor.massKg');
    expect(paths).not.toContain('brief.cruiseSpeedKmh');
    expect(paths).not.toContain('brief.headwindMs');
  });

  it('are never negative and never NaN', () => {
    for (const { topKmh, hillKmh, rangeKm } of sensitivities(sample({}, 'mid-drive'))) {
      for (const loss of [topKmh, hillKmh, rangeKm]) expect(loss).toBeGreaterThanOrEqual(0);
    }
  });

  it('a heavier donor costs hill speed', () => {
    const mass = sensitivities(sample({ donor: { massKg: { source: 'assumed', value: 20 } } })).find(
      (s) => s.known.path === 'donor.massKg',
    );
    expect(mass?.hillKmh).toBeGreaterThan(0);
  });
});

describe('withValue', () => {
  it('changes one value and shares the rest', () => {
    const build = sample();
    const next = withValue(build, 'donor.crr', 0.02);
    expect(next.donor.crr).toEqual({ source: 'assumed', value: 0.02 });
    expect(next.packs).toBe(build.packs);
    expect(build.donor.crr).toEqual({ source: 'unknown' });
  });
});
