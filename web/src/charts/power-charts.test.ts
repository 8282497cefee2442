import { describe, expect, it } from 'vitest';
import {
  chargePlan,
  newBuild,
  packsStudy,
  withFurtherPack,
  withValues,
  type BuildDocument,
} from '@apple-cart/core';
import { NAMED_INK as INK } from '../test/ink.ts';
import { words } from '../test/options.ts';
import { chargeChart } from './charge-chart.ts';
import { shareChart } from './share-chart.ts';

const label = (value: number) => ({ source: 'label' as const, value });
const build = (): BuildDocument => {
  const base = newBuild('Lantern round');
  return withValues(base, 'packs.0.charger', { volts: label(54.6), currentA: label(4) });
};
type Series = {
  readonly type?: string;
  readonly data?: readonly (readonly number[])[];
  readonly label?: { readonly formatter?: string };
};
const seriesOf = (option: { series?: unknown }): readonly Series[] => option.series as readonly Series[];
const axis = (option: { yAxis?: unknown }) => option.yAxis as { readonly min: number; readonly max: number };

describe('the chart of a charge', () => {
  const shownOf = ({ run, to85 }: ReturnType<typeof chargePlan>) => {
    if (!run.arrives && run.endsAt === undefined) throw new Error('such a charge is not drawn');
    return chargeChart(run, to85, INK);
  };
  const option = shownOf(chargePlan(build()));

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

  it('ends where the charger does, if that is before the pack is full', () => {
    const charger = { volts: label(50) };
    const short = chargePlan(withValues(build(), 'packs.0.charger', charger));
    expect(short.run.arrives).toBe(false);
    const drawn = shownOf(short);
    expect(words(drawn)).toContain('charge, from empty');
    const amps = seriesOf(drawn).find((s) => s.type === 'line' && s.data?.[0]?.[1] === 4)?.data ?? [];
    // 50 V rest on 13 cells are 3.85 V each: about two thirds of 200 steps.
    expect(amps.length).toBeGreaterThan(100);
    expect(amps.length).toBeLessThan(150);
    expect(Math.min(...amps.map(([, a = 0]) => a))).toBeGreaterThan(0);
  });
});

describe('the chart of several packs', () => {
  const two = (join: 'combiner' | 'parallel', cells: number): BuildDocument => {
    const two_ = withFurtherPack(build());
    const second = { cellsInSeries: label(cells), capacityAh: label(8), chargeLimitPct: label(100) };
    return { ...withValues(two_, 'packs.1', second), joining: { ...two_.joining, how: join } };
  };

  it('names both packs and starts at nought where neither is charged by the other', () => {
    const study = packsStudy(two('combiner', 14));
    if (study?.sharing === undefined) throw new Error('no sharing');
    const option = shareChart(study.sharing, ['Frame', 'Rack'], INK);
    expect(words(option)).toContain('Frame');
    expect(words(option)).toContain('Rack');
    expect(axis(option).min).toBe(0);
  });

  it('has a line and a name for each of four', () => {
    const four = withFurtherPack(withFurtherPack(two('combiner', 14)));
    const study = packsStudy(four);
    if (study?.sharing === undefined) throw new Error('no sharing');
    const names = ['Frame', 'Rack', 'Box', 'Spare'];
    const option = shareChart(study.sharing, names, INK);
    for (const name of names) expect(words(option)).toContain(name);
    expect(study.packs).toHaveLength(4);
  });

  it('goes below nought where one charges the other', () => {
    const study = packsStudy(two('parallel', 14));
    if (study?.sharing === undefined) throw new Error('no sharing');
    expect(Math.min(...study.sharing.steps.map((s) => s.amps[0] ?? 0))).toBeLessThan(0);
    expect(axis(shareChart(study.sharing, ['Frame', 'Rack'], INK)).min).toBeLessThan(0);
  });
});
