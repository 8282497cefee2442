import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { firstOf } from '@apple-cart/core';
import { placeOf } from '../web/src/screens/registry.ts';
import { again, press as pressIt, settled, type Watch } from './browser.ts';
import {
  chooseFrom,
  clickWords,
  downloaded,
  kept,
  openBuild,
  pictureFile,
  quiet,
  says,
  typeInto,
} from './hands.ts';
import { tooSmall, violationsInBoth } from './rules.ts';
import { stand } from './stand.ts';

const bench = stand();
const title = (page: Page): Promise<string> => page.$eval('[data-testid=step-title]', (e) => e.textContent);

/** One of the large buttons, once it may be pressed. */
async function press(page: Page, id: 'pass' | 'fail' | 'waive'): Promise<void> {
  const button = `[data-testid=${id}]:not(:disabled)`;
  await page.waitForSelector(button);
  await page.click(button);
}

/** A tablet beside the bicycle. */
async function tablet(): Promise<Page & Watch> {
  const page = await bench.open(768, 1024);
  await openBuild(page, bench.application, 'Choir tandem', 'bench');
  return page;
}

async function begin(page: Page): Promise<void> {
  await page.waitForSelector('input[placeholder="your name"]');
  await page.type('input[placeholder="your name"]', 'R. Quince');
  await clickWords(page, 'Begin the run');
  await page.waitForSelector('[data-testid=step-title]');
}

