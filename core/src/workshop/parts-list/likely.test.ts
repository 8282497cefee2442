import { describe, expect, it } from 'vitest';
import shelfFile from '../../../../demo/parts.json' with { type: 'json' };
import { part } from '../../parts/part.ts';
import { evaluate } from '../../test/evaluate.ts';
import { sample, type Changes } from '../../test/sample.ts';

const shelf = shelfFile.map((file) => part.parse(file));

describe('what carries the current', () => {
  it('is priced by the parts of the shelf that are made for its amps: a larger fuse guards nothing', () => {
    const priced = (changes: Changes, key: string) =>
      evaluate(sample({ ...changes, drive: { name: 'Motor' } }), shelf).list.rows.find((r) => r.key === key)
        ?.likely;
    const fuse = (fuseA: number) => priced({ cabling: { protection: 'fuse', fuseA } }, 'fuse');
    expect(fuse(30)).toMatchObject({ least: 5.2, most: 5.2 });
    expect(fuse(60)).toMatchObject({ least: 11, most: 11 });
    // Nobody sells one of 45 A here.
    expect(fuse(45)).toBeUndefined();
    const join = (how: 'switch' | 'combiner' | 'parallel', ratedA: number) =>
      priced({ second: { join: how, nominalV: 48, capacityAh: 10 }, joining: { ratedA } }, 'combiner');
    expect(join('combiner', 40)).toMatchObject({ least: 58, most: 96 });
    expect(join('combiner', 80)).toBeUndefined();
    expect(join('switch', 40)).toMatchObject({ least: 21, most: 21 });
    expect(join('parallel', 40)).toMatchObject({ least: 12, most: 12 });
    // What does not say its amps may be it.
    const open = shelf.map((p) => (p.type === 'fitting' ? { ...p, madeForA: null } : p));
    const any = evaluate(
      sample({ drive: { name: 'Motor' }, cabling: { protection: 'fuse', fuseA: 45 } }),
      open,
    ).list.rows;
    expect(any.find((r) => r.key === 'fuse')?.likely).toMatchObject({ least: 4.9, most: 11 });
  });
});
