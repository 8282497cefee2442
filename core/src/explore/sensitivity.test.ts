import { describe, expect, it } from 'vitest';
import { sample } from '../test/sample.ts';
import { withValue } from '../document/quantity-at.ts';
import { shareOff } from '../trips/uncertain.ts';
import { TORNADO_FIGURES, sensitivities, swingOf, tornado, type Tornado } from './sensitivity.ts';

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

describe('a tornado', () => {
  function of(build: Parameters<typeof tornado>[0]): Tornado {
    const work = tornado(build);
    for (;;) {
      const step = work.next();
      if (step.done === true) return step.value;
    }
  }
  const found = of(
    sample({ donor: { massKg: { source: 'measured', value: 20, plusMinus: 0.1 }, cdaM2: 0.6 } }, 'mid-drive'),
  );
  const at = (path: string) => found.moved.find((m) => m.known.path === path);

  it('holds every quantity that counts, each with both ends of every headline', () => {
    expect(found.moved.length).toBeGreaterThan(20);
    expect(new Set(found.moved.map((m) => m.known.path)).size).toBe(found.moved.length);
    for (const m of found.moved)
      for (const f of TORNADO_FIGURES)
        expect(swingOf(m, f), `${m.known.path} ${f}`).toBeGreaterThanOrEqual(0);
  });

  it('moves what is measured by what its measurement leaves open, the rest by a tenth or its spread', () => {
    expect(at('donor.massKg')).toMatchObject({ spread: true });
    expect(at('donor.massKg')?.by).toBeCloseTo(0.1, 9);
    const drag = at('donor.cdaM2');
    expect(drag?.by).toBeGreaterThan(0);
  });

  it('moves a value as the band of the range draws it', () => {
    const chain = at('gearing.chainEfficiency');
    expect(chain?.spread).toBe(true);
    // A chain of which nobody has said more is 2 % off (common practice), not a tenth.
    expect(chain?.by).toBeCloseTo(0.96 * 0.02, 9);
    for (const { known, by, spread } of found.moved)
      if (known.spread === undefined && spread)
        expect(by, known.path).toBeCloseTo(Math.abs(known.value) * (shareOff(known) ?? NaN), 9);
  });

  it('moves nothing beyond what it can be: an efficiency of nearly one has no room upwards', () => {
    const near = of(
      sample({ gearing: { chainEfficiency: { source: 'assumed', value: 0.995 } } }, 'mid-drive'),
    );
    const chain = near.moved.find((m) => m.known.path === 'gearing.chainEfficiency');
    expect(chain?.more.hillKmh).toBeLessThan((near.now.hillKmh ?? 0) * 1.006);
    expect(chain?.less.hillKmh).toBeLessThan((near.now.hillKmh ?? 0) * 0.99);
  });

  it('has the signs of physics: mass costs hill speed, drag costs range and top speed, Kv gives speed', () => {
    const sign = (path: string, figure: (typeof TORNADO_FIGURES)[number]): number => {
      const m = at(path);
      return (m?.more[figure] ?? 0) - (m?.less[figure] ?? 0);
    };
    expect(sign('donor.massKg', 'hillKmh')).toBeLessThan(0);
    expect(sign('donor.cdaM2', 'rangeKm')).toBeLessThan(0);
    expect(sign('donor.cdaM2', 'topKmh')).toBeLessThanOrEqual(0);
    expect(sign('packs.0.capacityAh', 'rangeKm')).toBeGreaterThan(0);
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