/** Says what is asked of the step in hand, in the middle of its band. */
async function fillIn(page: Page): Promise<void> {
  const boxes = '[aria-label=Answer] input[type=checkbox]';
  for (let i = 0; i < (await page.$$(boxes)).length; i += 1)
    // A hand sees whether it is ticked, and presses again where what is above it moved it away.
    await again(async () => {
      const box = (await page.$$(boxes))[i];
      if (box === undefined) throw new Error('detached');
      if (!(await box.evaluate((b) => b.checked))) await pressIt(box);
      if (!(await box.evaluate((b) => b.checked))) throw new Error('detached: it is not ticked');
    });
  for (const area of await page.$$('[aria-label=Answer] textarea')) await area.type('nothing');
  const fields = await page.$$('[aria-label=Answer] input[inputmode=decimal]');
  if (fields.length === 0) return;
  const band = await page.$eval('[data-testid=band]', (e) => e.textContent);
  const numbers = [...band.replaceAll('−', '-').matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
  const [low = 1, high = low] = numbers;
  const value = firstOf(
    [
      [/^at least/.test(band), low + 1],
      [/^at most/.test(band), low / 2],
      [/–| to /.test(band), (low + high) / 2],
    ],
    low,
  );
  for (const field of fields) await field.type(value.toFixed(2).replace('.', ','));
}

async function pass(page: Page): Promise<void> {
  const before = await title(page);
  // What is seen where it does not go on, in place of a bare time-out.
  const told = async (cause: unknown): Promise<never> => {
    const said = await page.$eval('main', (e) => e.innerText);
    throw new Error(`${before} at ${page.url()}: ${said}`, { cause });
  };
  await fillIn(page);
  await press(page, 'pass').catch(told);
  await page
    .waitForFunction((t) => document.querySelector('[data-testid=step-title]')?.textContent !== t, {}, before)
    .catch(told);
  // The next one is read before it is passed.
  await page.waitForFunction(() => {
    const { top, bottom } = document.querySelector('[data-testid=step-title]')?.getBoundingClientRect() ?? {};
    return top !== undefined && bottom !== undefined && top >= 0 && bottom <= innerHeight;
  });
}

async function passUntil(page: Page, wanted: string): Promise<void> {
  for (let i = 0; i < 60 && (await title(page)) !== wanted; i += 1) await pass(page);
  expect(await title(page)).toBe(wanted);
}

const allSent = (page: Page) =>
  page.waitForFunction(() => document.querySelector('[data-testid=outbox]')?.textContent === '');

describe('the bench', () => {
  it('leads through a whole run: one fail mended, one waived, a photograph, a dropped connection, signed; then the plan moves', async () => {
    const page = await tablet();
    await begin(page);
    expect(await title(page)).toBe('Photographs of both sides');
    expect(await tooSmall(page)).toEqual([]);
    expect(await violationsInBoth(page)).toEqual([]);
    const input = (await page.$('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(await pictureFile(page, mkdtempSync(path.join(tmpdir(), 'photo-'))));
    await page.waitForSelector('[data-testid=photographs] img');

    // Waived with a reason, and not offered where a person is guarded.
    await passUntil(page, 'Rims true, tyres sound');
    await press(page, 'waive');
    await page.type('[aria-label=Answer] form textarea', 'new wheels, trued by their maker');
    await clickWords(page, 'Keep as waived');
    await page.waitForFunction(() =>
      document.querySelector('[data-testid=step-title]')?.textContent.startsWith('The brakes'),
    );
    await says(page, '[aria-label=Answer]', 'not to be waived');

    // Outside of its band a reading cannot be passed.
    await passUntil(page, 'Pack: volts at rest'.replace('Pack', await packName(page)));
    // The meter is drawn as it is set, with where its probes go.
    const meter = await page.$eval('[data-testid=meter-picture]', (e) => e.getAttribute('aria-label'));
    expect(meter).toBe(
      'Meter on direct volts: black probe on minus of the pack, red probe on plus of the pack',
    );
    await page.type('[aria-label=Answer] input[inputmode=decimal]', '36');
    await says(page, '[aria-label=Answer]', 'outside the band');
    await press(page, 'fail');
    await page.type('[aria-label=Answer] form textarea', 'empty: charged under watch');
    await clickWords(page, 'Keep as failed');
    await says(page, '[data-testid=said]', 'Failed 36');
    await says(page, '[data-testid=stamp]', '1 failed');
    // From what has failed it goes to what may be behind it.
    await says(page, '[aria-label="Hold point"] a[href*="view=faults"]', 'Find the cause: all dark');
    // Charged: the simulated meter reads it, and what it gave says so for ever.
    await clickWords(page, 'Take it from the meter');
    await page.waitForFunction(
      () =>
        (document.querySelector<HTMLInputElement>('[aria-label=Answer] input[inputmode=decimal]')?.value ??
          '') !== '',
    );
    await clickWords(page, 'Hold the reading');
    await press(page, 'pass');
    await page.waitForFunction(
      () => document.querySelector('[data-testid=step-title]')?.textContent.includes('plus is') === true,
    );

    // The connection drops: what is said is kept here, and sent in order when it is back.
    await allSent(page);
    await page.setOfflineMode(true);
    await pass(page);
    await pass(page);
    await says(page, '[data-testid=outbox]', '2 entries are kept in this browser');
    // A picture is seen at once, wherever it lies.
    const camera = (await page.$('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await camera.uploadFile(await pictureFile(page, mkdtempSync(path.join(tmpdir(), 'photo-'))));
    await page.waitForFunction(
      () => document.querySelector<HTMLImageElement>('[data-photo=waiting] img')?.naturalWidth === 640,
    );
    await page.setOfflineMode(false);
    await allSent(page);

    // By telephone from here, where the whole of a step is longer than the screen.
    await page.setViewport({ width: 390, height: 844 });
    await passUntil(page, 'Plugs and leads after a hill');
    await page.setViewport({ width: 768, height: 1024 });
    await fillIn(page);
    await press(page, 'pass');
    await says(page, '[data-testid=said]', 'Passed');
    await allSent(page);
    await page.goto(page.url().replace(/bench.*$/, 'bench?view=handover'));
    await says(page, '[data-testid=stamp]', 'not signed');
    await clickWords(page, 'Sign the hand-over');
    await says(page, '[data-testid=stamp]', 'Signed');
    await allSent(page);

    // The plan moves: another resistor, another cut-off, another end of help; what depends on each is named.
    await page.setViewport({ width: 1280, height: 800 });
    const build = page.url().replace(/bench.*$/, '');
    for (const [at, value] of [
      ['controller.lowVoltageCutoffV', '44'],
      ['controller.assistCutoffKmh', '24.4'],
      ['cabling.preChargeOhm', '47'],
    ] as const) {
      await page.goto(build + placeOf(at));
      await typeInto(page, at, value);
      await kept(page);
    }
    await page.goto(`${build}bench?view=run`);
    await says(page, '[data-testid=stamp]', 'signed off, but the plan has changed');
    await page.waitForSelector('[data-state=repeat][data-step="cutoffs/low-volts"]');
    expect(
      await page.$$eval('[data-state=repeat][data-step]', (all) =>
        all.map((row) => row.getAttribute('data-step')),
      ),
    ).toEqual(['power/pre-charge', 'cutoffs/low-volts', 'cutoffs/speed']);
    expect(await violationsInBoth(page)).toEqual([]);

    // The signed sheet stays as it was.
    await page.goto(page.url().replace(/bench.*$/, 'hand-over'));
    await settled(page, '[data-testid=hand-over-sheet]');
    const paper = await page.$eval('[data-testid=hand-over-sheet]', (e) => e.textContent);
    expect(paper).toContain('new wheels, trued by their maker');
    expect(paper).toContain('simulated meter');
    expect(paper).toContain('Signed by R. Quince');
    expect(paper).not.toContain('to repeat');

    // The whole job out as one file, and in again as another build with the same run.
    await page.goto(page.url().replace(/hand-over.*$/, 'bench'));
    const folder = mkdtempSync(path.join(tmpdir(), 'job-'));
    await page.waitForSelector('[data-testid=build-menu]');
    await downloaded(
      page,
      folder,
      () => chooseFrom(page, 'Choir tandem', 'Save the whole job (zip)'),
      '.applecart.zip',
    );
    const [file = ''] = readdirSync(folder);
    await page.goto(bench.application.url);
    const chooser = (await page.waitForSelector(
      '[data-testid=import-file]',
    )) as ElementHandle<HTMLInputElement>;
    await chooser.uploadFile(path.join(folder, file));
    await page.waitForFunction(() => window.location.pathname.endsWith('/brief'));
    await page.goto(page.url().replace(/brief.*$/, 'bench?view=run'));
    await says(page, '[data-testid=stamp]', 'signed off, but the plan has changed');

    // Another run is begun; the first can be looked at, and nothing more is said in it.
    await clickWords(page, 'Begin another run');
    await says(page, '[data-testid=stamp]', '0 of');
    // The list of runs grows by a line as the new one is acknowledged: it is pressed once it stands still.
    await quiet(page);
    await page.click('a[href*="run="]');
    await says(page, '[data-testid=stamp]', 'signed off, but the plan has changed');
    await page.goto(`${page.url()}&step=cutoffs/speed`.replace('view=run', 'view=step'));
    await says(page, '[data-testid=said]', 'Put it right');
    await says(page, '[aria-label=Answer]', 'an earlier run');
  });
});

/** What the step of the pack is called. */
const packName = (page: Page): Promise<string> =>
  page.evaluate(() => (document.body.textContent.includes('Pack 1') ? 'Pack 1' : 'Pack'));
