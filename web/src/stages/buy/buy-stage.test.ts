// @vitest-environment happy-dom
import { fireEvent } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { NOTHING_SAID, withQuantity, type BuildDocument } from '@apple-cart/core';
import { courier, longtail, sample } from '@apple-cart/core/test';
import { useSettings } from '../../state/settings-store.ts';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();
// The Monday round which the orders of the demo stand.
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-03-02T10:00:00Z') });
  return () => vi.useRealTimers();
});

/** An amount of the ledger, in pounds; of a span its near end. */
const pounds = (work: AtWork, name: string): number =>
  Number(new RegExp(`${name}[^£−]*(−?)£([\\d,]+)`).exec(work.text)?.[2]?.replaceAll(',', ''));
const lineOf = (build: BuildDocument, key: string) => build.purchase.lines[key];

describe('the parts list', () => {
  it('sums what is owned, under way and still to buy; a price that is typed moves its sum', async () => {
    const work = await AtWork.at('buy list', longtail);
    const [owned, ordered, open] = ['Owned', 'Ordered or arrived', 'Still to buy'].map((name) =>
      pounds(work, name),
    ) as [number, number, number];
    const total = pounds(work, 'Total');
    expect(owned + ordered + open + pounds(work, 'Not priced yet') + pounds(work, 'Sending')).toBeCloseTo(
      total,
      -1,
    );
    await work.type(/^Price: Tallow 48-17/, '480');
    // Fifty pounds more than the 430 that stood there.
    expect(pounds(work, 'Still to buy')).toBe(open + 50);
    expect(pounds(work, 'Total')).toBe(total + 50);
    await work.type(/^Price: Tallow 48-17/, 'dear');
    expect(work.stands(/^Price: Tallow 48-17/)).toBe('dear');
    expect(lineOf(work.build, 'pack')?.price).toBe(480);
  });

  it('moves a thing from to buy to ordered, dated today, and on to fitted', async () => {
    const work = await AtWork.at('buy list', longtail);
    const open = pounds(work, 'Still to buy');
    await work.press(/^Ordered: Tallow 48-17/);
    expect(lineOf(work.build, 'pack')).toMatchObject({ state: 'ordered', orderedOn: '2026-03-02' });
    expect(pounds(work, 'Still to buy')).toBe(open - 430);
    await work.press(/^ordered: Tallow 48-17/);
    await work.pick('fitted');
    expect(lineOf(work.build, 'pack')).toMatchObject({ state: 'fitted', orderedOn: '2026-03-02' });
  });

  it('is worked through by letters and arrows, row by row', async () => {
    const work = await AtWork.at('buy list', longtail);
    const [fuse] = work.page.querySelectorAll<HTMLElement>('[data-state-of="fuse"]');
    if (fuse === undefined) throw new Error('no fuse');
    await work.do(() => fireEvent.keyDown(fuse, { key: 'a' }));
    expect(lineOf(work.build, 'fuse')?.state).toBe('arrived');
    await work.do(() => fireEvent.keyDown(fuse, { key: 'b' }));
    expect(lineOf(work.build, 'fuse')?.state).toBe('needed');
    fuse.focus();
    await work.do(() => fireEvent.keyDown(fuse, { key: 'ArrowDown' }));
    expect(document.activeElement?.getAttribute('data-state-of')).toBe('spare-fuse');
    await work.do(() => fireEvent.keyDown(document.activeElement ?? fuse, { key: 'ArrowUp' }));
    expect(document.activeElement?.getAttribute('data-state-of')).toBe('fuse');
  });

  it('asks why a thing is not needed, and counts it no more', async () => {
    const work = await AtWork.at('buy list', longtail);
    await work.press(/^to buy: Cable ties/);
    await work.pick('not needed');
    await work.type(/^Why it is not needed: Cable ties/, 'a drawer full');
    expect(lineOf(work.build, 'ties')).toMatchObject({ state: 'not-needed', reason: 'a drawer full' });
    await work.press(/^not needed \d/);
    expect(work.rows.filter((cells) => cells.some((cell) => cell.startsWith('Cable ties')))).toHaveLength(1);
  });

  it('takes a line by hand, with its price, and out again', async () => {
    const work = await AtWork.at('buy list', longtail);
    const open = pounds(work, 'Still to buy');
    await work.type('What else is needed', 'Orange flag on a pole');
    await work.press('Add a line');
    expect(work.build.purchase.added).toMatchObject([{ what: 'Orange flag on a pole' }]);
    await work.type('Price: Orange flag on a pole', '9');
    expect(pounds(work, 'Still to buy')).toBe(open + 9);
    await work.press('Take out: Orange flag on a pole');
    expect(work.build.purchase.added).toEqual([]);
  });

  it('keeps what was said of a part that the build asks for no more, and says so', async () => {
    const work = await AtWork.at('buy list', longtail);
    await work.press(/^Ordered: Chain for 8 cogs/);
    const hub = await AtWork.at('buy list', {
      ...work.build,
      drive: { ...work.build.drive, kind: 'geared-hub' },
    });
    expect(hub.text).toContain('Not asked for any more');
    expect(hub.text).toContain('the build asks for it no more');
  });

  it('says what comes in the box of another, and asks no price of it', async () => {
    const work = await AtWork.at('buy list', longtail);
    expect(work.row('Rail or cradle for the pack')).toContain('in the box');
    await work.choose('Rail or cradle for the pack', 'not in it');
    expect(work.row('Rail or cradle for the pack')).not.toContain('in the box');
  });

  it('asks what comes in the box only of a motor or pack that the list asks for', async () => {
    expect((await AtWork.at('buy list', longtail)).text).toContain('In the pack’s box');
    const [pack, ...others] = longtail.packs;
    const made = await AtWork.at('buy list', { ...longtail, packs: [{ ...pack, make: 'cells' }, ...others] });
    expect(made.text).not.toContain('In the pack’s box');
    expect(made.text).not.toContain('comes in the box of the pack');
  });

  it('holds the budget against the sum, and offers the cheapest ways back under it', async () => {
    const work = await AtWork.at('buy list', longtail);
    await work.type('Budget', '1500');
    expect(work.text).toMatch(/Over the budget £58/);
    // The tally of what was tried, and a way that saves something or none that keeps what the brief asks.
    await work.press('Look on the shelf');
    expect(work.text).toMatch(/The cheapest of \d+ tried|None of \d+ tried/);
    const before = pounds(work, 'Total');
    const [take] = work.page.querySelectorAll<HTMLElement>('button[aria-label^="Take:"]');
    if (take !== undefined) {
      await work.do(() => fireEvent.click(take));
      expect(pounds(work, 'Total')).toBeLessThan(before);
    }
  });
});

