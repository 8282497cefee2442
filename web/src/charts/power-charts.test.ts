import { describe, expect, it } from 'vitest';
import { chargePlan, newBuild, twoPackStudy, type BuildDocument } from '@apple-cart/core';
import { NAMED_INK as INK } from '../test/ink.ts';
import { words } from '../test/options.ts';
import { chargeChart } from './charge-chart.ts';
import { shareChart } from './share-chart.ts';

const label = (value: number) => ({ source: 'label' as const, value });
const build = (): BuildDocument => {
  const base = newBuild('Lantern round');
  return { ...base, charger: { ...base.charger, volts: label(54.6), currentA: label(4) } };
};
type Series = {
  readonly type?: string;
  readonly data?: readonly (readonly number[])[];
  readonly label?: { readonly formatter?: string };
};
const seriesOf = (option: { series?: unknown }): readonly Series[] => option.series as readonly Series[];
const axis = (option: { yAxis?: unknown }) => option.yAxis as { readonly min: number; readonly max: number };

describe('the chart of a charge', () => {
  const plan = chargePlan(build());
  const option = chargeChart(plan, INK);

  it('holds the charger’s amps until the volts are reached, then lets them fall', () => {
    const amps = seriesOf(option).find((s) => s.type === 'line' && s.data?.[0]?.[1] === 4)?.data ?? [];
    expect(amps.length).toBeGreaterThan(100);
    expect(amps.at(-1)?.[1]).toBeLessThan(4);
    expect(words(option)).toContain('Volts reached: the amps fall');
    expect(words(option)).toContain('85 %');
  });

  it('has room above the highest amps', () => {
    expect(axis(option).max).toBeGreaterThan(4);
  });

  it('is empty paper where the charger ends before the pack is full', () => {
    const base = build();
    const short = chargePlan({ ...base, charger: { ...base.charger, volts: label(45) } });
    expect(short.run.arrives).toBe(false);
    expect(words(chargeChart(short, INK))).not.toContain('Volts reached');
  });
});

describe('the chart of two packs', () => {
  const two = (join: 'combiner' | 'parallel', cells: number): BuildDocument => {
    const base = build();
    return {
      ...base,
      second: {
        ...base.second,
        join,
        cellsInSeries: label(cells),
        capacityAh: label(8),
        chargedPct: label(100),
      },
    };
  };

  it('names both packs and starts at nought where neither is charged by the other', () => {
    const study = twoPackStudy(two('combiner', 14));
    if (study?.sharing === undefined) throw new Error('no sharing');
    const option = shareChart(study.sharing, ['Frame', 'Rack'], INK);
    expect(words(option)).toContain('Frame');
    expect(words(option)).toContain('Rack');
    expect(axis(option).min).toBe(0);
  });

  it('goes below nought where one charges the other', () => {
    const study = twoPackStudy(two('parallel', 14));
    if (study?.sharing === undefined) throw new Error('no sharing');
    expect(Math.min(...study.sharing.steps.map((s) => s.firstA))).toBeLessThan(0);
    expect(axis(shareChart(study.sharing, ['Frame', 'Rack'], INK)).min).toBeLessThan(0);
  });
});
