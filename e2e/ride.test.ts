import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { evenHill, writeGpx } from '@apple-cart/core';
import { settled, type Watch } from './browser.ts';
import {
  chooseFrom,
  chooseIn,
  chooseItem,
  clickWords,
  downloaded,
  kept,
  openBuild,
  says as pageSays,
  typeInto,
} from './hands.ts';
import { violations } from './rules.ts';
import { stand } from './stand.ts';

const bench = stand();
let page: Page & Watch;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'apple-cart-ride-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));
beforeEach(async () => {
  page = await bench.open();
});

const DEMO = resolve(import.meta.dirname, '../demo/routes');
const text = (selector: string): Promise<string> => page.$eval(selector, (e) => e.textContent);
const says = (words: RegExp, where = 'main') => pageSays(page, where, words);
const view = async (name: string): Promise<void> => {
  await page.click(`a[href$="?view=${name}"]`);
  await page.waitForSelector(`a[href$="?view=${name}"][aria-current=page]`);
};
const routesPage = async (): Promise<void> => {
  await page.goto(`${bench.application.url}/routes`);
  await settled(page, 'a[href="/routes/crate-lane"]');
};
const bring = async (file: string, content: string): Promise<void> => {
  const path = join(folder, file);
  await writeFile(path, content);
  const input = await page.$('[data-testid=import-route]');
  await (input as ElementHandle<HTMLInputElement>).uploadFile(path);
};
/** A hill of 4 km at 8 % as a recorder would have it. */
const longHill = (name: string): string => writeGpx(evenHill(name, 4000, 8));
const keepRoute = async (name: string, content: string): Promise<void> => {
  await routesPage();
  await bring(`${name}.gpx`, content);
  await page.waitForSelector('[data-testid=cleaning]');
  await clickWords(page, 'Keep it');
  await page.waitForSelector('[data-testid=route-figures]');
};

describe('a recorded road', () => {
  it('is looked at before it is kept: raw beside used, and the climb before and after', async () => {
    await routesPage();
    await bring('loop.gpx', await readFile(join(DEMO, 'beacon-loop.gpx'), 'utf8'));
    await page.waitForSelector('[data-testid=cleaning]');
    expect(await text('[data-testid=cleaning]')).toMatch(
      /641 points; 1 spike taken out, noise about 0\.\d m/,
    );
    await says(/Up \d+ m; \d+ m as recorded/, '[role=dialog]');
    await clickWords(page, 'not at all');
    await says(/smoothed over 0 m/, '[role=dialog]');
    await clickWords(page, 'Keep it');
    await page.waitForSelector('[data-testid=route-figures]');
    expect(await page.$eval('input[aria-label="Name of the route"]', (i) => i.value)).toBe('Beacon loop');
    expect(await text('[data-testid=route-figures]')).toMatch(/as recorded/);
    expect(await violations(page)).toEqual([]);
  });

  it('is ridden on two builds, and the heat rolls one of them back', async () => {
    await keepRoute('Test hill one', longHill('Test hill one'));
    await openBuild(page, bench.application, 'Choir tandem', 'hill');
    await view('ride');
    await chooseIn(page, 'Road', 'Test hill one');
    await says(/Test hill one: stalls after \d\.\d+ km/);
    await says(/heat of the motor\s*\d+ %/);
    await kept(page);
    await openBuild(page, bench.application, 'Orchard longtail', 'hill');
    await view('ride');
    await chooseIn(page, 'Road', 'Test hill one');
    await says(/Test hill one in \d+\.\d min/);
    await says(/The controller holds back after 1\d\.\d min/, '[data-testid=ride-heat]');
    // With fluid in the air gap the same hill is never too hot.
    await view('heat');
    await chooseIn(page, 'Fluid in the air gap', 'yes');
    await view('ride');
    await says(/never too hot/, '[data-testid=ride-heat]');
    await kept(page);
  });

  it('hands its trace over as a table of everything', async () => {
    await openBuild(page, bench.application, 'Tide-flat trike', 'range');
    await view('road');
    await says(/Tide causeway, winter: plan on \d+ km/);
    const csv = await downloaded(
      page,
      folder,
      async () => {
        await clickWords(page, 'Export');
        await page.waitForSelector('[role=menu]');
        await chooseItem(page, 'Table (CSV)');
      },
      '.csv',
    );
    const [head = '', ...rows] = csv.trim().split('\r\n');
    expect(head).toContain('time_s,distance_m,speed_km_h,grade_pct');
    expect(rows.length).toBeGreaterThan(300);
    const last = rows.at(-1)?.split(',').map(Number) ?? [];
    expect(last[1]).toBeGreaterThan(9900);
  });
});

