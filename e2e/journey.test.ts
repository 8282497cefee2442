import type { Page } from 'puppeteer-core';
import { beforeEach, describe, expect, it } from 'vitest';
import { settled, type Watch } from './browser.ts';
import {
  chooseFrom,
  chooseItem,
  figureBecomes,
  figureLeaves,
  figureText,
  quiet,
  kept,
  openBuild,
  stageWords,
  typeInto,
  says,
} from './hands.ts';
import { stand } from './stand.ts';

const bench = stand();
let page: Page & Watch;

beforeEach(async () => {
  page = await bench.open();
});

const home = async (): Promise<void> => {
  await page.goto(bench.application.url);
  await settled(page, '[data-judged]');
};

describe('the builds page', () => {
  it('shows the five sample builds with drawing, state and figures', async () => {
    await home();
    const cards = await page.$$eval('[data-build]', (all) =>
      all.map((card) => ({
        name: card.getAttribute('data-build'),
        drawn: card.querySelectorAll('svg path').length,
        text: card.textContent,
      })),
    );
    expect(cards.map((c) => c.name)).toEqual([
      'Kiln courier',
      'District nurse’s tourer',
      'Orchard longtail',
      'Choir tandem',
      'Tide-flat trike',
    ]);
    for (const card of cards) {
      expect(card.drawn).toBeGreaterThan(20);
      expect(card.text).toMatch(/Test hill\d+\.\d km\/h/);
      // With what is guessed of it: the shelf has been read.
      expect(card.text).toMatch(/Price£\d/);
      expect(card.text).not.toMatch(/£[\d,]+\+/);
    }
    // A level road would be only just enough; the one that was chosen is not to be ridden so, and the tray says the same.
    await says(page, '[data-build="Tide-flat trike"]', 'Range: too hot on Tide causeway, winter');
    await openBuild(page, bench.application, 'Tide-flat trike', 'brief');
    await figureBecomes(page, 'range', /too hot on Tide causeway, winter/);
    await figureBecomes(page, 'price', /£801–917/);
    expect(cards.at(-1)?.text).toContain('Price£801–917');
  });
});

describe('reading the tray of the demo build', () => {
  it('says class, speed, hill, range, hottest winding, weakest link, mass and price', async () => {
    await openBuild(page, bench.application, 'Orchard longtail', 'hill');
    expect(await figureText(page, 'class')).toContain('Cannot tell');
    expect(await figureText(page, 'hill')).toMatch(/1[2-7]\.\d\s*km\/h/);
    expect(await figureText(page, 'range')).toMatch(/\d+–\d+\s*km/);
    // The shelf guesses what has no price once it has been read.
    await page.waitForFunction(() => document.body.textContent.includes('£1,558–1,573'));
    expect(await figureText(page, 'price')).toContain('3 without a price');
    expect(await page.$$('[data-figure]')).toHaveLength(8);
  });

  it('opens the working of a figure, complete with formula, sources and what is left out', async () => {
    await openBuild(page, bench.application, 'Orchard longtail', 'hill');
    await page.click('[data-figure=hill]');
    await page.waitForSelector('[role=dialog]');
    const text = await page.$eval('[role=dialog]', (d) => d.textContent);
    for (const part of [
      'Formula',
      'Put in',
      'Worked out',
      'Sources',
      'Left out',
      'Kt I - Th',
      'ISO 2533',
      'measured',
    ]) {
      expect(text).toContain(part);
    }
    await page.keyboard.press('Escape');
    await page.waitForSelector('[role=dialog]', { hidden: true });
  });

  it('draws the hill as a chart that can be read as a table', async () => {
    await openBuild(page, bench.application, 'Orchard longtail', 'hill');
    await page.waitForSelector('[data-chart] svg');
    const label = await page.$eval('[data-chart]', (c) => c.getAttribute('aria-label'));
    expect(label).toContain('Crate Lane');
    await page.evaluate(() => {
      [...document.querySelectorAll('button')].find((b) => b.textContent === 'Table')?.click();
    });
    await page.waitForSelector('main table td');
    await says(page, 'main', 'battery current');
  });
});

