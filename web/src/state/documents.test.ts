import { describe, expect, it } from 'vitest';
import { quantityAt, withFurtherPack, withValues, withQuantity, newBuild, fileName } from '@apple-cart/core';
import { differences } from './differences.ts';
import { withSection } from './paths.ts';
import { verdictOf } from './verdicts.ts';

const build = newBuild('Build');

describe('paths', () => {
  it('read and replace one quantity and share everything else', () => {
    const next = withQuantity(build, 'packs.0.capacityAh', { source: 'measured', value: 20 });
    expect(quantityAt(next, 'packs.0.capacityAh')).toEqual({ source: 'measured', value: 20 });
    expect(next.brief).toBe(build.brief);
    expect(quantityAt(build, 'packs.0.capacityAh')).not.toEqual(quantityAt(next, 'packs.0.capacityAh'));
    expect(() => quantityAt(build, 'packs.0.colour' as never)).toThrow(TypeError);
  });

  it('replace some keys of a section', () => {
    expect(withSection(build, 'brief', { place: 'us' }).brief).toEqual({ ...build.brief, place: 'us' });
  });
});

describe('differences', () => {
  it('are none between equal documents', () => {
    expect(differences(build, JSON.parse(JSON.stringify(build)) as typeof build)).toEqual([]);
  });

  it('are named by label, or by path where there is no label', () => {
    const other = withSection(
      withQuantity(build, 'packs.0.capacityAh', { source: 'measured', value: 20 }),
      'controls',
      {
        throttle: 'full',
      },
    );
    const donor = { ...other.donor, frameMaterial: 'carbon' as const };
    expect(differences(build, { ...other, donor, name: 'Other' })).toEqual([
      'Capacity',
      'name',
      'donor: frame material',
      'controls: throttle',
    ]);
  });

  it('of packs are named by which pack they are of, and a pack more is one difference', () => {
    const two = withFurtherPack(build);
    expect(differences(build, two)).toEqual(['pack 2']);
    const other = withValues(two, 'packs.1', { boxes: [{ place: 'free', at: null }] });
    const more = withQuantity(other, 'packs.1.capacityAh', { source: 'measured', value: 20 });
    expect(differences(two, more)).toEqual(['pack 2: Capacity', 'pack 2: boxes']);
  });
});

describe('verdicts', () => {
  it('are worked out once a document', () => {
    expect(verdictOf(build)).toBe(verdictOf(build));
    expect(verdictOf({ ...build })).not.toBe(verdictOf(build));
  });
});

describe('fileName', () => {
  it('is safe everywhere', () => {
    expect(fileName('Nurse’s tourer / 2', 'json')).toBe('nurse-s-tourer-2.json');
    expect(fileName('…', 'csv')).toBe('apple-cart.csv');
  });
});