describe('files that are no road', () => {
  it.each([
    [
      'an entity bomb',
      'bomb.gpx',
      '<?xml version="1.0"?><!DOCTYPE gpx [<!ENTITY a "aa">]><gpx/>',
      /document type: entities are not read/,
    ],
    [
      'a table with a hole',
      'hole.csv',
      'distance km,elevation\n0,10\n1,\n2,30',
      /line 3: wanted a number under "elevation"/,
    ],
    ['a list of shopping', 'list.csv', 'apples and pears', /rows beneath/],
    [
      'a road of one point',
      'one.gpx',
      '<gpx version="1.1" creator="t" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg><trkpt lat="0" lon="0"><ele>1</ele></trkpt></trkseg></trk></gpx>',
      /at least two points/,
    ],
  ])('%s is refused with its reason, and nothing is stored', async (_what, file, content, reason) => {
    await routesPage();
    const before = (await page.$$('a[href^="/routes/"]')).length;
    await bring(file, content);
    await page.waitForSelector('[data-testid=route-issues]');
    expect(await text('[data-testid=route-issues]')).toMatch(reason);
    await routesPage();
    expect(await page.$$('a[href^="/routes/"]')).toHaveLength(before);
  });
});

describe('a drawn road', () => {
  it('is dragged, typed, undone, marked, put out as GPX, put away and brought back', async () => {
    await routesPage();
    await clickWords(page, 'Draw one');
    await page.waitForSelector('[data-node="1"]');
    const figures = await text('[data-testid=route-figures]');
    const node = await page.$('[data-node="2"]');
    const box = await node?.boundingBox();
    if (box === null || box === undefined) throw new Error('no point to drag');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 30, box.y + box.height / 2 - 60, { steps: 6 });
    await page.mouse.up();
    await page.waitForFunction(
      (before) => document.querySelector('[data-testid=route-figures]')?.textContent !== before,
      {},
      figures,
    );
    await page.click('button[aria-label=Undo]');
    await page.waitForFunction(
      (before) => document.querySelector('[data-testid=route-figures]')?.textContent === before,
      {},
      figures,
    );
    await page.$eval('[data-node="3"]', (e) => {
      (e as SVGGElement).focus();
    });
    await page.keyboard.press('ArrowUp');
    await page.waitForFunction(
      (before) => document.querySelector('[data-testid=route-figures]')?.textContent !== before,
      {},
      figures,
    );
    await clickWords(page, 'A stop');
    await clickWords(page, 'there and back');
    await says(/kept/);
    await says(/4\.44 km ridden/);
    const gpx = await downloaded(page, folder, () => chooseFrom(page, 'Take out', 'Track (GPX)'), '.gpx');
    expect(gpx).toContain('<gpx version="1.1"');
    expect(await violations(page)).toEqual([]);
    const address = new URL(page.url()).pathname;
    await routesPage();
    await page.click('button[aria-label="Put away: New road"]');
    await page.waitForFunction((path) => document.querySelector(`a[href="${path}"]`) === null, {}, address);
    await clickWords(page, 'Bring it back');
    await page.waitForSelector(`a[href="${address}"]`);
  });

  it('survives a crash of the server with what was acknowledged', async () => {
    await routesPage();
    await page.click('a[href="/routes/steeple-wall"]');
    await page.waitForSelector('[data-testid=route-figures]');
    await page.click('input[aria-label=Note]');
    await page.keyboard.press('End');
    await page.keyboard.type(' Mind the drain.');
    // The server has it, and has said so.
    await page.waitForFunction(async () =>
      (await (await fetch('/api/routes/steeple-wall')).text()).includes('Mind the drain.'),
    );
    await says(/kept/);
    await bench.crash();
    const again = await bench.open();
    await again.goto(`${bench.application.url}/routes/steeple-wall`);
    await again.waitForFunction(() =>
      document.querySelector<HTMLInputElement>('input[aria-label=Note]')?.value.endsWith('Mind the drain.'),
    );
  });
});