describe('changing the build', () => {
  it('a larger chainring and fewer amps: the hill gets slower in the tray, with the difference from the pin', async () => {
    await openBuild(page, bench.application, 'Orchard longtail', 'hill');
    const before = Number.parseFloat(await figureText(page, 'hill').then((t) => t.replace('Test hill', '')));
    await page.click('button[aria-pressed]');
    await typeInto(page, 'controller.batteryCurrentA', '14');
    const slower = Number.parseFloat(
      (await figureBecomes(page, 'hill', /−\d\.\d.*from pin/)).replace('Test hill', ''),
    );
    expect(slower).toBeLessThan(before - 1);
    await typeInto(page, 'gearing.ringTeeth', '50');
    await figureBecomes(page, 'heat', /from pin|Stalls/);
  });

  it('undo takes each change back, over the whole build, and redo brings it again', async () => {
    await openBuild(page, bench.application, 'Choir tandem', 'hill');
    await quiet(page);
    const before = await figureText(page, 'hill');
    await typeInto(page, 'brief.riderMassKg', '190', true, 'pasted');
    const heavier = await figureLeaves(page, 'hill', before);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await figureBecomes(page, 'hill', before);
    await page.click('button[aria-label=Redo]');
    await figureBecomes(page, 'hill', heavier);
    await page.click('button[aria-label=Undo]');
    await figureBecomes(page, 'hill', before);
    await kept(page);
  });

  it('another rating and another place change the class, clause by clause', async () => {
    await openBuild(page, bench.application, 'Orchard longtail', 'law');
    await typeInto(page, 'drive.ratedPowerW', '250');
    await page.waitForFunction(() =>
      document.querySelector('[data-testid=stamp]')?.textContent.includes('Check'),
    );
    await typeInto(page, 'drive.ratedPowerW', '750');
    await page.waitForFunction(() =>
      document.querySelector('[data-testid=stamp]')?.textContent.includes('Outside'),
    );
    expect(await figureText(page, 'class')).toContain('Motor vehicle');
    expect(await stageWords(page, 'law')).toContain('outside by 1');
    await chooseFrom(page, 'Great Britain', 'European Union');
    await page.waitForFunction(() =>
      document.querySelector('[data-figure=class]')?.textContent.includes('L1e-A'),
    );
    await says(page, 'main', 'planning aid, not legal advice');
  });

  it('keeps what cannot be used in the field, says why, and goes on with the last good value', async () => {
    await openBuild(page, bench.application, 'Tide-flat trike', 'hill');
    const before = await figureText(page, 'hill');
    await typeInto(page, 'brief.riderMassKg', 'heavy', false);
    await page.keyboard.press('Tab');
    const field = await page.$eval('[data-field="brief.riderMassKg"]', (f) => ({
      text: f.textContent,
      value: f.querySelector('input')?.value,
      invalid: f.querySelector('input')?.getAttribute('aria-invalid'),
    }));
    expect(field).toMatchObject({ value: 'heavy', invalid: 'true' });
    expect(field.text).toContain('Not a number');
    expect(await figureText(page, 'hill')).toBe(before);
    // It stays through a walk to another stage, until it is mended or dropped.
    await page.click('[data-stage=range]');
    await page.waitForFunction(() => document.querySelector('main h1')?.textContent === 'Range');
    await page.click('[data-stage=hill]');
    await page.waitForSelector('[data-field="brief.riderMassKg"] input');
    const value = () => page.$eval('[data-field="brief.riderMassKg"] input', (i) => i.value);
    expect(await value()).toBe('heavy');
    await typeInto(page, 'brief.riderMassKg', '120');
    await figureLeaves(page, 'hill', before);
    await page.keyboard.press('Escape');
    await figureBecomes(page, 'hill', before);
    expect(await value()).toBe('84');
    // 500 passes through 50 on the way; neither is used.
    await typeInto(page, 'brief.riderMassKg', '500', false);
    await figureBecomes(page, 'hill', before);
    expect(await value()).toBe('500');
  });

  it('converts what is typed with a unit, and shows the reader’s own', async () => {
    await openBuild(page, bench.application, 'Tide-flat trike', 'brief');
    await typeInto(page, 'brief.cruiseSpeedKmh', '10 mph');
    await page.keyboard.press('Tab');
    await page.waitForFunction(
      () =>
        document.querySelector<HTMLInputElement>('[data-field="brief.cruiseSpeedKmh"] input')?.value ===
        '16.09344',
    );
    await chooseFrom(page, 'Units', 'mph, lb, in');
    await page.waitForFunction(() =>
      document.querySelector('[data-figure=top-speed]')?.textContent.includes('mph'),
    );
    expect(await page.$eval('[data-field="brief.cruiseSpeedKmh"] input', (i) => i.value)).toBe('10');
  });
});

