import { readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { settled, type Watch } from './browser.ts';
import { chooseIn, chooseItem, clickWords, kept, openBuild, stageWords, typeInto, says } from './hands.ts';
import { stand } from './stand.ts';

const bench = stand();
let page: Page & Watch;
beforeEach(async () => {
  page = await bench.open();
});

const open = (name: string, stage: 'donor' | 'drive') => openBuild(page, bench.application, name, stage);

/** State of a fit check as its row says it; undefined while it is not among the telling ones. */
const stateOf = (id: string) =>
  page.evaluate((check) => document.querySelector(`[data-check=${check}]`)?.getAttribute('data-state'), id);
const becomes = (id: string, state: string) =>
  page.waitForFunction(
    (check, wanted) => document.querySelector(`[data-check=${check}]`)?.getAttribute('data-state') === wanted,
    {},
    id,
    state,
  );
/** Waits until a check no longer waits: a fine one may sink below the telling ones. */
const answers = (id: string) =>
  page.waitForFunction(
    (check) => document.querySelector(`[data-check=${check}]`)?.getAttribute('data-state') !== 'unknown',
    {},
    id,
  );
const unknowns = async (): Promise<number> =>
  Number(/(\d+) unknown/.exec(await stageWords(page, 'donor'))?.[1] ?? 0);

describe('a donor measured from blank', () => {
  it('says what to measure first, and knows more with every measure', async () => {
    await page.goto(bench.application.url);
    await settled(page, '[data-judged]');
    await clickWords(page, 'Start a build');
    await page.waitForSelector('[role=dialog] input');
    await page.type('[role=dialog] input', 'Blank roadster');
    await page.keyboard.press('Enter');
    await settled(page, '[data-figure=hill]');
    await page.click('[data-stage=donor]');
    await settled(page, '[data-next]');
    const first = await unknowns();
    expect(first).toBeGreaterThan(15);
    // What only waits is one line that names what settles most of it; each stands there when it is asked for.
    expect(await stateOf('hub-width')).toBeUndefined();
    await says(page, '[data-waiting]', /\d+ more cannot be told yet.*frame material \(\d+\)/);
    await clickWords(page, 'Show each');
    expect(await stateOf('hub-width')).toBe('unknown');

    await typeInto(page, 'donor.rearOldMm', '135');
    await typeInto(page, 'drive.overLocknutMm', '135');
    await chooseIn(page, 'Frame', 'steel');
    await answers('hub-width');
    expect(await unknowns()).toBeLessThanOrEqual(first - 1);
    await typeInto(page, 'donor.slotWidthMm', '3/8 in');
    await typeInto(page, 'drive.flatsMm', '10');
    expect(await unknowns()).toBeLessThanOrEqual(first - 2);
    await becomes('slot-width', 'look');
    await says(page, '[data-check=slot-width]', 'File both sides');
    await kept(page);
  });
});

describe('the tandem', () => {
  it('with a hub 10 mm wider says that it does not fit, by how much and what to do', async () => {
    await open('Choir tandem', 'donor');
    await typeInto(page, 'drive.overLocknutMm', '155');
    await becomes('hub-width', 'stop');
    const row = await page.$eval('[data-check=hub-width]', (r) => r.textContent);
    expect(row).toContain('10.0');
    expect(row).toMatch(/Take a motor of 145\smm, or another donor/);
    await says(page, '[data-testid=stamp]', 'Does not fit');
    await page.click('[data-check=hub-width] button');
    await page.waitForFunction(() =>
      document.querySelector('main')?.textContent.match(/cold-set about 5\s*mm/),
    );
    await says(page, 'main', 'Origin: common practice');
    await page.click('button[aria-label=Undo]');
    await page.waitForFunction(
      () => !document.querySelector('[data-testid=stamp]')?.textContent.includes('Does not fit'),
    );
  });

  it('has its pack dragged into a bottle boss, and says so at once; typing and keys move it too', async () => {
    await open('Choir tandem', 'donor');
    const box = await page.waitForSelector('[data-pack="0"]');
    const at = await (box as ElementHandle).boundingBox();
    if (at === null) throw new Error('the pack is not drawn');
    const boss = await page.$eval('[data-testid=side-view] [data-boss]', (b) => {
      const { x, y } = b.getBoundingClientRect();
      return { x, y };
    });
    await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
    await page.mouse.down();
    await page.mouse.move(boss.x + 40, boss.y + 20, { steps: 12 });
    await page.mouse.move(boss.x + 12, boss.y + 4, { steps: 6 });
    await page.mouse.up();
    await becomes('pack-boss', 'stop');
    await says(page, '[data-check=pack-boss]', 'Slide the pack along');
    expect(await stageWords(page, 'donor')).toContain('to stop for');

    // Back by its numbers: the same place, typed.
    await chooseIn(page, 'Place', 'on the lateral tube');
    await page.waitForFunction(
      () => document.querySelector('[data-check=pack-boss]')?.getAttribute('data-state') !== 'stop',
    );
    const x = () => page.$eval('[data-pack-fields="0"] input', (i) => Number(i.value));
    const before = await x();
    await page.$eval('[data-testid=side-view] [role=button]', (g) => {
      (g as SVGGElement).focus();
    });
    await page.keyboard.press('ArrowLeft');
    await page.waitForFunction(
      (old) => Number(document.querySelector<HTMLInputElement>('[data-pack-fields="0"] input')?.value) < old,
      {},
      before,
    );
    await kept(page);
  });

  it('shows the load on each axle move with the pack', async () => {
    await open('Orchard longtail', 'donor');
    const front = () => page.$eval('[data-axle=front]', (b) => Number.parseFloat(b.textContent));
    const before = await front();
    await page.waitForSelector('[data-testid=places]');
    await says(page, '[data-testid=places]', 'on the deck');
    await chooseIn(page, 'Place', 'on the deck');
    await page.waitForFunction(
      (old) => Number.parseFloat(document.querySelector('[data-axle=front]')?.textContent ?? '') < old,
      {},
      before,
    );
    await kept(page);
  });
});

describe('the measure sheet', () => {
  it('prints blank, in the order of the walk, with a drawing for every measure', async () => {
    const id = await open('Tide-flat trike', 'donor');
    await page.goto(`${bench.application.url}/builds/${id}/measure-sheet`);
    await settled(page, 'main table');
    await page.emulateMediaType('print');
    const sheet = await page.evaluate(() => ({
      text: document.querySelector('main')?.textContent ?? '',
      rows: document.querySelectorAll('tbody tr td svg').length,
      buttons: [...document.querySelectorAll('button')].filter((b) => b.offsetParent !== null).length,
      wide: document.documentElement.scrollWidth > window.innerWidth,
    }));
    expect(sheet.rows).toBeGreaterThan(15);
    expect(sheet.text.indexOf('Whole machine')).toBeLessThan(sheet.text.indexOf('Bar and leads'));
    expect(sheet.text).toContain('Axle slot, width');
    expect(sheet.text).toContain('across the slot at its narrowest');
    expect(sheet.buttons).toBe(0);
    expect(sheet.wide).toBe(false);
    await page.emulateMediaType('screen');
    await clickWords(page, 'With what is known');
    await page.waitForFunction(() =>
      /Axle slot, width.*10/.test(document.querySelector('main')?.textContent ?? ''),
    );
  });
});

describe('the drive', () => {
  it('lays the rings of the shelf side by side, and takes one', async () => {
    await open('Orchard longtail', 'drive');
    await clickWords(page, 'What if: rings', '[role=tab]');
    await page.waitForFunction(
      () => document.querySelectorAll('[data-testid=ring-table] tbody tr').length >= 6,
    );
    await clickWords(page, 'Take it');
    await page.waitForFunction(
      () =>
        document.querySelector<HTMLInputElement>('[data-field="gearing.ringTeeth"] input')?.value === '30',
    );
    await kept(page);
  });

  it('compares front, rear, middle and external on this donor', async () => {
    await open('Orchard longtail', 'drive');
    await clickWords(page, 'Front, rear or middle', '[role=tab]');
    await page.waitForFunction(() =>
      document.querySelector('[data-testid=layouts]')?.textContent.includes('wait for a measure'),
    );
    const text = await page.$eval('[data-testid=layouts]', (t) => t.textContent);
    for (const words of ['Front hub', 'Rear hub', 'Middle', 'External', 'in the build', 'Chain carries'])
      expect(text).toContain(words);
  });
});

describe('the parts shelf', () => {
  const file = join(tmpdir(), `apple-cart-shelf-${String(process.pid)}.csv`);
  afterAll(() => rm(file, { force: true }));
  const shelf = async (type: string): Promise<void> => {
    await page.goto(`${bench.application.url}/shelf/${type}`);
    await settled(page, '[data-testid=shelf-table] tbody tr');
  };
  const rows = () =>
    page.$$eval('[data-testid=shelf-table] tbody tr', (all) => all.map((r) => r.textContent));

  it('is searched, sorted and compared', async () => {
    await shelf('motor');
    const all = (await rows()).length;
    await page.type('input[type=search]', 'mid-drive');
    await page.waitForFunction(
      (n) => document.querySelectorAll('[data-testid=shelf-table] tbody tr').length < n,
      {},
      all,
    );
    await clickWords(page, 'Mass');
    await page.waitForSelector('th[aria-sort=ascending], th[aria-sort=descending]');
    const boxes = await page.$$('tbody input[type=checkbox]');
    await boxes[0]?.click();
    await boxes[1]?.click();
    await clickWords(page, 'Compare 2');
    await page.waitForSelector('[data-testid=comparison]');
    await says(page, '[data-testid=comparison]', 'Speed constant');
  });

  it('is changed at a field; a build that copied the part offers to refresh, and keeps its own until then', async () => {
    await shelf('motor');
    await page.click('[data-part=motor-dd500] th button');
    await page.waitForSelector('[data-part-field=massKg] input');
    const mass = await page.$('[data-part-field=massKg] input');
    await mass?.click({ count: 3 });
    await page.keyboard.type('heavy');
    await clickWords(page, 'Put on the shelf');
    await page.waitForFunction(() =>
      document.querySelector('[data-part-field=massKg]')?.textContent.includes('wanted a number'),
    );
    await mass?.click({ count: 3 });
    await page.keyboard.type('7.9');
    const poles = await page.$('[data-part-field=polePairs] input');
    await poles?.click({ count: 3 });
    await page.keyboard.type('26');
    await clickWords(page, 'Put on the shelf');
    await page.waitForFunction(() =>
      document.querySelector('[data-part=motor-dd500]')?.textContent.includes('7.9'),
    );

    await open('Choir tandem', 'drive');
    await page.waitForSelector('[data-testid=refresh-motor]');
    const poleField = '[data-field="drive.polePairs"] input';
    expect(await page.$eval(poleField, (i) => i.value)).toBe('23');
    await page.click('[data-testid=refresh-motor]');
    await page.waitForSelector('[role=menuitem]');
    await chooseItem(page, 'Take these values over');
    await page.waitForFunction(
      (s) => document.querySelector<HTMLInputElement>(s)?.value === '26',
      {},
      poleField,
    );
    await kept(page);
  });

  it('takes a table in, its columns matched, and skips the bad row that it names by its line', async () => {
    await writeFile(
      file,
      'id,name,maker,price,currency,Weight,teeth\r\nring-new-40,New ring 40,Test,30,GBP,0.2,40\r\nring-bad,Bad ring,Test,30,GBP,0.2,forty\r\n',
    );
    await shelf('ring');
    const input = await page.$('[data-testid=import-parts]');
    await (input as ElementHandle<HTMLInputElement>).uploadFile(file);
    await page.waitForSelector('[data-testid=bad-rows]');
    // "Weight" is no name that it knows: both rows lack their mass until it is told.
    await says(page, '[data-testid=bad-rows]', 'Line 2: massKg');
    const labels = await page.$$('[role=dialog] label');
    for (const label of labels) {
      if ((await label.evaluate((l) => l.textContent)).startsWith('Weight'))
        await (await label.$('select'))?.select('massKg');
    }
    await page.waitForFunction(() =>
      document.querySelector('[data-testid=bad-rows]')?.textContent.includes('Line 3: teeth'),
    );
    await clickWords(page, 'Skip the bad rows, take 1 in');
    await page.waitForSelector('[data-part=ring-new-40]');
    expect(await page.$('[data-part=ring-bad]')).toBeNull();
    expect(await readFile(file, 'utf8')).toContain('forty');
  });
});

describe('a value worked out at the bench', () => {
  it('is written as measured, with its plus-minus and the readings that it came from', async () => {
    await open('Choir tandem', 'drive');
    await chooseIn(page, 'Speed constant Kv', 'From a spin of the wheel');
    await page.waitForSelector('[role=dialog] input');
    const fields = await page.$$('[role=dialog] input');
    // The motor is in the wheel: no cog is asked for.
    expect(fields).toHaveLength(4);
    for (const [i, text] of ['62.1', '2100', '53.8'].entries()) await fields[i]?.type(text);
    await says(page, '[data-testid=measured]', 'follows from the readings');
    await fields[3]?.type('11 V');
    await page.waitForFunction(() => document.querySelector('[role=dialog] [aria-invalid=true]') !== null);
    for (let i = 0; i < '11 V'.length; i += 1) await page.keyboard.press('Backspace');
    await fields[3]?.type('1.1');
    await page.waitForFunction(() =>
      /Kv.*9\.245\srpm\/V ± 0\.092/.test(document.querySelector('[data-testid=measured]')?.textContent ?? ''),
    );
    await clickWords(page, 'Write it as measured');
    await page.waitForSelector('[role=dialog]', { hidden: true });
    await page.waitForSelector('button[aria-label="Speed constant Kv: source measured"]');
    await kept(page);
    const answer = await fetch(`${bench.application.url}/api/builds`);
    const text = await answer.text();
    expect(text).toMatch(
      /"kvRpmPerV":\{"source":"measured","value":9\.245,"plusMinus":0\.092,"note":"kv from a spin/,
    );
  });
});
