import { describe, expect, it } from 'vitest';
import { knownBuild } from '../document/known.ts';
import { evaluate } from '../test/evaluate.ts';
import { sample } from '../test/sample.ts';
import { accessoryDraw, accessoryWatts } from './accessories.ts';
import { assemble } from './assemble.ts';

const lamp = { name: 'lamp', volts: 12, watts: 6, onPct: 50, light: true };
const build = (means: 'converter' | 'resistor' | 'own-cells' | 'unknown', one = lamp) =>
  sample({ pack: { nominalV: 48 }, supply: { means, accessories: [one], efficiencyPct: 80 } });
const draw = (means: Parameters<typeof build>[0], one = lamp) => {
  const b = build(means, one);
  return accessoryDraw(b, knownBuild(b), one);
};

describe('what an accessory takes from the pack', () => {
  it('through a converter is its watts over the efficiency: 6 / 0.8 = 7.5 W, 1.5 of it lost', () => {
    expect(draw('converter')).toMatchObject({ onW: 7.5, wastedW: 1.5 });
  });

  it('through a resistor is its amps at the pack’s volts: half an ampere at 48 V, 24 W, 18 of it lost', () => {
    expect(draw('resistor')).toMatchObject({ onW: 24, wastedW: 18 });
  });

  it('on the pack’s own volts is its watts, whatever feeds the others', () => {
    const horn = { ...lamp, volts: 0, watts: 20 };
    for (const means of ['converter', 'resistor', 'unknown'] as const)
      expect(draw(means, horn)).toMatchObject({ onW: 20, wastedW: 0 });
  });

  it('is nothing with cells of its own', () => {
    expect(draw('own-cells')).toMatchObject({ onW: 0 });
  });

  it('that stands above the pack’s volts is not made into energy out of nothing', () => {
    expect(draw('resistor', { ...lamp, volts: 120 }).onW).toBeGreaterThanOrEqual(6);
  });

  it('counts for the share of the ride that it is on, beside the controller’s standby', () => {
    const b = build('converter');
    expect(accessoryWatts(b, knownBuild(b))).toBeCloseTo(3.75, 9);
    const dark = sample({ pack: { nominalV: 48 } });
    expect(assemble(b).limits.standbyW).toBeCloseTo(assemble(dark).limits.standbyW + 3.75, 9);
  });

  it('makes the range shorter, never longer', () => {
    const km = (b: ReturnType<typeof sample>): number => {
      const { cruise } = evaluate(b).range;
      return cruise.holds ? cruise.metres : 0;
    };
    expect(km(build('converter'))).toBeLessThan(km(sample({ pack: { nominalV: 48 } })));
    expect(km(build('resistor'))).toBeLessThan(km(build('converter')));
  });
});