describe('the line’s own panel', () => {
  it('says why it is there, whether it fits and what the shelf has', async () => {
    const work = await AtWork.at('buy list', longtail);
    await work.press(/^each pack is charged by its own/);
    expect(work.text).toContain('Fits together?');
    expect(work.text).toContain('Charger’s volts against the pack');
    expect(work.text).toContain('On the shelf');
  });

  it('holds the plugs of its own pack together, where there are several', async () => {
    const second = { name: 'Rear box', join: 'switch', nominalV: 48, cellsInSeries: 13 } as const;
    const two = sample({ drive: { name: 'Hub' }, pack: { name: 'Front box' }, second });
    const work = await AtWork.at('buy list', two);
    const chargers = [...work.page.querySelectorAll('button')].filter((button) =>
      button.textContent.startsWith('each pack is charged by its own'),
    );
    const last = chargers.at(-1);
    if (chargers.length !== 2 || last === undefined) throw new Error('two chargers');
    await work.do(() => fireEvent.click(last));
    expect(work.text).toContain('P4, charging');
    expect(work.text).not.toContain('P2, charging');
  });
});

describe('a part that does not fit', () => {
  const wrong = withQuantity(longtail, 'packs.0.charger.volts', { source: 'label', value: 58.8 });

  it('is marked on the list and on the paper that goes to the shop', async () => {
    const screen = await AtWork.at('buy list', wrong);
    expect(screen.text).toMatch(/Not as it stands: Charger’s volts against the pack\. 13 in series/);
    const needed = { ...wrong.purchase.lines, charger: { ...wrong.purchase.lines['charger'] } };
    const bought = {
      ...wrong,
      purchase: {
        ...wrong.purchase,
        lines: { ...needed, charger: { ...needed.charger, state: 'needed' } },
      },
    } as BuildDocument;
    const paper = await AtWork.at('print shopping-list', bought);
    expect(paper.text).toMatch(/Brayfield 54-4, ends at 58\.8 V.*Not as it stands: Charger’s volts/);
    const sound = await AtWork.at('print shopping-list', longtail);
    expect(sound.text).not.toContain('Not as it stands');
  });

  it('opens its group, of which nothing is to be bought', async () => {
    const work = await AtWork.at(
      'buy list',
      withQuantity(longtail, 'donor.shellWidthMm', { source: 'measured', value: 120 }),
    );
    expect(work.text).toMatch(/Not as it stands: Shell/);
  });
});

