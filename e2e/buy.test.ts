import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { settled, type Watch } from './browser.ts';
import { chooseItem, clickWords, downloaded, kept, openBuild, typeInto } from './hands.ts';
import { sidewaysAnywhere, tooSmall, violationsInBoth } from './rules.ts';
import { stand } from './stand.ts';

const bench = stand();
const line = (key: string): string => `[data-line="${key}"]`;
const says = (page: Page, selector: string, words: string) =>
  page.waitForFunction(
    (s, w) => document.querySelector(s)?.textContent.includes(w) === true,
    {},
    selector,
    words,
  );

async function setState(page: Page, key: string, words: string): Promise<void> {
  await page.click(`${line(key)} button`);
  await chooseItem(page, words);
  await says(page, `${line(key)} td`, words);
}

async function open(): Promise<{ page: Page & Watch; id: string }> {
  const page = await bench.open();
  const id = await openBuild(page, bench.application, 'Orchard longtail', 'buy');
  await page.waitForSelector('[data-testid=parts-list]');
  return { page, id };
}

describe('what is still missing', () => {
  it('stands with its reason; is ordered, arrives, is fitted; and what the build asks for no more stays', async () => {
    const { page } = await open();
    await says(
      page,
      line('gearbox-spacers').replace('gearbox-spacers', 'shell-sleeve'),
      'the motor’s tube is loose in the shell',
    );
    await setState(page, 'shell-sleeve', 'ordered');
    await setState(page, 'shell-sleeve', 'arrived');
    await setState(page, 'shell-sleeve', 'fitted');
    await page.type(`${line('shell-sleeve')} input[aria-label^=Price]`, '4.5');
    await page.type(`${line('shell-sleeve')} input[aria-label^=Days]`, '4');
    await page.type(`${line('shell-sleeve')} input[aria-label^=Supplier]`, 'Ostler');
    await kept(page);

    // Another motor: a hub wants no sleeve, but torque arms.
    await page.goto(page.url().replace('/buy', '/drive'));
    await page.waitForSelector('[data-testid=shelf-motor]');
    await page.click('[data-testid=shelf-motor]');
    await page.waitForSelector('button[aria-label="Take: Corvane G-750"]');
    await page.click('button[aria-label="Take: Corvane G-750"]');
    await kept(page);
    await page.goto(page.url().replace('/drive', '/buy'));
    await says(page, line('shell-sleeve'), 'the build asks for it no more');
    await says(page, line('torque-arms'), 'Torque arm');
    await clickWords(page, 'Take out');
    await page.waitForFunction((s) => document.querySelector(s) === null, {}, line('shell-sleeve'));
  });

  it('goes out as a table, is changed elsewhere, and comes in again; a table that is no list is refused', async () => {
    const { page } = await open();
    const folder = mkdtempSync(path.join(tmpdir(), 'list-'));
    const text = await downloaded(page, folder, () => clickWords(page, 'Table (CSV)'), '.csv');
    const changed = path.join(folder, 'changed.csv');
    writeFileSync(
      changed,
      text
        .split('\r\n')
        .map((row) => (/^(fuse|grease),/.test(row) ? row.replace(',needed,,', ',ordered,6.20,') : row))
        .join('\r\n'),
    );
    const input = await page.waitForSelector('input[data-testid=import-list]');
    await (input as unknown as { uploadFile(file: string): Promise<void> }).uploadFile(changed);
    await says(page, `${line('fuse')} td`, 'ordered');
    expect(await page.$eval(`${line('grease')} input[aria-label^=Price]`, (i) => i.value)).toBe('6.2');

    writeFileSync(changed, 'key,price\r\nfuse,dear\r\ngold,1\r\n');
    await (input as unknown as { uploadFile(file: string): Promise<void> }).uploadFile(changed);
    await says(page, '[data-testid=import-list-issues]', 'line 2, price');
    await says(page, '[data-testid=import-list-issues]', 'line 3, key');
  });

  it('prints by supplier, with an open box for each', async () => {
    const { page } = await open();
    await page.type(`${line('tape')} input[aria-label^=Supplier]`, 'Ostler');
    await kept(page);
    await page.click('a[href$=shopping-list]');
    await settled(page, '[data-testid=shopping-list]');
    const words = await page.$eval('[data-testid=shopping-list]', (e) => e.textContent);
    expect(words).toMatch(/Ostler.*Insulating tape.*No supplier yet/s);
    expect(words).not.toContain('Hollin & Bray freight longtail');
  });

  it('can be read by everybody, at a desk, on a tablet and on a telephone', async () => {
    const { page } = await open();
    expect(await violationsInBoth(page)).toEqual([]);
    expect(await sidewaysAnywhere(page)).toEqual([]);
    await page.setViewport({ width: 768, height: 1024 });
    expect(await tooSmall(page)).toEqual([]);
    await page.setViewport({ width: 1280, height: 800 });
    await page.goto(page.url().replace('/buy', '/brief'));
    await typeInto(page, 'brief.loadMassKg', '70');
    await kept(page);
  });
});
