import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { withQuantity, withValues } from '../document/quantity-at.ts';
import { newBuild } from '../document/template.ts';
import { evaluate } from '../test/evaluate.ts';
import { sample } from '../test/sample.ts';

/** The build with a pack by its label; undefined is not read. */
const packed = (build: BuildDocument, volts: number, ah: number | undefined): BuildDocument =>
  withValues(build, 'packs.0', {
    nominalV: { source: 'label', value: volts },
    ...(ah === undefined ? {} : { capacityAh: { source: 'label', value: ah } }),
  });

describe('a build without a motor', () => {
  const fresh = newBuild('New build');
  const stateOf = (build: typeof fresh) =>
    Object.fromEntries(evaluate(build).figures.map((f) => [f.id, f.state]));

  it('promises neither hill nor range nor speed: a usual motor stands in, and is said', () => {
    for (const id of ['top-speed', 'hill', 'start', 'range', 'consumption', 'heat'])
      expect(stateOf(fresh)[id]).toBe('unknown');
    const hill = evaluate(fresh).figures.find((f) => f.id === 'hill');
    expect(hill?.condition).toEqual(['with a usual motor']);
    expect(hill?.working.leftOut[0]).toContain('No motor is chosen');
  });

  it('is judged once one is meant: by its name or by its label', () => {
    const named = { ...fresh, drive: { ...fresh.drive, name: 'Hub of the shed' } };
    const labelled = {
      ...fresh,
      drive: { ...fresh.drive, ratedPowerW: { source: 'label' as const, value: 500 } },
    };
    for (const build of [named, labelled].map((b) => packed(b, 48, 13)))
      expect(stateOf(build).range).not.toBe('unknown');
  });
});

describe('a build whose pack nobody has read', () => {
  const named = { ...newBuild('New build'), drive: { ...newBuild('Other').drive, name: 'Hub of the shed' } };
  const motor = (['nominalV', 'cellsInSeries', 'capacityAh'] as const).reduce<BuildDocument>(
    (build, key) => withQuantity(build, `packs.0.${key}`, { source: 'unknown' }),
    named,
  );
  const figure = (build: typeof motor, id: string) => evaluate(build).figures.find((f) => f.id === id);

  it('promises nothing while neither volts nor cells are known', () => {
    for (const id of ['top-speed', 'hill', 'start', 'range', 'consumption', 'heat'])
      expect(figure(motor, id), id).toMatchObject({ state: 'unknown', condition: ['with a usual pack'] });
  });

  it('promises no range while nobody knows what it holds; the hill asks for its volts alone', () => {
    const volts = packed(motor, 48, undefined);
    expect(figure(volts, 'range')).toMatchObject({ state: 'unknown', condition: ['with a usual pack'] });
    expect(figure(volts, 'range')?.working.leftOut[0]).toContain('What the pack holds');
    expect(figure(volts, 'hill')?.condition).not.toEqual(['with a usual pack']);
    expect(evaluate(volts).stages.find(({ id }) => id === 'range')).toMatchObject({ state: 'unknown' });
    expect(figure(packed(motor, 48, 13), 'range')?.state).not.toBe('unknown');
  });

  it('of cells asks how many stand side by side, and what one holds', () => {
    const cells = sample({
      drive: { kvRpmPerV: 40 },
      pack: { make: 'cells', cellsInSeries: 13 },
      cell: { capacityAh: 3 },
    });
    expect(figure(cells, 'range')?.state).toBe('unknown');
    const counted = withQuantity(cells, 'packs.0.cell.parallel', { source: 'label', value: 4 });
    expect(figure(counted, 'range')?.state).not.toBe('unknown');
  });
});
