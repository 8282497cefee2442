import { describe, expect, it } from 'vitest';
import { quantityAt, withQuantity, newBuild, fileName } from '@apple-cart/core';
import { differences } from './differences.ts';
import { withSection } from './paths.ts';
import { verdictOf } from './verdicts.ts';

const build = newBuild('Build');

describe('paths', () => {
  it('read and replace one quantity and share everything else', () => {
    const next = withQuantity(build, 'pack.capacityAh', { source: 'measured', value: 20 });
    expect(quantityAt(next, 'pack.capacityAh')).toEqual({ source: 'measured', value: 20 });
    expect(next.brief).toBe(build.brief);
    expect(quantityAt(build, 'pack.capacityAh')).not.toEqual(quantityAt(next, 'pack.capacityAh'));
    expect(() => quantityAt(build, 'pack.colour' as never)).toThrow(TypeError);
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
      withQuantity(build, 'pack.capacityAh', { source: 'measured', value: 20 }),
      'controls',
      {
        throttle: 'full',
      },
    );
    expect(differences(build, { ...other, name: 'Other' })).toEqual([
      'Capacity',
      'name',
      'controls: throttle',
    ]);
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