describe('where a value comes from', () => {
  it('is marked, and a note stays with it', async () => {
    await openBuild(page, bench.application, 'Tide-flat trike', 'power');
    await page.click('[aria-label="Capacity: source label"]');
    await page.waitForSelector('[role=menu]');
    await chooseItem(page, 'Write a note');
    await page.waitForSelector('[role=dialog] input');
    await page.keyboard.type('read on the blocks');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[role=dialog]', { hidden: true });
    await page.click('[aria-label="Capacity: source label"]');
    await page.waitForSelector('[role=menu]');
    await chooseItem(page, 'measured');
    await page.waitForSelector('[aria-label="Capacity: source measured"]');
    await kept(page);
    await page.reload();
    await settled(page, '[data-field="packs.0.capacityAh"] input');
    await page.focus('[data-field="packs.0.capacityAh"] input');
    await page.waitForFunction(() =>
      document.querySelector('[data-field="packs.0.capacityAh"]')?.textContent.includes('read on the blocks'),
    );
  });
});

describe('a build from nothing', () => {
  it('is made, filled in, and still there after a reload and a crash of the server', async () => {
    await home();
    await page.evaluate(() => {
      [...document.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Start a build')?.click();
    });
    await page.waitForSelector('[role=dialog] input');
    await page.type('[role=dialog] input', 'Hill commuter');
    await page.keyboard.press('Enter');
    await settled(page, '[data-figure=hill]');
    expect(page.url()).toMatch(/\/brief$/);
    expect(await stageWords(page, 'donor')).toMatch(/\d\d unknown/);
    await typeInto(page, 'brief.hillGradePct', '12');
    await typeInto(page, 'brief.riderMassKg', '176 lb');
    const hill = await figureText(page, 'hill');
    await kept(page);
    const path = new URL(page.url()).pathname;

    await page.reload();
    await settled(page, '[data-figure=hill]');
    expect(await figureText(page, 'hill')).toBe(hill);

    await bench.crash();
    await page.goto(bench.application.url + path);
    await settled(page, '[data-field="brief.hillGradePct"] input');
    expect(await figureText(page, 'hill')).toBe(hill);
    expect(await page.$eval('[data-field="brief.hillGradePct"] input', (i) => i.value)).toBe('12');
  });

  it('is put away with one action and brought back with another', async () => {
    await openBuild(page, bench.application, 'Hill commuter', 'brief');
    await page.click('[data-testid=build-menu]');
    await page.waitForSelector('[role=menuitem]');
    await chooseItem(page, 'Put this build away');
    await page.waitForFunction(() => document.body.textContent.includes('was put away'));
    expect(await page.$('[data-build="Hill commuter"]')).toBeNull();
    await page.evaluate(() => {
      [...document.querySelectorAll('button')].find((b) => b.textContent === 'Bring it back')?.click();
    });
    await page.waitForSelector('[data-build="Hill commuter"]');
  });
});
