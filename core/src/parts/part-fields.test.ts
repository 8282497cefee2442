import { describe, expect, it } from 'vitest';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { PART_TYPES } from '../document/part-types.ts';
import { sample } from '../test/sample.ts';
import { applyPart } from './apply-part.ts';
import { refreshed, staleValues } from './refresh-part.ts';
import { cellsOf, freshId, partFields, partFromCells } from './part-fields.ts';
import { part, type Part } from './part.ts';

const shelf = shelfFile.map((file) => part.parse(file));
const first = (type: Part['type']): Part => {
  const found = shelf.find((p) => p.type === type);
  if (found === undefined) throw new Error(type);
  return found;
};

describe('fields of a part', () => {
  it.each(PART_TYPES)('of type %s all have words of their own, and choices their options', (type) => {
    for (const { key, label, kind, options } of partFields(type)) {
      expect(label, key).not.toBe(key);
      if (kind === 'choice') expect(options.length, key).toBeGreaterThan(1);
    }
  });

  it.each(shelf.map((p) => [p.name, p] as const))('%s comes back from its texts unchanged', (_, one) => {
    expect(partFromCells(one.type, cellsOf(one))).toEqual({ ok: true, value: one });
  });

  it('that cannot be read are said by their key', () => {
    const read = partFromCells('ring', { ...cellsOf(first('ring')), teeth: 'many', massKg: '' });
    expect(read.ok).toBe(false);
    expect(read.ok ? [] : read.issues.map((i) => i.path).sort()).toEqual(['massKg', 'teeth']);
  });

  it('take a comma for a point, and nothing for not given', () => {
    const read = partFromCells('motor', { ...cellsOf(first('motor')), massKg: '3,4', overLocknutMm: '' });
    expect(read.ok && read.value).toMatchObject({ massKg: 3.4, overLocknutMm: null });
  });
});

describe('a fresh id', () => {
  it('is made from the name and is not taken', () => {
    expect(freshId('ring', 'Big Ring 52 T', [])).toBe('ring-big-ring-52-t');
    expect(freshId('ring', 'Big', ['ring-big', 'ring-big-2'])).toBe('ring-big-3');
  });
});

describe('a build and the shelf it was copied from', () => {
  const motor = first('motor');
  const build = applyPart(sample(), motor);

  it('agree after copying', () => {
    expect(staleValues(build, motor)).toEqual([]);
  });

  it('are not brought together in silence: the change is listed, and a refresh takes just that over', () => {
    const changed = part.parse({ ...motor, massKg: motor.massKg + 1 });
    expect(staleValues(build, changed)).toEqual([
      { path: 'drive.massKg', here: motor.massKg, shelf: motor.massKg + 1 },
    ]);
    const next = refreshed(build, changed);
    expect(next.drive.massKg).toEqual({ source: 'label', value: motor.massKg + 1 });
    expect({ ...next, drive: { ...next.drive, massKg: build.drive.massKg } }).toEqual(build);
  });

  it('leave alone what was measured here', () => {
    const measured = {
      ...build,
      drive: { ...build.drive, massKg: { source: 'measured' as const, value: 9 } },
    };
    expect(staleValues(measured, motor)).toEqual([]);
    expect(refreshed(measured, motor)).toEqual(measured);
  });
});

describe('the sample shelf', () => {
  // At least 8 hub motors, 5 mid-drives, 2 external drives, 12 rings and cog sets, 12 tyres, 10 donors.
  it('has enough of everything to choose from', () => {
    const count = (test: (p: Part) => boolean): number => shelf.filter(test).length;
    expect(count((p) => p.type === 'motor' && p.kind.endsWith('hub'))).toBeGreaterThanOrEqual(8);
    expect(count((p) => p.type === 'motor' && p.kind === 'mid-drive')).toBeGreaterThanOrEqual(5);
    expect(count((p) => p.type === 'motor' && p.kind === 'external')).toBeGreaterThanOrEqual(2);
    expect(count((p) => p.type === 'ring' || p.type === 'cogs')).toBeGreaterThanOrEqual(12);
    expect(count((p) => p.type === 'tyre')).toBeGreaterThanOrEqual(12);
    expect(count((p) => p.type === 'donor')).toBeGreaterThanOrEqual(10);
  });
});