describe('what the list comes to', () => {
  /** A fuse at 25 and grease without a price, both from one shop that sends for 6. */
  const two = {
    ...longtail,
    purchase: {
      ...longtail.purchase,
      lines: {
        ...longtail.purchase.lines,
        fuse: { ...NOTHING_SAID, state: 'needed', price: 25, supplier: 'Thistle' },
        grease: { ...NOTHING_SAID, state: 'needed', supplier: 'Thistle' },
      },
      suppliers: { Thistle: { shipping: 6 } },
    },
  } as BuildDocument;

  it('stands after each line, as at least that much where a price was missing on the way', async () => {
    const { page } = await AtWork.at('buy list', two);
    const [first] = page.querySelectorAll('[data-so-far]');
    expect(first?.textContent).toMatch(/^so far = /);
    expect(page.querySelector('[data-line=grease] [data-so-far]')?.textContent).toMatch(
      /^so far at least ≥ /,
    );
  });

  it('stands on paper by supplier, with the sending, and goes with the prices', async () => {
    const paper = await AtWork.at('print shopping-list', two);
    const at = paper.page.querySelector('[aria-label=Thistle]');
    expect(at?.textContent).toMatch(/At least, 1 of 2 lines without a price, \D?6\.00 for sending\D?31\.00$/);
    await paper.press('Without prices');
    expect(at?.textContent).not.toMatch(/31\.00|so far/);
  });
});

describe('when it can be ridden', () => {
  it('begins with the day, and moves with the days of what decides', async () => {
    const work = await AtWork.at('buy when', longtail);
    const day = (): string => /Earliest riding day (\d+ \w+)/.exec(work.text)?.[1] ?? '';
    const before = day();
    expect(before).not.toBe('');
    expect(work.text).toMatch(/Tallow 48-17 comes21 days/);
    const list = await AtWork.at('buy list', work.build);
    await list.type(/^Days to come: Tallow 48-17/, '40');
    const later = await AtWork.at('buy when', list.build);
    const dayOf = (text: string): number => Date.parse(`${text} 2026`);
    expect(dayOf(/Earliest riding day (\d+ \w+)/.exec(later.text)?.[1] ?? '')).toBeGreaterThan(dayOf(before));
  });

  it('learns the hours that work took', async () => {
    const work = await AtWork.at('buy when', longtail);
    const took = work.page.querySelectorAll<HTMLInputElement>('input[placeholder="–"]');
    expect(took.length).toBeGreaterThan(5);
  });
});

describe('against ready-made, and what it costs to run', () => {
  it('divides price by watt-hours on both sides', async () => {
    const work = await AtWork.at('buy ready', longtail);
    await work.type('Ready-made: Price', '2000');
    await work.type('Ready-made: Energy of its pack', '500');
    expect(work.row('A watt-hour')[0]).toBe('£4.00');
    await work.type('Ready-made: Energy of its pack', '');
    expect(work.row('A watt-hour')[0]).toMatch(/^[?–]/);
  });

  it('counts energy by the meter in the wall: more per kilowatt-hour costs in proportion', async () => {
    const work = await AtWork.at('buy running', longtail);
    const energy = (): number => Number(/£([\d.]+)/.exec(work.row('Energy from the wall')[0] ?? '')?.[1]);
    // 1,120 Wh for a hundred kilometres at £0.28.
    expect(energy()).toBeCloseTo(1.12 * 0.28, 2);
    await work.type('A kilowatt-hour', '0.56');
    expect(energy()).toBeCloseTo(1.12 * 0.56, 2);
    await work.type('Kilometres a year', '5200');
    expect(work.text).toMatch(/Paid for itself/);
  });

  it('speak of miles to whoever reads miles: typed, kept in kilometres, and told by the mile', async () => {
    const metric = await AtWork.at('buy running', longtail);
    const perKm = Number(/£([\d.]+)/.exec(metric.row('Energy from the wall')[0] ?? '')?.[1]);
    useSettings.setState({ units: 'imperial' });
    const work = await AtWork.at('buy running', longtail);
    expect(Number(/£([\d.]+)/.exec(work.row('Energy from the wall')[0] ?? '')?.[1]) / perKm).toBeCloseTo(
      1.609344,
      1,
    );
    // 2,600 km.
    expect(work.stands('Miles a year')).toBe('1616');
    await work.type('Miles a year', '3000');
    expect(work.build.running.kmPerYear).toBeCloseTo(3000 * 1.609344, 6);
    expect(work.stands('Miles a year')).toBe('3000');
    await work.type('Car or bus instead, a mile', '0.5');
    expect(work.build.running.insteadPerKm).toBeCloseTo(0.5 / 1.609344, 9);
    expect(work.text).not.toMatch(/\bkm\b|ilomet/);
    const ready = await AtWork.at('buy ready', longtail);
    await ready.type('Ready-made: Mass', '60');
    expect(ready.build.readyMade.massKg).toBeCloseTo(60 * 0.45359237, 9);
    expect(ready.text).toContain('A mile of range');
    expect(ready.text).not.toMatch(/\bk[mg]\b|ilomet/);
    useSettings.setState({ units: 'metric' });
  });

  it('are told for a machine without prices, and pretend none', async () => {
    const bare = { ...courier, purchase: { ...courier.purchase, lines: {} } };
    for (const view of ['buy ready', 'buy running']) {
      const work = await AtWork.at(view, bare);
      expect(work.text, view).not.toMatch(/NaN|£0 to £0|undefined/);
    }
  });
});
