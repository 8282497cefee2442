import { once } from 'node:events';
import { createWriteStream, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { settled } from './browser.ts';
import { chooseItem, clickWords, figureText, openBuild, quiet, says, typeOver } from './hands.ts';
import { faults } from './rules.ts';
import { stand } from './stand.ts';

const bench = stand();
const rideCount = (page: Page): Promise<number> =>
  page.$$eval('[data-testid=rides] > li', (all) => all.length);

/** A recording of any logger, of so many rows and eight channels. */
async function recording(rows: number, name: string): Promise<string> {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'log-')), name);
  const out = createWriteStream(file);
  out.write(
    'time (s),distance (m),speed (km/h),volts,amps,motor temp (C),altitude (m),rider power (W),cadence\n',
  );
  let text = '';
  for (let i = 0; i < rows; i += 1) {
    const t = i / 10;
    const hot = i === 333_333 ? 133 : 40 + 20 * Math.sin(t / 900);
    text += `${t.toFixed(1)},${(t * 5).toFixed(1)},18.0,${(52 - t / 40_000).toFixed(2)},${(8 + 4 * Math.sin(t / 30)).toFixed(2)},${hot.toFixed(1)},${(100 + 20 * Math.sin(t / 200)).toFixed(1)},60,62\n`;
    if (i % 5000 !== 4999) continue;
    if (!out.write(text)) await once(out, 'drain');
    text = '';
  }
  out.end(text);
  await once(out, 'finish');
  return file;
}

