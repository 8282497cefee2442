import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { KeyInput, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { STAGE_IDS } from '@apple-cart/core';
import { SCREENS } from '../web/src/screens/registry.ts';
import { settled } from './browser.ts';
import { chooseFrom, figureText, FIRST_LOAD, firstLoad, kept, openBuild, typeInto, says } from './hands.ts';
import { stand } from './stand.ts';

const bench = stand();
const { open } = bench;
const press = (page: Page, text: string) =>
  page.evaluate((t) => {
    [...document.querySelectorAll('button')].find((b) => b.textContent.trim() === t)?.click();
  }, text);

describe('two windows on one build', () => {
  async function conflict(): Promise<[Page, Page]> {
    const first = await open();
    await openBuild(first, bench.application, 'Choir tandem', 'brief');
    const second = await open(1280, 800, first);
    await second.goto(first.url());
    await settled(second, '[data-figure=hill]');
    // A page behind another draws no frames: hands go to the one in front.
    await first.bringToFront();
    await typeInto(first, 'brief.loadMassKg', '12');
    await kept(first);
    await second.bringToFront();
    await typeInto(second, 'brief.distanceKm', '55');
    await second.waitForFunction(() =>
      document.querySelector('[role=dialog]')?.textContent.includes('another window'),
    );
    return [first, second];
  }

  it('say clearly that they differ and where, and going on keeps the other side as a version', async () => {
    const [, second] = await conflict();
    const text = await second.$eval('[role=dialog]', (d) => d.textContent);
    expect(text).toContain('Load carried');
    expect(text).toContain('Distance wanted');
    await press(second, 'Go on with this window’s');
    await second.waitForSelector('[role=dialog]', { hidden: true });
    await kept(second);
    expect(await second.$eval('[data-field="brief.distanceKm"] input', (i) => i.value)).toBe('55');
    await chooseFrom(second, 'Choir tandem', 'Versions');
    await second.waitForFunction(() =>
      document.querySelector('[role=dialog]')?.textContent.includes('from the other window'),
    );
  });

  it('can take the other window’s instead, and what was typed here is kept as a version', async () => {
    const [, second] = await conflict();
    await press(second, 'Take the other window’s');
    await second.waitForSelector('[role=dialog]', { hidden: true });
    expect(await second.$eval('[data-field="brief.loadMassKg"] input', (i) => i.value)).toBe('12');
    const id = new URL(second.url()).pathname.split('/')[2] ?? '';
    const answer = await fetch(`${bench.application.url}/api/builds/${id}/revisions`);
    const { revisions } = (await answer.json()) as { revisions: { name: string | null }[] };
    expect(revisions.map((r) => r.name)).toContain('from this window, set aside');
  });
});

describe('when the server is away', () => {
  it('typing goes on, the page says so, and everything is kept once it is back', async () => {
    const page = await open();
    const id = await openBuild(page, bench.application, 'Tide-flat trike', 'brief');
    await page.setOfflineMode(true);
    await typeInto(page, 'brief.loadMassKg', '44');
    await page.waitForSelector('[data-save-state=offline]');
    await says(page, '[data-save-state]', 'kept here');
    await page.setOfflineMode(false);
    await page.waitForSelector('[data-save-state=saved]');
    const { document } = (await (await fetch(`${bench.application.url}/api/builds/${id}`)).json()) as {
      document: { brief: { loadMassKg: { value: number } } };
    };
    expect(document.brief.loadMassKg.value).toBe(44);
  });

  it('an edit that was never acknowledged survives a reload', async () => {
    const page = await open();
    await openBuild(page, bench.application, 'Tide-flat trike', 'brief');
    await page.setRequestInterception(true);
    const refuse = (request: {
      method(): string;
      abort(): Promise<void>;
      continue(): Promise<void>;
    }): void => {
      void (request.method() === 'PUT' ? request.abort() : request.continue());
    };
    page.on('request', refuse);
    await typeInto(page, 'brief.distanceKm', '17');
    await page.waitForSelector('[data-save-state=offline]');
    page.off('request', refuse);
    await page.setRequestInterception(false);
    await page.reload();
    await settled(page, '[data-field="brief.distanceKm"] input');
    expect(await page.$eval('[data-field="brief.distanceKm"] input', (i) => i.value)).toBe('17');
    await kept(page);
  });
});

describe('without a mouse', () => {
  it('Ctrl+K finds a field by name and puts the caret into it', async () => {
    const page = await open();
    await openBuild(page, bench.application, 'Orchard longtail', 'law');
    await page.keyboard.down('Control');
    await page.keyboard.press('k');
    await page.keyboard.up('Control');
    await page.waitForSelector('[role=dialog] input');
    await page.keyboard.type('low-voltage');
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      () =>
        document.activeElement?.closest('[data-field]')?.getAttribute('data-field') ===
        'controller.lowVoltageCutoffV',
    );
    expect(page.url()).toMatch(/\/power$/);
    await page.keyboard.press('ArrowUp');
    expect(await page.$eval('[data-field="controller.lowVoltageCutoffV"] input', (i) => i.value)).toBe('42');
    await page.keyboard.down('Shift');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.up('Shift');
    expect(await page.$eval('[data-field="controller.lowVoltageCutoffV"] input', (i) => i.value)).toBe('37');
  });

  it('begins at the link past the bars wherever the stage in hand stands, which the strip of a telephone brings into view', async () => {
    const page = await bench.open(390, 844);
    await openBuild(page, bench.application, 'Choir tandem', 'change');
    const [left, right] = await page.$eval('nav[aria-label="Work order"] [aria-current=page]', (link) => {
      const at = link.getBoundingClientRect();
      return [at.left, at.right];
    });
    expect(left).toBeGreaterThanOrEqual(0);
    expect(right).toBeLessThanOrEqual(390);
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement?.textContent)).toBe(
      'To the fields of this sheet',
    );
  });

  it('reaches the amps within twelve stops of Tab, by a link past the bars', async () => {
    const page = await open();
    await openBuild(page, bench.application, 'Choir tandem', 'power');
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement?.textContent)).toBe(
      'To the fields of this sheet',
    );
    await page.keyboard.press('Enter');
    const inAmps = () =>
      page.evaluate(() => document.activeElement?.matches('[data-field="controller.batteryCurrentA"] input'));
    let stops = 1;
    while (stops < 12 && (await inAmps()) !== true) {
      await page.keyboard.press('Tab');
      stops += 1;
    }
    expect(await inAmps()).toBe(true);

    // What a hand changed is said once it has settled; that the shelf was read meanwhile is no change.
    await new Promise((resolve) => setTimeout(resolve, 2500));
    const said = () => page.$eval('[data-testid=announced]', (e) => e.textContent);
    expect(await said()).toBe('');
    await typeInto(page, 'controller.batteryCurrentA', '9');
    await page.waitForFunction(
      () => document.querySelector('[data-testid=announced]')?.textContent.includes('Test hill') === true,
    );
    expect(await said()).not.toContain('Mass');
  });

  it('gives the focus back to what opened a dialog, and a new build begins at its title', async () => {
    const page = await open();
    await openBuild(page, bench.application, 'Choir tandem', 'power');
    const here = () => page.evaluate(() => document.activeElement?.getAttribute('data-opener'));
    for (const opener of [
      'button[aria-label="Help"]',
      '[data-testid=find]',
      '[data-figure=hill]',
      '[data-testid=shelf-pack]',
    ]) {
      await page.$eval(opener, (e) => {
        e.setAttribute('data-opener', 'yes');
        (e as HTMLElement).focus();
      });
      await page.keyboard.press('Enter');
      await page.waitForSelector('[role=dialog]');
      expect(await here(), opener).toBeNull();
      await page.keyboard.press('Escape');
      await page.waitForSelector('[role=dialog]', { hidden: true });
      await page.waitForFunction(() => document.activeElement?.getAttribute('data-opener') === 'yes');
      await page.$eval(opener, (e) => {
        e.removeAttribute('data-opener');
      });
    }
    await page.goto(bench.application.url);
    await settled(page, '[data-judged]');
    await page.$$eval('button', (all) => {
      all.find((b) => b.textContent.startsWith('From a hill'))?.click();
    });
    await page.waitForFunction(() => document.activeElement?.tagName === 'H1');
  });

  it('Alt and a number go to a stage, and ? explains the keys', async () => {
    const page = await open();
    await openBuild(page, bench.application, 'Choir tandem', 'brief');
    await page.keyboard.down('Alt');
    await page.keyboard.press('7');
    await page.keyboard.up('Alt');
    await page.waitForFunction(() => document.querySelector('main h1')?.textContent === 'Range');
    await page.keyboard.press('?');
    await page.waitForFunction(() => document.querySelector('[role=dialog]')?.textContent.includes('Ctrl+Z'));
  });

  it('G and a letter go to every stage', async () => {
    const page = await open();
    await openBuild(page, bench.application, 'Choir tandem', 'brief');
    for (const stage of [...STAGE_IDS].reverse()) {
      await expect
        .poll(
          async () => {
            // The two belong together for a second and a half: a hand on a machine that stood still presses again.
            await page.keyboard.press('g');
            await page.keyboard.press(SCREENS[stage].key as KeyInput);
            return page.$eval('main h1', (h) => h.textContent);
          },
          { timeout: 60_000, interval: 200 },
        )
        .toBe(SCREENS[stage].name);
    }
    expect(new Set(STAGE_IDS.map((id) => SCREENS[id].key)).size).toBe(STAGE_IDS.length);
  });

  it('Tab reaches every field of a sheet with a visible ring', async () => {
    const page = await open();
    await openBuild(page, bench.application, 'Choir tandem', 'hill');
    const fields = await page.$$eval('main input', (all) => all.length);
    const seen = new Set<string>();
    for (let i = 0; i < 90 && seen.size < fields; i += 1) {
      await page.keyboard.press('Tab');
      const path = await page.evaluate(() =>
        document.activeElement?.closest('[data-field]')?.getAttribute('data-field'),
      );
      if (
        path !== null &&
        path !== undefined &&
        (await page.evaluate(() => document.activeElement instanceof HTMLInputElement))
      )
        seen.add(path);
    }
    expect(seen.size).toBe(fields);
  });
});

