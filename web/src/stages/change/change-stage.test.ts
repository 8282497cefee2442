// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import { withQuantity, type BuildDocument, type QuantityPath } from '@apple-cart/core';
import { longtail } from '@apple-cart/core/test';
import { useSearchAsked } from '../../state/search-asked.ts';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';
import { useSearches } from '../../work/shelf-search.ts';

showsPages();

const unread = (build: BuildDocument, ...paths: readonly QuantityPath[]): BuildDocument =>
  paths.reduce((b, path) => withQuantity(b, path, { source: 'unknown' }), build);
/** The words of a row of the steps: what is changed, what goes with it, and its cells. */
const stepOf = (work: AtWork, what: string): string =>
  work.rows.find((cells) => cells.some((cell) => cell.startsWith(what)))?.join(' | ') ?? '';

describe('what a step would gain', () => {
  it('is told from what was read to what is bought', async () => {
    const work = await AtWork.at('change gain', longtail);
    await work.press(/^Show all/);
    expect(stepOf(work, 'Controller 22 to 30 A')).toContain('Marl 30');
    expect(work.text).not.toContain('Yours is not known');
    expect(work.text).not.toContain('with a usual');
    expect(stepOf(work, 'One more pack')).toContain('Then to be found out: ');
  });

  it('is held against a default where nobody has read what is in hand, and says so', async () => {
    const work = await AtWork.at('change gain', unread(longtail, 'controller.batteryCurrentA'));
    await work.press(/^Show all/);
    const row = stepOf(work, 'Controller to 30 A');
    expect(row).toMatch(/Yours is not known: the gain is over \d+ A, by a default/);
    expect(work.text).not.toMatch(/Controller \d+ to/);
  });

  it('is free only where the price of all that it needs is known', async () => {
    const fused = withQuantity(
      withQuantity(longtail, 'cabling.fuseA', { source: 'label', value: 22 }),
      'cabling.fuseV',
      { source: 'label', value: 80 },
    );
    const build: BuildDocument = {
      ...fused,
      cabling: { ...fused.cabling, protection: 'breaker' },
      purchase: { ...longtail.purchase, lines: {} },
    };
    const work = await AtWork.at('change gain', build);
    const row = stepOf(work, 'Current limit 22 to 25 A');
    expect(row).toContain('breaker 25 A');
    expect(row).toMatch(/1 unpriced.*not known/);
    expect(row).not.toContain('free');
    expect(work.text).not.toMatch(/Current limit 22 to 25 A(: free| is free)/);
  });

  it('says by how much the list is over the budget', async () => {
    const over = { ...longtail, money: { ...longtail.money, budget: 100 } };
    expect((await AtWork.at('change gain', over)).text).toMatch(/Over the budget £[\d,]+/);
    const within = { ...longtail, money: { ...longtail.money, budget: 90_000 } };
    expect((await AtWork.at('change gain', within)).text).toMatch(/Budget left £[\d,]+/);
  });

  it('names what stands in beside the figures that it makes', async () => {
    const work = await AtWork.at(
      'change gain',
      unread(longtail, 'packs.0.nominalV', 'packs.0.cellsInSeries'),
    );
    expect(work.text).toMatch(/Top speed ?with a usual pack/);
    const moves = await AtWork.at(
      'change moves',
      unread(longtail, 'packs.0.nominalV', 'packs.0.cellsInSeries'),
    );
    expect(moves.text).toContain('km/h now, with a usual pack');
  });
});

describe('searching the shelf', () => {
  const searched = async (build: BuildDocument, ...ticks: readonly RegExp[]): Promise<AtWork> => {
    useSearches.setState({ searches: {} });
    useSearchAsked.setState({ asked: {} });
    const work = await AtWork.at('change search', build);
    for (const tick of ticks) await work.tick(tick);
    await work.press('Search the shelf');
    await vi.waitFor(() => {
      expect(work.text).toContain('on the front');
    }, 60_000);
    return work;
  };

  it('says of what it keeps that nobody has read it, in the build in hand and in every finalist', async () => {
    const pack = unread(longtail, 'packs.0.nominalV', 'packs.0.cellsInSeries');
    const work = await searched(pack, /^Pack/, /^Ring and cogs/);
    expect(work.text).toMatch(/Pack ?nobody has read it: a usual one/);
    const rows = work.rows.filter((cells) => cells.length > 8).slice(1);
    expect(rows.length).toBeGreaterThan(1);
    for (const [, name] of rows) expect(name).toContain('with a usual pack');
  });

  it('says that the heat decides, and what cures it, where nothing strong enough bears the hill', async () => {
    const work = await searched(longtail);
    expect(work.text).toMatch(/None stand: all \d+ that are strong enough get too hot on the hill/);
    expect(work.text).toContain('Let ring and cogs change');
  });

  it('keeps what was read without a word', async () => {
    const work = await searched(longtail, /^Pack/);
    expect(work.text).toMatch(/Pack ?kept/);
    expect(work.text).not.toContain('with a usual');
  });
});

describe('what moves it most', () => {
  const moved = async (build: BuildDocument, label: string): Promise<string> => {
    const work = await AtWork.at('change moves', build);
    return work.rows.find((cells) => cells[0]?.startsWith(label))?.[0] ?? '';
  };

  it.each([
    {
      path: 'controller.batteryCurrentA',
      label: 'Battery current limit',
      how: 'as far as that is usually off',
    },
    {
      path: 'gearing.ringTeeth',
      label: 'Chainring',
      how: 'nobody has read it, and it may be further off',
    },
  ] as const)('says of what nobody has read how far it may be off: $label', async ({ path, label, how }) => {
    expect(await moved(unread(longtail, path), label)).toContain(how);
    expect(await moved(longtail, label)).not.toContain('of a default');
  });
});
