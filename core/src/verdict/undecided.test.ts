import { describe, expect, it } from 'vitest';
import { newBuild } from '../document/template.ts';
import { evaluate } from '../test/evaluate.ts';

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
    for (const build of [named, labelled]) expect(stateOf(build).range).not.toBe('unknown');
  });
});