describe('a page', () => {
  it('prints without bar, work order and tray, with the figures at its head', async () => {
    const page = await open();
    await openBuild(page, bench.application, 'Orchard longtail', 'law');
    await page.emulateMediaType('print');
    const shown = (selector: string) =>
      page.$eval(
        selector,
        (e) => getComputedStyle(e).display !== 'none' && (e as HTMLElement).offsetHeight > 0,
      );
    expect(await shown('header.no-print')).toBe(false);
    expect(await shown('nav')).toBe(false);
    expect(await page.$eval('main', (m) => m.innerText)).toContain('Orchard longtail');
    const pdf = await page.pdf({ format: 'a4' });
    expect(pdf.length).toBeGreaterThan(10_000);
  });

  it('says so when an address leads nowhere', async () => {
    const page = await open();
    for (const path of ['/nowhere', '/builds/none/hill', '/builds/none/attic']) {
      await page.goto(bench.application.url + path);
      await page.waitForFunction(() =>
        document.querySelector('h1')?.textContent.startsWith('There is no such'),
      );
    }
  });
});

describe('the files of the interface', () => {
  it('do not wait for each other in a ring, where one would read what is not there yet', () => {
    const dir = fileURLToPath(new URL('../web/dist/assets/', import.meta.url));
    const waits = new Map(
      readdirSync(dir)
        .filter((name) => name.endsWith('.js'))
        .map((name) => [
          name,
          [
            ...readFileSync(dir + name, 'utf8').matchAll(/(?:from|import)\s*["']\.\/([^"']+\.js)["']/g),
          ].flatMap(([, file]) => file ?? []),
        ]),
    );
    expect([...waits.values()].flat().length).toBeGreaterThan(waits.size);
    for (let before = -1; waits.size !== before;) {
      before = waits.size;
      for (const [name, files] of waits) if (!files.some((file) => waits.has(file))) waits.delete(name);
    }
    expect([...waits.keys()]).toEqual([]);
  });
});

