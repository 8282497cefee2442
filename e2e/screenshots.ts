import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import { STAGE_IDS, type StageId } from '@apple-cart/core';
import { startApplication } from './application.ts';
import { launch, newPage, settled } from './browser.ts';
import { SCREENS } from '../web/src/screens/registry.ts';
import { clickWords, openBuild, quiet, typeInto } from './hands.ts';

const folder = resolve(import.meta.dirname, '../docs/screenshots');

interface Shot {
  readonly file: string;
  /** As the list of pictures calls it. */
  readonly name: string;
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

/** The build whose first view of a stage is taken; the longtail's where none is named. */
const STAGE_SHOTS: Partial<Record<StageId, Pick<Shot, 'build' | 'before' | 'size'>>> = {
  brief: { build: 'Choir tandem' },
  donor: { build: 'Choir tandem' },
  power: { build: 'Tide-flat trike' },
  law: { build: 'District nurse’s tourer' },
  hill: { before: pinAndChange },
  range: { build: 'Tide-flat trike' },
  wire: { build: 'Choir tandem' },
  bench: {
    build: 'Choir tandem',
    size: [768, 1024],
    before: async (page) => {
      await page.waitForSelector('input[placeholder="your name"]');
      await page.type('input[placeholder="your name"]', 'R. Quince');
      await clickWords(page, 'Begin the run');
      for (let i = 0; i < 8; i += 1) {
        const title = await page.$eval('[data-testid=step-title]', (e) => e.textContent).catch(() => '');
        await page.waitForSelector('[data-testid=step-title]');
        for (const box of await page.$$('[aria-label=Answer] input[type=checkbox]')) await box.click();
        await page.click('[data-testid=pass]');
        await page.waitForFunction(
          (t) => document.querySelector('[data-testid=step-title]')?.textContent !== t,
          {},
          title,
        );
      }
      await page.evaluate(() => {
        document.querySelector('main')?.scrollTo(0, 0);
      });
    },
  },
  road: {
    before: async (page) => {
      await page.waitForSelector('[data-testid=beside]');
      await page.waitForSelector('[data-chart] svg');
      await page.waitForFunction(
        () => document.querySelector('main')?.textContent.includes('being ridden') === false,
      );
    },
  },
  change: {
    before: async (page) => {
      for (const step of ['amps/set', 'tyre/tyre-559-50']) {
        await page.waitForSelector(`[data-step="${step}"] input`);
        await page.click(`[data-step="${step}"] input`);
      }
      await page.waitForSelector('[data-testid=together]');
      await page.evaluate(() => document.querySelector('main')?.scrollTo(0, 0));
    },
  },
  setup: {
    build: 'Choir tandem',
    before: async (page) => {
      for (const [label, value] of [
        ['Entered: Battery current', '30'],
        ['Read back: Battery current', '30'],
        ['Entered: Cut-off voltage', '42'],
        ['Read back: Cut-off voltage', '43'],
        ['Entered: Roll-out', '1959'],
        ['Read back: Roll-out', '1959'],
      ] as const) {
        const field = await page.waitForSelector(`input[aria-label="${label}"]`);
        await field?.type(value);
      }
      await page.evaluate(() => {
        (document.activeElement as HTMLElement | null)?.blur();
        document.querySelector('main')?.scrollTo(0, 0);
      });
    },
  },
};

/** One picture a view, all from the demo data. */
const SHOTS: readonly Shot[] = [
  { file: 'builds', name: 'Builds' },
  {
    file: 'start',
    name: 'From a hill',
    path: '/',
    before: async (page) => {
      await page.$$eval('button', (all) => {
        all.find((b) => b.textContent.startsWith('From a hill'))?.click();
      });
      await settled(page, '[data-testid=proposals]');
    },
  },
  { file: 'shelf', name: 'Shelf', path: '/shelf/motor', there: '[data-part]' },
  ...STAGE_IDS.map((stage): Shot => ({
    file: stage,
    name: SCREENS[stage].name,
    build: 'Orchard longtail',
    stage,
    ...STAGE_SHOTS[stage],
  })),
  {
    file: 'change-search-dark',
    name: 'Search the shelf, dark',
    build: 'Orchard longtail',
    stage: 'change',
    theme: 'dark',
    before: async (page) => {
      await page.waitForSelector('a[href$="?view=search"]');
      await page.click('a[href$="?view=search"]');
      await page.waitForSelector('[data-testid=search]');
      // The choices grow as the shelf is read: the button is pressed once it stands still.
      await quiet(page);
      // Its hill is more than any motor of the shelf bears in the gears that it has.
      await clickWords(page, 'Ring and cogs', 'label span');
      await page.click('[data-testid=search]');
      await page.waitForSelector('[data-testid=lets]');
    },
  },
  {
    file: 'compare',
    name: 'Side by side',
    build: 'Orchard longtail',
    stage: 'change',
    before: async (page) => {
      await page.waitForSelector('a[href$="?view=search"]');
      await page.click('a[href$="?view=search"]');
      await page.waitForSelector('[data-testid=search]');
      // The choices grow as the shelf is read: the button is pressed once it stands still.
      await quiet(page);
      // Its hill is more than any motor of the shelf bears in the gears that it has.
      await clickWords(page, 'Ring and cogs', 'label span');
      await page.click('[data-testid=search]');
      await page.waitForSelector('[data-finalist="3"]');
      // What is found pushes the views about: they are pressed once they stand still.
      await quiet(page);
      await page.click('a[href$="?view=compare"]');
      await page.waitForSelector('[data-side="finalist:3"]');
    },
  },
  {
    file: 'law-telephone',
    name: 'Law on a telephone',
    build: 'Tide-flat trike',
    stage: 'law',
    size: [390, 844],
  },
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
  // What is fetched has come, what is worked out beside it stands there, and the words stand still.
  await page.waitForNetworkIdle({ idleTime: 300, timeout: 10_000 }).catch(() => undefined);
  await page.waitForFunction(() => !document.body.innerText.includes('Trying every value'));
  await quiet(page);
  await new Promise((done) => setTimeout(done, 400));
  await page.screenshot({ path: `${folder}/${file}.png` });
  await page.close();
  await application.stop();
  process.stdout.write(`docs/screenshots/${file}.png\n`);
}
await browser.close();

/** All of them stand in the README, two a row, between its two marks. */
const README = resolve(folder, '../../README.md');
const pictures = SHOTS.map(({ file, name }) => `![${name}](docs/screenshots/${file}.png)`);
const rows = pictures.flatMap((left, i) => (i % 2 === 0 ? [`| ${left} | ${pictures[i + 1] ?? ''} |`] : []));
const [head, , tail] = (await readFile(README, 'utf8')).split(/<!-- (?:\/)?pictures -->/);
if (head === undefined || tail === undefined) throw new Error('README.md has lost the marks of its pictures');
const table = ['| | |', '| - | - |', ...rows].join('\n');
await writeFile(README, `${head}<!-- pictures -->\n\n${table}\n\n<!-- /pictures -->${tail}`);
