import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { WALK } from '../fit/walk.ts';
import { anyBuild, sample, runs } from '../test/sample.ts';
import { evaluate } from '../test/evaluate.ts';
import { measureNext } from './measure-next.ts';
import { tandem } from '../test/demo.ts';
import { withValue } from '../document/quantity-at.ts';

describe('what to measure next', () => {
  it('on the tandem is the slot that nobody has measured', () => {
    const [first] = measureNext(tandem);
    expect(first).toMatchObject({ label: 'Axle slot, width', share: 1 });
    expect(first?.waits).toEqual(['Slot to be opened for the axle flats', 'Play of the flats in the slot']);
  });

  it('is no longer asked once it is measured', () => {
    const known = withValue(tandem, 'donor.slotWidthMm', 10);
    const measured = {
      ...known,
      donor: { ...known.donor, slotWidthMm: { source: 'measured' as const, value: 10 } },
    };
    expect(measureNext(measured).some((m) => m.known?.path === 'donor.slotWidthMm')).toBe(false);
  });

  it('begins, on a blank bicycle, with what checks wait for, choices among them', () => {
    const items = measureNext(sample());
    expect(items[0]?.waits.length).toBeGreaterThan(0);
    const material = items.find((m) => m.label === 'frame material');
    expect(material?.waits.length).toBeGreaterThan(3);
    const old = items.find((m) => m.known?.path === 'donor.rearOldMm');
    const grip = items.findIndex((m) => m.known?.path === 'donor.tyreGrip');
    expect(old?.waits).toContain('Hub wider than the dropouts');
    expect(items.indexOf(old ?? items[0] ?? ({} as never))).toBeLessThan(grip === -1 ? Infinity : grip);
  });

  it('ranks an assumed value that could turn a check above one that cannot', () => {
    const build = tandem;
    const near = withValue(withValue(build, 'donor.dropoutMm', 4.1), 'donor.caliperGapMm', 15);
    const items = measureNext(near);
    const of = (path: string) => items.find((m) => m.known?.path === path);
    expect(of('donor.dropoutMm')?.turns).toEqual(['Dropout plate']);
    expect(of('donor.caliperGapMm')?.turns).toEqual([]);
    expect(of('donor.dropoutMm')?.share ?? 0).toBeGreaterThan(of('donor.caliperGapMm')?.share ?? 1);
  });

  it('is in order, between nought and one, and names only what is open, over many builds', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const items = measureNext(build);
        for (let i = 0; i < items.length; i += 1) {
          const share = items[i]?.share ?? 0;
          expect(share).toBeGreaterThanOrEqual(0);
          expect(share).toBeLessThanOrEqual(items[i - 1]?.share ?? 1);
          expect(['assumed', 'unknown', undefined]).toContain(items[i]?.known?.source);
        }
      }),
      runs(12),
    );
  });
});

describe('the walk round the bicycle', () => {
  const walked = new Set(WALK.flatMap((s) => s.measures.map((m) => m.path)));

  it('asks for each measure once, and says how and why', () => {
    const all = WALK.flatMap((s) => s.measures);
    expect(walked.size).toBe(all.length);
    for (const { path, how, why } of all) {
      expect(how, path).not.toBe('');
      expect(why, path).not.toBe('');
    }
  });

  it('comes past everything of donor, motor and pack that a check can wait for, over many builds', () => {
    // Entered elsewhere: at the brief, as a setting, as the gearing, as what is in a pack, or said of the road.
    const elsewhere =
      /^(brief|controller|controls|gearing)\.|^drive\.(kvRpmPerV|resistanceOhm|hysteresisNm|eddyNms|efficiency|brushV|cancelA|reduction|massKg|spacerMm|armHoldsNm|motorSprocketTeeth|wheelSprocketTeeth|pitchMm|centreMm)$|^donor\.(massAheadMm|massHeightMm|tyreGrip|tyreGripWet|cdaM2|crr)$|^packs\.\d\.(cellsInSeries|capacityAh|healthPct|wiringMohm)$/;
    fc.assert(
      fc.property(anyBuild, (build) => {
        for (const check of evaluate(build).fit.checks) {
          for (const path of check.inputs) {
            if (!elsewhere.test(path)) expect([...walked], `${check.id} asks for ${path}`).toContain(path);
          }
        }
      }),
      runs(25),
    );
  });
});
