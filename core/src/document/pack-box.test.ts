import { describe, expect, it } from 'vitest';
import { sample, type Changes } from '../test/sample.ts';
import { boxesOf, frameOf } from './frame-of.ts';
import { knownBuild } from './known.ts';
import type { BuildDocument } from './document.ts';

const unknown = { source: 'unknown' as const };
const label = (value: number) => ({ source: 'label' as const, value });

const withBoxes = (pack: NonNullable<Changes['pack']>, count: number): BuildDocument => {
  const build = sample({
    donor: { style: 'step-through' },
    pack: { ...pack, boxLengthMm: unknown, boxHeightMm: unknown, boxWidthMm: unknown },
  });
  const [first] = build.packs;
  return {
    ...build,
    packs: [{ ...first, boxes: Array.from({ length: count }, () => ({ place: 'rear-rack', at: null })) }],
  };
};
const sides = (build: BuildDocument): readonly number[] => {
  const [{ boxLengthMm, boxWidthMm, boxHeightMm }] = knownBuild(build).packs;
  return [boxLengthMm.value, boxWidthMm.value, boxHeightMm.value];
};

describe('a box of which nobody has measured the size', () => {
  it('is a usual one, parted where the pack is', () => {
    expect(sides(withBoxes({ chemistry: 'nmc' }, 1))).toEqual([360, 90, 90]);
    expect(sides(withBoxes({ chemistry: 'nmc' }, 2))).toEqual([180, 90, 90]);
  });

  it.each([
    // Sealed blocks of 12 V as they are sold: length, width, height, mm. From memory.
    [7, [151, 65, 94]],
    [12, [151, 98, 95]],
    [20, [181, 77, 167]],
  ])('has the room of a sealed block of 12 V %d Ah, for four of them', (ah, sold) => {
    const got = sides(
      withBoxes({ chemistry: 'lead-acid', nominalV: label(48), cellsInSeries: 24, capacityAh: label(ah) }, 4),
    );
    const litres = (of: readonly number[]): number => of.reduce((product, mm) => product * mm, 1e-6);
    expect(litres(got) / litres(sold)).toBeGreaterThan(0.85);
    expect(litres(got) / litres(sold)).toBeLessThan(1.15);
    expect((got[0] ?? 0) / (sold[0] ?? 1)).toBeGreaterThan(0.8);
    expect((got[0] ?? 0) / (sold[0] ?? 1)).toBeLessThan(1.2);
  });
});

describe('boxes on a carrier', () => {
  const blocks = withBoxes(
    { chemistry: 'lead-acid', nominalV: label(48), cellsInSeries: 24, capacityAh: label(12) },
    4,
  );
  const placed = (build: BuildDocument) => {
    const known = knownBuild(build);
    return boxesOf(build, known, frameOf(build, known));
  };

  it('stay on it: what does not go beside or behind the first goes on top', () => {
    const boxes = placed(blocks);
    // The carrier of the drawing reaches from 230 mm behind the axle to 130 ahead of it.
    for (const { x, lengthMm } of boxes) {
      expect(x - lengthMm / 2).toBeGreaterThan(-330);
      expect(x + lengthMm / 2).toBeLessThan(230);
    }
    expect(new Set(boxes.map((b) => Math.round(b.y))).size).toBe(2);
    // No two in one place.
    const spots = boxes.map((b) => `${b.x.toFixed(0)} ${b.y.toFixed(0)} ${String(b.beside)}`);
    expect(new Set(spots).size).toBe(4);
  });

  it('go on in a row along a tube', () => {
    const [first] = blocks.packs;
    const tube: BuildDocument = {
      ...blocks,
      donor: { ...blocks.donor, style: 'diamond' },
      packs: [{ ...first, boxes: first.boxes.map(() => ({ place: 'down-tube', at: null })) }],
    };
    const boxes = placed(tube);
    const steps = boxes
      .slice(1)
      .map((b, i) => Math.hypot(b.x - (boxes[i]?.x ?? 0), b.y - (boxes[i]?.y ?? 0)));
    for (const step of steps) expect(step).toBeCloseTo((boxes[0]?.lengthMm ?? 0) + 20, 6);
  });
});