describe('the first load', () => {
  it('is under 170 kB of compressed JavaScript, 340 with what judges the cards and says what is due, and comes from this machine only', async () => {
    const page = await open();
    const { scripts, first, judged } = await firstLoad(page, bench.application.url);
    expect(scripts.length).toBeGreaterThan(0);
    expect(first).toBeGreaterThan(50_000);
    expect(first).toBeLessThan(FIRST_LOAD.first);
    expect(judged).toBeGreaterThan(first);
    expect(judged).toBeLessThan(FIRST_LOAD.judged);
    expect(scripts.every((url) => url.startsWith(bench.application.url))).toBe(true);
  });

  it('leaves the figures the same in both units', async () => {
    const page = await open();
    await openBuild(page, bench.application, 'Orchard longtail', 'hill');
    const metric = Number.parseFloat((await figureText(page, 'hill')).replace('Test hill', ''));
    await page.evaluate(() => {
      localStorage.setItem(
        'apple-cart-settings',
        JSON.stringify({ state: { units: 'imperial', theme: 'light' }, version: 0 }),
      );
    });
    await page.reload();
    await settled(page, '[data-figure=hill]');
    const imperial = Number.parseFloat((await figureText(page, 'hill')).replace('Test hill', ''));
    expect(imperial * 1.609344).toBeCloseTo(metric, 0);
  });
});
