import { writeFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { startApplication, type Application } from './application.ts';
import { launch, newPage, settled, type Watch } from './browser.ts';
import { figureText } from './hands.ts';

let application: Application;
let browser: Browser;
let page: Page & Watch;

beforeAll(async () => {
  [application, browser] = await Promise.all([startApplication(), launch()]);
});
afterAll(async () => {
  await browser.close();
  await application.stop();
});
beforeEach(async () => {
  page = await newPage(browser);
});
afterEach(async () => {
  // Whatever a test does, the page must run clean and ask nothing of any other machine.
  expect(page.troubles).toEqual([]);
  await page.close();
});

const home = async (): Promise<void> => {
  await page.goto(application.url);
  await settled(page, '[data-build]');
};

describe('bringing in a file', () => {
  const file = join(tmpdir(), `apple-cart-import-${String(process.pid)}.json`);
  afterAll(() => rm(file, { force: true }));
  const bring = async (text: string): Promise<void> => {
    await writeFile(file, text);
    await home();
    const input = await page.$('[data-testid=import-file]');
    await (input as ElementHandle<HTMLInputElement>).uploadFile(file);
  };

  it('that is broken says what to mend, with paths, and stores nothing', async () => {
    await bring(
      '{"schemaVersion": 1, "name": "Half a build", "brief": {"riderMassKg": {"source": "measured", "value": "heavy"}}}',
    );
    await page.waitForSelector('[data-testid=import-issues]');
    const text = await page.$eval('[role=dialog]', (d) => d.textContent);
    expect(text).toContain('brief.riderMassKg.value: wanted a number, found "heavy"');
    expect(text).toContain('donor: wanted an object, found nothing');
    expect(await page.$('[data-build="Half a build"]')).toBeNull();
  });

  it('that is no JSON says so', async () => {
    await bring('this is a shopping list');
    await page.waitForSelector('[data-testid=import-issues]');
    expect(await page.$eval('[data-testid=import-issues]', (d) => d.textContent)).toContain('wanted JSON');
  });

  it('that was exported comes back the same', async () => {
    const list = (await (await fetch(`${application.url}/api/builds`)).json()) as {
      builds: { id: string; document: { name: string } }[];
    };
    const trike = list.builds.find((b) => b.document.name === 'Tide-flat trike');
    const text = await (await fetch(`${application.url}/api/builds/${String(trike?.id)}/export`)).text();
    await bring(text.replace('Tide-flat trike', 'Tide-flat trike, second'));
    await settled(page, '[data-figure=hill]');
    const original = await newPage(browser);
    await original.goto(`${application.url}/builds/${String(trike?.id)}/hill`);
    await settled(original, '[data-figure=hill]');
    expect(await figureText(page, 'hill')).toBe(await figureText(original, 'hill'));
    await original.close();
  });
});
