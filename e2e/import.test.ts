import { writeFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { settled, type Watch } from './browser.ts';
import { figureText, says } from './hands.ts';
import { stand } from './stand.ts';

const bench = stand();
let page: Page & Watch;

beforeEach(async () => {
  page = await bench.open();
});

const home = async (): Promise<void> => {
  await page.goto(bench.application.url);
  await settled(page, '[data-judged]');
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
    await page.waitForSelector('[data-testid=import-file-issues]');
    const text = await page.$eval('[role=dialog]', (d) => d.textContent);
    expect(text).toContain('brief.riderMassKg.value: wanted a number, found "heavy"');
    expect(text).toContain('donor: wanted an object, found nothing');
    expect(await page.$('[data-build="Half a build"]')).toBeNull();
  });

  it('that is no JSON says so', async () => {
    await bring('this is a shopping list');
    await page.waitForSelector('[data-testid=import-file-issues]');
    await says(page, '[data-testid=import-file-issues]', 'wanted JSON');
  });

  it('that was exported comes back the same', async () => {
    const list = (await (await fetch(`${bench.application.url}/api/builds`)).json()) as {
      documents: { id: string; document: { name: string } }[];
    };
    const trike = list.documents.find((b) => b.document.name === 'Tide-flat trike');
    const text = await (
      await fetch(`${bench.application.url}/api/builds/${String(trike?.id)}/export`)
    ).text();
    await bring(text.replace('Tide-flat trike', 'Tide-flat trike, second'));
    await settled(page, '[data-figure=hill]');
    const original = await bench.open();
    await original.goto(`${bench.application.url}/builds/${String(trike?.id)}/hill`);
    await settled(original, '[data-figure=hill]');
    expect(await figureText(page, 'hill')).toBe(await figureText(original, 'hill'));
  });
});
