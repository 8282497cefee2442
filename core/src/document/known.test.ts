import { describe, expect, it } from 'vitest';
import { sample, type Changes } from '../test/sample.ts';
import { chancesOf } from '../trips/uncertain.ts';
import { QUANTITY_PATHS, specAt } from './document.ts';
import { takes } from './counts-when.ts';
import { inUse, knownBuild, knownInUse } from './known.ts';
import { withValue } from './quantity-at.ts';
import { rolloutFromSizeMm } from './wheel-size.ts';

const unknown = { source: 'unknown' } as const;

describe('defaults of unknown values', () => {
  it('stand in openly, with their origin', () => {
    const known = knownBuild(sample({ brief: { riderMassKg: unknown } }));
    expect(known.brief.riderMassKg).toMatchObject({ value: 80, source: 'unknown' });
    expect(known.brief.riderMassKg.origin).not.toBe('');
  });

  it('follow the style, the motor and the chemistry', () => {
    const upright = knownBuild(sample({ donor: { style: 'diamond', cdaM2: unknown } }));
    const low = knownBuild(sample({ donor: { style: 'recumbent', cdaM2: unknown } }));
    expect(low.donor.cdaM2.value).toBeLessThan(upright.donor.cdaM2.value);
    expect(knownBuild(sample({}, 'mid-drive')).drive.reduction.value).toBeGreaterThan(15);
    expect(knownBuild(sample({}, 'direct-drive-hub')).drive.reduction.value).toBe(1);
  });

  it('have no gears in a hub whose rotor is the wheel: by its kind, and nothing is left to be counted in it', () => {
    const bare = { drive: { reduction: unknown, efficiency: unknown } };
    const build = sample(bare, 'direct-drive-hub');
    const { reduction, efficiency } = knownBuild(build).drive;
    for (const known of [reduction, efficiency]) {
      expect(known).toMatchObject({ value: 1, source: 'worked' });
      expect(inUse(build, known.path)).toBe(false);
    }
    expect(chancesOf(build).map((c) => c.moves[0].known.path)).not.toContain('drive.efficiency');
    expect(knownBuild(sample(bare)).drive.reduction.source).toBe('unknown');
    // What somebody says all the same is believed.
    const said = sample({ drive: { reduction: 5 } }, 'direct-drive-hub');
    expect(knownBuild(said).drive.reduction).toMatchObject({ value: 5, source: 'measured' });
    expect(inUse(said, 'drive.reduction')).toBe(true);
  });

  // Common practice, no source: 36 V is 10 lithium cells, 48 V 13, 52 V 14, 60 V 16, 72 V 20.
  it.each([
    [36, 10],
    [48, 13],
    [52, 14],
    [60, 16],
    [72, 20],
  ])('make %d V on a lithium label %d cells in series', (volts, cells) => {
    const known = knownBuild(sample({ pack: { nominalV: volts, cellsInSeries: unknown } }));
    expect(known.packs[0].cellsInSeries.value).toBe(cells);
  });

  it('make 48 V of lead-acid 24 cells of 2 V, and of iron phosphate 15 (common practice)', () => {
    const cells = (chemistry: 'lead-acid' | 'lfp'): number =>
      knownBuild(sample({ pack: { chemistry, nominalV: 48, cellsInSeries: unknown } })).packs[0].cellsInSeries
        .value;
    expect(cells('lead-acid')).toBe(24);
    expect(cells('lfp')).toBe(15);
  });

  it('are all inside their own hard limits', () => {
    for (const kind of ['geared-hub', 'direct-drive-hub', 'mid-drive'] as const) {
      const all = Object.fromEntries(
        knownInUse(sample({}, kind), knownBuild(sample({}, kind))).map((k) => [k.path, k.value]),
      );
      for (const path of QUANTITY_PATHS) {
        const value = all[path];
        const spec = specAt(path);
        if (value === undefined) continue;
        expect(value, path).toBeGreaterThanOrEqual(spec.min);
        expect(value, path).toBeLessThanOrEqual(spec.max);
      }
    }
  });
});

