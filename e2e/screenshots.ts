import { mkdir, rm } from 'node:fs/promises';
import { resolve } from 'node:path';
import type { StageId } from '@apple-cart/core';
import { startApplication } from './application.ts';
import { launch, newPage, settled } from './browser.ts';
import { clickWords, openBuild, typeInto } from './hands.ts';

const folder = resolve(import.meta.dirname, '../docs/screenshots');

interface Shot {
  readonly file: string;
  /** Undefined for a page outside of a build. */
  readonly build?: string;
  readonly stage?: StageId;
  /** A page outside of a build, and what stands on it. */
  readonly path?: string;
  readonly there?: string;
  readonly theme?: 'light' | 'dark';
  readonly size?: readonly [number, number];
  readonly before?: (page: Awaited<ReturnType<typeof newPage>>) => Promise<void>;
}

const pinAndChange: Shot['before'] = async (page) => {
  await page.click('button[aria-pressed]');
  await typeInto(page, 'controller.batteryCurrentA', '17');
};

/** Goes to a view of a stage and waits for words on it. */
const show =
  (view: string, words: string): NonNullable<Shot['before']> =>
  async (page) => {
    await page.click(`a[href$="?view=${view}"]`);
    await page.waitForFunction(
      (text) => new RegExp(text).test(document.querySelector('main')?.textContent ?? ''),
      {},
      words,
    );
  };

/** One picture a view, all from the demo data. */
const SHOTS: readonly Shot[] = [
  { file: 'builds' },
  { file: 'brief', build: 'Choir tandem', stage: 'brief' },
  { file: 'donor', build: 'Choir tandem', stage: 'donor' },
  { file: 'drive', build: 'Orchard longtail', stage: 'drive' },
  { file: 'shelf', path: '/shelf/motor', there: '[data-part]' },
  { file: 'power', build: 'Tide-flat trike', stage: 'power' },
  {
    file: 'charging',
    build: 'Choir tandem',
    stage: 'power',
    before: async (page) => {
      await page.click('a[href$="?view=charge"]');
      await page.waitForSelector('[data-chart] svg');
    },
  },
  { file: 'law', build: 'District nurse’s tourer', stage: 'law' },
  { file: 'law-fit', build: 'District nurse’s tourer', stage: 'law', before: show('fit', 'After both') },
  {
    file: 'law-places-dark',
    build: 'District nurse’s tourer',
    stage: 'law',
    theme: 'dark',
    before: show('places', 'of 40 places'),
  },
  { file: 'rules', path: '/rules', there: '[data-rules=gb]' },
  { file: 'hill', build: 'Orchard longtail', stage: 'hill', before: pinAndChange },
  { file: 'hill-ride', build: 'Orchard longtail', stage: 'hill', before: show('ride', 'in \\d') },
  {
    file: 'hill-map-dark',
    build: 'Orchard longtail',
    stage: 'hill',
    theme: 'dark',
    before: show('map', 'An hour'),
  },
  { file: 'range', build: 'Tide-flat trike', stage: 'range' },
  {
    file: 'range-band',
    build: 'Choir tandem',
    stage: 'range',
    before: async (page) => {
      await show('band', 'One number')(page);
      await clickWords(page, 'Ride them');
      await page.waitForSelector('[data-testid=causes]');
    },
  },
  { file: 'route', path: '/routes/orchard-lanes', there: '[data-testid=route-figures]' },
  {
    file: 'working',
    build: 'Orchard longtail',
    stage: 'hill',
    before: async (page) => {
      await page.click('[data-figure=hill]');
      await page.waitForSelector('[role=dialog]');
    },
  },
  { file: 'law-telephone', build: 'Tide-flat trike', stage: 'law', size: [390, 844] },
];

await rm(folder, { recursive: true, force: true });
await mkdir(folder, { recursive: true });
const browser = await launch();
for (const {
  file,
  build,
  stage,
  path = '/',
  there = '[data-judged]',
  theme = 'light',
  size = [1280, 800],
  before,
} of SHOTS) {
  // A database of its own for each: one picture's changes never show in another.
  const application = await startApplication();
  const page = await newPage(browser, ...size);
  await page.evaluateOnNewDocument((t) => {
    localStorage.setItem(
      'apple-cart-settings',
      JSON.stringify({ state: { units: 'metric', theme: t }, version: 0 }),
    );
  }, theme);
  if (build === undefined || stage === undefined) {
    await page.goto(application.url + path);
    await settled(page, there);
  } else {
    await openBuild(page, application, build, stage);
    if (['hill', 'range', 'power'].includes(stage)) await page.waitForSelector('[data-chart] svg');
  }
  await before?.(page);
  await new Promise((done) => setTimeout(done, 400));
  await page.screenshot({ path: `${folder}/${file}.png` });
  await page.close();
  await application.stop();
  process.stdout.write(`docs/screenshots/${file}.png\n`);
}
await browser.close();
