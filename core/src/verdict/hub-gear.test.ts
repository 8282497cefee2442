import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { shippedRules } from '../law/rules.ts';
import { evaluate } from './evaluate.ts';
import { courier } from '../test/demo.ts';

// With its whole load it climbs in the lowest.
const { brief } = courier;
const light: BuildDocument = {
  ...courier,
  brief: {
    ...brief,
    loadMassKg: { value: 20, source: 'measured' },
  },
};
const { hill, figures, study } = evaluate(light, shippedRules());
const { climb } = hill;
if (!climb.climbs) throw new Error('the kiln courier does not climb');
const { gears } = study.machine;
const used = gears.find((g) => g.hubGear === climb.hubGear);

describe('a mid-drive before a hub gear, where every gear has the same cog', () => {
  it('climbs in another gear than the lowest', () => {
    expect(new Set(gears.map((g) => g.cogTeeth)).size).toBe(1);
    expect(climb.hubGear).toBeGreaterThan(1);
  });

  it('shows the working of the gear it climbs in, and says which that is', () => {
    const steps = figures.find((f) => f.id === 'hill')?.working.steps ?? [];
    expect(steps.find((s) => s.symbol === 'n')?.value).toBeCloseTo(used?.motorRatio ?? NaN, 9);
    expect(steps.find((s) => s.symbol === 'hub')?.value).toBe(climb.hubGear);
  });

  it('draws the gears beside the one in use, not those beside the lowest', () => {
    const at = gears.findIndex((g) => g.hubGear === climb.hubGear);
    const beside = gears.filter((_, i) => i === at || Math.abs(i - at) === 2).map((g) => g.hubGear);
    expect(hill.curves.others.map((o) => o.hubGear)).toEqual(beside);
    expect(hill.curves.held.every((p) => p.hubGear !== null)).toBe(true);
  });
});