describe('the band', () => {
  it('is stopped half-way, keeps what there is, and ends with its causes', async () => {
    await openBuild(page, bench.application, 'Orchard longtail', 'range');
    await view('band');
    await clickWords(page, '1000');
    await clickWords(page, 'Ride them');
    // In one breath: a quick machine would be through with them before a slow hand had found the button.
    await page.waitForFunction(() => {
      const moved = (document.querySelector('progress')?.value ?? 0) > 0;
      const stop = [...document.querySelectorAll('button')].find((b) => b.textContent === 'Stop');
      if (!moved || stop === undefined) return false;
      stop.click();
      return true;
    });
    await says(/stopped after [1-9]\d* rides/);
    expect(await text('main')).toMatch(/\d+ to \d+ km: nine rides in ten/);
    await typeInto(page, 'brief.reservePct', '16');
    await says(/The build has changed since/);
    await clickWords(page, '200');
    await clickWords(page, 'Ride them again');
    await page.waitForSelector('[data-testid=causes]');
    const band = await text('[data-testid=band]');
    expect(band).toMatch(/wanted are reached by \d+ %/);
    expect(await text('[data-testid=causes]')).toMatch(/\d+ %/);
    // The same seed rides the same rides.
    await kept(page);
    await page.reload();
    await clickWords(page, 'Ride them');
    await page.waitForSelector('[data-testid=causes]');
    expect(await text('[data-testid=band]')).toBe(band);
  });
});

describe('the views of hill and range', () => {
  const VIEWS = [
    ['hill', 'ride', /never too hot|holds back|suffers/],
    ['hill', 'heat', /for ever/],
    ['hill', 'gears', /suits the hill best/],
    ['hill', 'map', /An hour and more on up to/],
    ['range', 'road', /Full to the end/],
    ['range', 'levels', /in the highest level/],
    ['range', 'home', /gauge shows/],
    ['range', 'energy', /Where it goes/],
    ['range', 'band', /One number is a promise/],
  ] as const;

  it('say what they are for', async () => {
    for (const stage of ['hill', 'range'] as const) {
      await openBuild(page, bench.application, 'Orchard longtail', stage);
      for (const [, name, words] of VIEWS.filter(([at]) => at === stage)) {
        await view(name);
        await says(words);
      }
    }
  });

  it('a gear is held from the table and let go with one undo', async () => {
    await openBuild(page, bench.application, 'Orchard longtail', 'hill');
    await view('gears');
    await says(/suits the hill best/);
    const before = await text('[data-figure=heat]');
    await clickWords(page, 'Hold it');
    await page.waitForFunction(
      (words) => document.querySelector('[data-figure=heat]')?.textContent !== words,
      {},
      before,
    );
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await page.waitForFunction(
      (words) => document.querySelector('[data-figure=heat]')?.textContent === words,
      {},
      before,
    );
  });

  it('a route that was put away is said, and the other road is ridden', async () => {
    await keepRoute('Short-lived', longHill('Short-lived'));
    const id = new URL(page.url()).pathname.split('/').at(-1) ?? '';
    await openBuild(page, bench.application, 'Tide-flat trike', 'range');
    await view('road');
    await chooseIn(page, 'Road', 'Short-lived');
    await says(/Short-lived: \w+/);
    await kept(page);
    await fetch(`${bench.application.url}/api/routes/${id}`, { method: 'DELETE' });
    await page.reload();
    await says(/The route this build names has been put away/);
    await says(/Level road: plan on/);
  });
});