describe('the road', () => {
  it('has a form for a ride that keeps the rules of every screen', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'road');
    await page.goto(page.url().replace(/road.*$/, 'road?view=rides&do=log'));
    await settled(page, '[data-testid=log-ride]');
    expect(await faults(page)).toEqual([]);
  });

  it('puts one ride on paper, with what was read on the way', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'road');
    await page.waitForSelector('[data-testid=ride-menu]');
    await page.click('[data-testid=ride-menu]');
    await clickWords(page, 'Print it', '[role=menuitem]');
    await settled(page, '[data-testid=ride-sheet]');
    await says(page, '[data-testid=ride-sheet] h1', 'Market run and back');
    await says(page, '[data-testid=ride-sheet]', 'simulated: a stand-in rode it');
    await says(page, '[data-testid=beside]', 'Energy');
    await says(page, '[data-testid=on-the-way]', 'Gauge, of 5');
    await page.goto(page.url().replace(/ride=.*$/, 'ride=gone'));
    await says(page, 'main', 'not written down here');
  });

  it('takes a ride typed on a telephone without a signal, and sends it when there is one', async () => {
    const page = await bench.open(390, 844);
    await openBuild(page, bench.application, 'Choir tandem', 'road');
    await page.waitForSelector('[data-testid=rides]');
    const before = await rideCount(page);
    await clickWords(page, 'Log a ride');
    await page.waitForSelector('[data-testid=log-ride]');
    await page.waitForFunction(() => document.querySelectorAll('[data-testid=ride-route] option').length > 3);
    await page.select('[data-testid=ride-route]', 'market-run');
    // The road is read, and whoever rides the plan is there, before the signal is gone.
    await says(page, '[data-testid=log-ride]', '22.0');
    await page.waitForFunction(() => {
      const row = document.querySelector('[data-reading=minutes]')?.closest('label');
      return /\d/.test(row?.lastElementChild?.textContent ?? '');
    });
    await page.setOfflineMode(true);
    await page.type('[data-reading=distanceKm]', '22,0');
    await page.type('[data-reading=minutes]', '59');
    await page.type('[data-reading=energyWh]', '9999999');
    expect(await page.$eval('[data-testid=keep-ride]', (b) => (b as HTMLButtonElement).disabled)).toBe(true);
    await typeOver(page, '[data-reading=energyWh]', '262');
    await clickWords(page, 'still');
    await clickWords(page, '2');
    await clickWords(page, 'display');
    // Stopped once on the way: a stop needs its distance, and lies on the ride.
    await page.$eval('[data-testid=way-form]', (e) => {
      e.scrollIntoView({ block: 'center' });
    });
    await page.click('[data-testid=way-form] summary');
    await page.type('[data-testid=stop] [data-stop=restV]', '52,4');
    await says(page, '[data-testid=way-form]', 'After how far was it?');
    await page.type('[data-testid=stop] [data-stop=km]', '31');
    await says(page, '[data-testid=way-form]', 'beyond the end of the ride');
    await typeOver(page, '[data-testid=stop] [data-stop=km]', '11');
    await page.type('[data-testid=stop] [data-stop=gauge]', '4');
    await page.type('[data-testid=gauge-of]', '5');
    await page.waitForFunction(
      () => document.querySelectorAll('[data-testid=way-form] [role=alert]').length === 0,
    );
    await page.$eval('[data-testid=noticed-form]', (e) => {
      e.scrollIntoView({ block: 'center' });
    });
    await page.click('[data-testid=noticed-form] summary');
    await clickWords(page, 'Jerks');
    await page.type('[data-testid=log-ride] input[placeholder="your name"]', 'L. Ladder');
    await says(page, '[data-testid=ride-verdict]', 'measured');
    // Whoever looks elsewhere in between finds what was typed.
    await clickWords(page, 'All 2 rides');
    await clickWords(page, 'Log a ride');
    await page.waitForSelector('[data-reading=energyWh]');
    expect(await page.$eval('[data-reading=energyWh]', (e) => (e as HTMLInputElement).value)).toBe('262');
    await page.waitForSelector('[data-testid=keep-ride]:not(:disabled)');
    await page.click('[data-testid=keep-ride]');
    await says(page, '[data-testid=outbox]', 'kept in this browser');
    await page.waitForSelector('[data-testid=rides]');
    expect(await rideCount(page)).toBe(before + 1);
    await page.setOfflineMode(false);
    await page.waitForFunction(() => document.querySelector('[data-testid=outbox]')?.textContent === '');
    await page.reload();
    await page.waitForSelector('[data-testid=rides]');
    expect(await rideCount(page)).toBe(before + 1);
    await page.waitForSelector('[data-beside=energy]');
    await says(page, '[data-testid=ride]', 'level 2; told by display');
    await says(page, '[data-testid=told-by]', 'either way is counted');
    await says(page, '[data-testid=by-level]', '22');
    await says(page, '[data-testid=on-the-way]', 'Gauge, of 5');
    await says(page, '[data-testid=on-the-way]', '52.4');
    await says(page, '[data-testid=noticed]', 'Jerks');

    // Put right, it says so, and what it said first stays in the record.
    // At the foot of the sheet the tab of the tray may lie over it: a thumb scrolls it up.
    await page.$eval('[data-testid=ride-menu]', (e) => {
      e.scrollIntoView({ block: 'center' });
    });
    await page.click('[data-testid=ride-menu]');
    await clickWords(page, 'Put it right', '[role=menuitem]');
    await page.waitForSelector('[data-testid=log-ride]');
    await typeOver(page, '[data-reading=energyWh]', '272');
    await page.waitForSelector('[data-testid=keep-ride]:not(:disabled)');
    await page.click('[data-testid=keep-ride]');
    await says(page, '[data-testid=ride]', 'put right once');
    await page.waitForSelector('[data-testid=rides]');
    expect(await rideCount(page)).toBe(before + 1);
  });

  it('brings in a million rows, stopped once, with progress, and loses no spike', async () => {
    const file = await recording(1_000_000, 'long.csv');
    const page = await bench.open();
    await openBuild(page, bench.application, 'Kiln courier', 'road');
    await clickWords(page, 'Bring in a recording');
    const chooser = (await page.waitForSelector('[data-testid=log-file]')) as ElementHandle<HTMLInputElement>;
    await chooser.uploadFile(file);
    await page.waitForSelector('[data-testid=log-columns]');
    expect(await page.$eval('[data-testid=log-columns]', (t) => (t as HTMLElement).innerText)).toContain(
      'motor temp (C)',
    );
    await page.type('[role=dialog] input[placeholder="your name"]', 'R. Quince');
    await page.select('[data-testid=log-wind]', '0');
    await page.click('[data-testid=read-log]');
    await page.waitForSelector('[data-testid=stop-import]');
    await page.waitForFunction(() =>
      /[1-9][\d,]* rows/.test(document.querySelector('[data-testid=log-progress]')?.textContent ?? ''),
    );
    await page.click('[data-testid=stop-import]');
    await says(page, '[data-testid=log-trouble]', 'Nothing was stored');
    expect(await page.$('[data-testid=rides]')).toBeNull();
    await page.click('[data-testid=read-log]');
    await page.waitForSelector('[data-testid=rides] > li');
    await says(page, '[data-testid=facts]', 'Out of the pack');
    await page.waitForSelector('[data-chart] svg');
    // The one row of a million that is hot stands in the chart's table of words and in the ride.
    await says(page, '[data-testid=found]', 'Fewest volts');
    await page.click('[data-testid=ride-menu]');
    await clickWords(page, 'Put it right', '[role=menuitem]');
    await page.waitForSelector('[data-testid=log-ride]');
    await clickWords(page, 'Heat test');
    expect(await page.$eval('[data-reading=hottestC]', (e) => (e as HTMLInputElement).value)).toBe('133');
  });

  it('says what is wrong with a file, by its lines, and keeps what was chosen', async () => {
    const file = await recording(40, 'short.csv');
    const page = await bench.open();
    await openBuild(page, bench.application, 'Tide-flat trike', 'road');
    await clickWords(page, 'Bring in a recording');
    const chooser = (await page.waitForSelector('[data-testid=log-file]')) as ElementHandle<HTMLInputElement>;
    await chooser.uploadFile(file);
    await page.waitForSelector('[data-testid=log-columns]');
    // Amps taken for elevation: every row is told, none is taken.
    await page.select('select[aria-label="What amps holds"]', 'latDeg');
    await page.select('select[aria-label="What volts holds"]', 'lonDeg');
    await page.select('select[aria-label="What rider power (W) holds"]', 'cadence');
    await page.select('select[aria-label="What altitude (m) holds"]', 'latDeg');
    await page.type('[role=dialog] input[placeholder="your name"]', 'R. Quince');
    await page.click('[data-testid=read-log]');
    await says(page, '[data-testid=log-trouble]', 'Nothing was stored');
    expect(await page.$$eval('[data-testid=bad-rows] li', (all) => all.length)).toBeGreaterThan(3);
    expect(await page.$eval('select[aria-label="What altitude (m) holds"]', (s) => s.value)).toBe('latDeg');
  });

  it('teaches: from the rides with a recording two values are taken, and hill and range move against the pin', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'road');
    await page.waitForSelector('[data-testid=rides]');
    const [hill, range] = [await figureText(page, 'hill'), await figureText(page, 'range')];
    await page.click('a[href$="?view=learn"]');
    await page.waitForSelector('[data-testid=learn]:not(:disabled)');
    await page.click('[data-testid=learn]');
    await page.waitForSelector('[data-testid=learnt]');
    await says(page, '[data-testid=held-out]', 'did not see');
    // Nothing is taken by itself.
    expect(await page.$$eval('[data-learnt] [aria-pressed=true]', (all) => all.length)).toBe(0);
    const offered = await page.$$eval('[data-learnt]', (rows) =>
      rows
        .filter((row) => row.querySelector('button') !== null)
        .map((row) => row.getAttribute('data-learnt') ?? ''),
    );
    expect(offered).toContain('donor.cdaM2');
    expect(await faults(page)).toEqual([]);
    for (const one of ['donor.cdaM2', ...offered.filter((o) => o !== 'donor.cdaM2')].slice(0, 2))
      await page.click(`[data-learnt="${one}"] button`);
    await says(page, '[data-testid=if-taken]', 'Range');
    await page.click('[data-testid=keep-learnt]');
    await page.waitForFunction(
      (h, r) =>
        document.querySelector('[data-figure=range]')?.textContent !== r ||
        document.querySelector('[data-figure=hill]')?.textContent !== h,
      {},
      hill,
      range,
    );
    await page.goto(page.url().replace(/road.*$/, 'donor'));
    await page.waitForSelector('[data-field="donor.cdaM2"]');
    await says(page, '[data-field="donor.cdaM2"]', 'measured');
  });

  it('keeps the battery book and the upkeep, and gives the calendar out', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'road');
    await page.waitForSelector('[data-testid=rides]');
    await page.click('a[href$="?view=battery"]');
    await says(page, '[data-testid=battery-book]', '5 charges');
    await page.type('[data-charge=voltsBefore]', '47,2');
    await page.type('[data-charge=voltsAfter]', '54,2');
    await page.type('[data-charge=chargeAh]', '9,6');
    await page.type('input[placeholder="your name"]', 'R. Quince');
    await page.click('[data-testid=keep-charge]');
    await says(page, '[data-testid=battery-book]', '6 charges');
    await page.click('[data-testid=take-health]');
    await page.waitForFunction(() => document.querySelector('[data-figure=range]') !== null);
    await page.click('a[href$="?view=upkeep"]');
    await page.waitForSelector('[data-task=plugs]');
    await says(page, '[data-testid=kept-up]', '?');
    await page.type('input[aria-label^="What it cost: Plugs"]', '7,10');
    await page.click('[data-task=plugs] button');
    await says(page, '[data-task=plugs]', 'by R. Quince');
    // By hand: 7.10 in the 71 km of its rides.
    await says(page, '[data-testid=kept-up]', '£10.0');
  });

  it('counts only a part of a recording that ran on, and the whole again', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'road');
    await says(page, '[data-testid=rides]', 'Market run and back');
    const row = '[data-testid=rides] > li:first-child';
    await says(page, row, '22.0');
    const cut = async (): Promise<void> => {
      await quiet(page);
      await page.click('[data-testid=ride-menu]');
      await chooseItem(page, 'Cut the recording');
      await page.waitForSelector('[role=dialog] input[inputmode=decimal]');
    };
    await cut();
    const [from, to] = await page.$$('[role=dialog] input[inputmode=decimal]');
    const type = async (field: ElementHandle | undefined, text: string): Promise<void> => {
      await field?.click({ count: 3 });
      await field?.type(text);
    };
    await type(from, '9');
    await type(to, '2');
    await says(page, '[role=dialog]', 'to something beyond it');
    await type(from, '2');
    await type(to, '20');
    await page.type('[role=dialog] input[placeholder="your name"]', 'R. Quince');
    await clickWords(page, 'Keep only this', '[role=dialog] button');
    await says(page, row, '18.0');
    await says(page, '[data-testid=ride]', 'a part of its recording is the ride');
    // The plan is ridden over what is left, and still holds against it.
    await says(page, '[data-testid=beside]', 'Energy');
    await cut();
    await clickWords(page, 'Take the cut back', '[role=dialog] button');
    await says(page, row, '22.0');
    await says(page, '[data-testid=ride]', 'put right 2 times');
  });

  it('rides it now, simulated, live, and says so', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'District nurse’s tourer', 'road');
    await page.waitForSelector('[data-testid=stamp]');
    await clickWords(page, 'Ride it now, simulated');
    await page.waitForFunction(
      () => document.querySelectorAll('[data-testid=simulate-route] option').length > 3,
    );
    await page.select('[data-testid=simulate-route]', 'crate-lane');
    await page.type('[role=dialog] input[placeholder="your name"]', 'R. Quince');
    await clickWords(page, 'Ride it, live');
    await says(page, '[data-testid=live]', 'km/h');
    await page.waitForSelector('[data-testid=keep-simulated]:not(:disabled)');
    await page.click('[data-testid=keep-simulated]');
    await page.waitForSelector('[data-testid=rides] > li');
    await says(page, '[data-testid=rides]', '(simulated)');
    await says(page, '[data-testid=beside]', 'Energy');
  });
});
