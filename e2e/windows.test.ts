import Sqlite from 'better-sqlite3';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { settled } from './browser.ts';
import { chooseItem, clickWords, kept, openBuild, says, typeInto, typeOver } from './hands.ts';
import { stand } from './stand.ts';

const bench = stand();
const BEGUN_ON = new Date().toDateString();
const { open } = bench;
const valueOf = (page: Page, field: string): Promise<string> =>
  page.$eval(`[data-field="${field}"] input`, (i) => i.value);

/** Hears what the page asks before it is left. */
function asksBeforeLeaving(page: Page): () => number {
  let asked = 0;
  page.on('dialog', (dialog) => {
    if (dialog.type() === 'beforeunload') asked += 1;
  });
  return () => asked;
}

describe('a build that two windows have open', () => {
  it('and one puts away: the other says so at once, and brings it back with what is typed meanwhile', async () => {
    const first = await open();
    await openBuild(first, bench.application, 'Choir tandem', 'brief');
    const second = await open(1280, 800, first);
    await openBuild(second, bench.application, 'Choir tandem', 'brief');
    await second.click('[data-testid=build-menu]');
    await chooseItem(second, 'Put this build away');
    await second.waitForFunction(() => document.querySelector('h1')?.textContent === 'Builds');
    await first.bringToFront();
    await first.waitForSelector('[data-save-state=gone]');
    await says(first, 'main', /put away in another window/);
    await typeInto(first, 'brief.loadMassKg', '21');
    await clickWords(first, 'Bring it back');
    await kept(first);
    await first.reload();
    await settled(first, '[data-field="brief.loadMassKg"] input');
    expect(await valueOf(first, 'brief.loadMassKg')).toBe('21');
  });
});

describe('what a closed window left unsent', () => {
  it('is offered on the builds page with what differs, and goes on in another window', async () => {
    const first = await open();
    await openBuild(first, bench.application, 'Tide-flat trike', 'brief');
    const second = await open(1280, 800, first);
    await second.goto(bench.application.url);
    await settled(second, '[data-judged]');
    await first.bringToFront();
    await first.setOfflineMode(true);
    await typeInto(first, 'brief.loadMassKg', '33');
    await first.waitForSelector('[data-save-state=offline]');
    // It dies: one that is closed in order sends what it has, where the line is back by then.
    const died = new Promise((done) => first.once('error', done));
    const session = await first.createCDPSession();
    session.send('Page.crash').catch(() => undefined);
    await died;
    await second.bringToFront();
    await second.reload();
    await second.waitForSelector('[data-testid=left-behind]');
    await says(second, '[data-testid=left-behind]', /“Tide-flat trike” unsent.*Differs in: Load/);
    await clickWords(second, 'Bring them in');
    await settled(second, '[data-field="brief.loadMassKg"] input');
    expect(await valueOf(second, 'brief.loadMassKg')).toBe('33');
    await kept(second);
    expect(await second.evaluate(() => localStorage.length)).toBeLessThanOrEqual(1);
  });
});

describe('leaving the page', () => {
  it('is asked about only while something would stay behind', async () => {
    const page = await open();
    const asked = asksBeforeLeaving(page);
    await openBuild(page, bench.application, 'Tide-flat trike', 'brief');
    await typeInto(page, 'brief.distanceKm', '18');
    await kept(page);
    await page.reload();
    await settled(page, '[data-field="brief.distanceKm"] input');
    expect(asked()).toBe(0);
    await page.setOfflineMode(true);
    await typeInto(page, 'brief.distanceKm', '19');
    await page.waitForSelector('[data-save-state=offline]');
    await page.setOfflineMode(false);
    await page.reload();
    expect(asked()).toBe(1);
    await settled(page, '[data-field="brief.distanceKm"] input');
    expect(await valueOf(page, 'brief.distanceKm')).toBe('19');
    await kept(page);
  });
});

describe('the form of a part', () => {
  const fill = (page: Page, key: string, text: string): Promise<void> =>
    typeOver(page, `[data-part-field="${key}"] input`, text);

  it('holds what is typed over a reload, and sends it when the server is back', async () => {
    const page = await open();
    await page.goto(`${bench.application.url}/shelf/ring`);
    await settled(page, '[data-part]');
    await clickWords(page, 'New ring');
    await fill(page, 'name', 'Test ring 40 T');
    await fill(page, 'maker', 'Test');
    await fill(page, 'teeth', '40');
    await page.reload();
    await settled(page, '[data-part]');
    await clickWords(page, 'New ring');
    await says(page, '[role=dialog]', /What you typed before is in the form again/);
    await fill(page, 'massKg', '0.2');
    await page.setOfflineMode(true);
    await clickWords(page, 'Put on the shelf');
    await says(page, 'main', /Test ring 40 T: server away, kept here/);
    await page.setOfflineMode(false);
    await says(page, '[data-testid=shelf-table]', /Test ring 40 T/);
    await page.waitForFunction(() => !document.querySelector('main')?.textContent.includes('server away'));
  });
});

describe('a stored build that cannot be read', () => {
  it('takes no other down: it is named, given out as it lies there, and put away', async () => {
    const page = await open();
    const file = new Sqlite(bench.application.database);
    file.prepare("UPDATE builds SET document = '{\"torn' WHERE document LIKE '%Kiln courier%'").run();
    file.close();
    await page.goto(bench.application.url);
    await settled(page, '[data-judged]');
    await says(page, 'main', /A stored build cannot be read/);
    const address = await page.$eval('main a[download]', (a) => a.href);
    expect(await (await fetch(address)).text()).toBe('{"torn');
    await clickWords(page, 'Put it away');
    await page.waitForFunction(
      () => !document.querySelector('main')?.textContent.includes('cannot be read ('),
    );
    await says(page, 'main', /was put away/);
  });
});

describe('help', () => {
  it('says how old the newest backup is, and how to go back', async () => {
    const page = await open();
    await page.goto(bench.application.url);
    await settled(page, '[data-judged]');
    await page.keyboard.press('?');
    // Made as the server started: of a run over midnight that was yesterday.
    const made = new Date().toDateString() === BEGUN_ON ? 'today' : '(today|yesterday)';
    await says(page, '[data-testid=backup]', new RegExp(`The last was made ${made}`));
    await says(page, '[role=dialog]', /npm run restore -- FILE/);
  });
});