describe('roll-out', () => {
  it('is worked out from the size when it was not measured', () => {
    const known = knownBuild(sample({ donor: { beadMm: 559, tyreMm: 54, rolloutMm: unknown } }));
    expect(known.donor.rolloutMm).toMatchObject({ source: 'worked', value: rolloutFromSizeMm(559, 54) });
  });

  it('is as unknown as bead and tyre are', () => {
    const half = knownBuild(sample({ donor: { beadMm: 559, tyreMm: unknown, rolloutMm: unknown } }));
    expect(half.donor.rolloutMm).toMatchObject({
      source: 'unknown',
      origin: 'worked from what nobody has read: tyre width',
      restsOn: [{ path: 'donor.tyreMm' }],
    });
    // And so is a speed that the controller knows by turns of that wheel.
    const held = { limitsSpeed: true, assistCutoffKmh: 25, setRolloutMm: 2100 };
    const speed = (donor: NonNullable<Changes['donor']>) =>
      knownBuild(sample({ donor, controller: held })).controller.assistCutoffKmh.source;
    expect(speed({ beadMm: 622, tyreMm: unknown, rolloutMm: unknown })).toBe('unknown');
    expect(speed({ beadMm: 622, tyreMm: 42, rolloutMm: unknown })).toBe('worked');
  });

  it('is taken as measured when it was', () => {
    expect(knownBuild(sample({ donor: { rolloutMm: 2065 } })).donor.rolloutMm).toMatchObject({
      source: 'measured',
      value: 2065,
    });
  });

  // ISO 5775-1 sizes; customary roll-outs of speedometer tables, from memory, within 1.5 %.
  it.each([
    [622, 23, 2096],
    [622, 28, 2136],
    [622, 32, 2155],
    [622, 37, 2168],
    [622, 47, 2224],
    [622, 57, 2288],
    [584, 57, 2182],
    [559, 50, 2055],
    [559, 54, 2068],
    [590, 37, 2068],
    [630, 32, 2161],
    [507, 47, 1890],
  ])('of %d with a %d mm tyre is near %d mm', (bead, tyre, customary) => {
    expect(Math.abs(rolloutFromSizeMm(bead, tyre) / customary - 1)).toBeLessThan(0.015);
  });

  it('is never more than the unloaded circumference pi (bead + 2 tyre) (geometry)', () => {
    for (const bead of [305, 406, 507, 559, 622]) {
      for (const tyre of [23, 40, 100]) {
        expect(rolloutFromSizeMm(bead, tyre)).toBeLessThan(Math.PI * (bead + 2 * tyre));
      }
    }
  });
});

describe('quantities that do not count', () => {
  it('are not asked for under the choice that switches them off', () => {
    const off = sample({
      controller: { limitsSpeed: false, limitsPower: false },
      donor: { rolloutMm: 2200 },
    });
    expect(inUse(off, 'controller.assistCutoffKmh')).toBe(false);
    expect(inUse(off, 'controller.powerLimitW')).toBe(false);
    expect(inUse(off, 'donor.shellWidthMm')).toBe(false);
    expect(inUse(off, 'donor.rearOldMm')).toBe(true);
    expect(inUse(sample({}, 'mid-drive'), 'donor.rearOldMm')).toBe(false);
    expect(inUse(sample({}, 'mid-drive'), 'donor.shellWidthMm')).toBe(true);
    expect(
      inUse(sample({ controls: { assistSensor: 'torque', throttle: 'none' } }), 'controls.assistRatio'),
    ).toBe(true);
    expect(
      inUse(sample({ controls: { assistSensor: 'torque', throttle: 'full' } }), 'controls.assistRatio'),
    ).toBe(true);
    expect(
      inUse(sample({ controls: { assistSensor: 'cadence', throttle: 'full' } }), 'controls.assistRatio'),
    ).toBe(false);
  });
});

describe('specAt', () => {
  it('throws for a path that names nothing', () => {
    expect(() => specAt('brief.shoeSize' as never)).toThrow(TypeError);
  });
});

describe('the wheel that the controller holds', () => {
  const known = (setRolloutMm: number | typeof unknown) =>
    knownBuild(
      sample({
        donor: { rolloutMm: 2200 },
        controller: { limitsSpeed: true, assistCutoffKmh: 25, setRolloutMm },
        controls: { throttle: 'walk', walkCutoffKmh: 6 },
      }),
    );

  it('moves every speed it limits by the share it is wrong', () => {
    const short = known(2000);
    expect(short.controller.assistCutoffKmh).toMatchObject({ source: 'worked' });
    expect(short.controller.assistCutoffKmh.value).toBeCloseTo(27.5, 12);
    expect(short.controls.walkCutoffKmh.value).toBeCloseTo(6.6, 12);
  });

  it('is taken as true where nobody has read it, or where it is', () => {
    expect(known(unknown).controller.assistCutoffKmh).toMatchObject({ value: 25, source: 'measured' });
    expect(known(2200).controller.assistCutoffKmh).toMatchObject({ value: 25, source: 'measured' });
  });

  it('does not make a default out to be known', () => {
    const build = sample({
      donor: { rolloutMm: 2200 },
      controller: { limitsSpeed: true, assistCutoffKmh: unknown, setRolloutMm: 2000 },
    });
    const { assistCutoffKmh } = knownBuild(build).controller;
    expect(assistCutoffKmh.source).toBe('unknown');
    expect(assistCutoffKmh.value).toBeCloseTo(27.5, 12);
  });
});

describe('how soft the ground is, and how hard the tyres', () => {
  it('are asked of nobody, and taken from whoever says them', () => {
    const bare = sample();
    for (const path of ['brief.groundPct', 'donor.pressurePct'] as const) {
      expect(inUse(bare, path)).toBe(false);
      expect(inUse(withValue(bare, path, 80), path)).toBe(true);
    }
    expect(takes(bare, 'donor.pressurePct')).toBe(true);
    // On a level road of nothing but figures the ground is smooth.
    expect(takes(bare, 'brief.groundPct')).toBe(false);
    expect(takes({ ...bare, brief: { ...bare.brief, rangeRoute: 'lanes' } }, 'brief.groundPct')).toBe(true);
  });
});
