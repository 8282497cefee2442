import { describe, expect, it } from 'vitest';
import { knownBuild } from '../document/known.ts';
import { evaluate } from '../test/evaluate.ts';
import { sample, type Changes } from '../test/sample.ts';
import { lightsVerdict } from './lights.ts';

const passing = (
  passes: readonly ('rings' | 'pull-plug' | 'charge-plug')[],
  cabling: Changes['cabling'] = {},
) => evaluate(sample({ cabling: { ...cabling, passes: [...passes] }, pack: { nominalV: 48 } })).power;

describe('what else the current goes through', () => {
  it('is a link where the build says so, unknown until it is rated', () => {
    const linkOf = (id: string, power: ReturnType<typeof passing>) =>
      power.chain.links.find((l) => l.id === id);
    expect(linkOf('rings', passing([]))).toBeUndefined();
    expect(linkOf('rings', passing(['rings']))?.state).toBe('unknown');
    expect(linkOf('rings', passing(['rings'], { ringsA: 5 }))?.state).toBe('stop');
    expect(linkOf('pull-plug', passing(['pull-plug'], { pullPlugA: 200 }))?.state).toBe('fine');
  });

  it('is held against the charger where it is a charge plug', () => {
    const stateOf = (power: ReturnType<typeof passing>) =>
      power.checks.find((c) => c.id === 'charge-plug')?.state;
    expect(stateOf(passing([]))).toBeUndefined();
    expect(stateOf(passing(['charge-plug']))).toBe('unknown');
    const build = (chargePlugA: number) => {
      const one = sample({ cabling: { passes: ['charge-plug'], chargePlugA }, charger: { currentA: 4 } });
      return evaluate(one).power.checks.find((c) => c.id === 'charge-plug')?.state;
    };
    expect([build(5), build(3.5), build(2)]).toEqual(['fine', 'look', 'stop']);
  });
});

describe('lamps on cells of their own', () => {
  it('burn for what the cells hold, and it is not known how long until they are', () => {
    const lit = (supply: NonNullable<Changes['supply']>) => {
      const build = sample({ supply });
      const accessories = [{ name: 'lamp', volts: 12, watts: 6, onPct: 50, light: true }];
      return { ...build, supply: { ...build.supply, means: 'own-cells' as const, accessories } };
    };
    // 3 Ah at 7.2 V over 6 W.
    expect(lightsVerdict(lit({ ownAh: 3, ownV: 7.2 })).lightsLastH).toBeCloseTo(3.6, 9);
    const unknown = lit({});
    expect(knownBuild(unknown).supply.ownAh.source).toBe('unknown');
    expect(lightsVerdict(unknown).lightsLastH).toBeUndefined();
  });
});

describe('the controller’s cut-off and the board’s', () => {
  it('come in that order, or lamps go dark on the road (common practice)', () => {
    const stateAt = (boardCutoffV: number) =>
      evaluate(sample({ pack: { boardCutoffV }, controller: { lowVoltageCutoffV: 40 } })).power.checks.find(
        (c) => c.id === 'cutoff-order',
      )?.state;
    expect([stateAt(36), stateAt(39.8), stateAt(42)]).toEqual(['fine', 'look', 'stop']);
    expect(evaluate(sample()).power.checks.some((c) => c.id === 'cutoff-order')).toBe(false);
  });
});
