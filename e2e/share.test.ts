import { networkInterfaces } from 'node:os';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApplication, type Application } from './application.ts';
import { launch, newPage } from './browser.ts';
import { clickWords, pressUntil } from './hands.ts';

/** An address of this machine that is not its loopback: a page of it is no secure context, as on a tablet. */
const own = Object.values(networkInterfaces())
  .flatMap((all) => all ?? [])
  .find((one) => !one.internal && one.family === 'IPv4')?.address;

describe.skipIf(own === undefined)('a tablet on the same network', () => {
  let application: Application;
  let browser: Browser;
  let afar: string;
  beforeAll(async () => {
    [application, browser] = await Promise.all([startApplication(undefined, ['--share']), launch(own)]);
    afar = `http://${own ?? ''}:${new URL(application.url).port}/`;
  });
  afterAll(async () => {
    await browser.close();
    await application.stop();
  });

  const at = async (url: string): Promise<Page> => {
    const page = await newPage(browser, 768, 1024);
    await page.goto(url);
    return page;
  };
  /** The code that the help of the computer shows. */
  async function codeShown(): Promise<string> {
    const page = await at(application.url);
    await page.waitForSelector('button[aria-label=Help]');
    await page.click('button[aria-label=Help]');
    await pressUntil(page, () => clickWords(page, 'Show a code'), '[data-testid=share-code]');
    const shown = await page.waitForSelector('[data-testid=share-code] b');
    const code = await shown?.evaluate((e) => e.textContent.replaceAll(/\D/g, ''));
    await page.close();
    return code ?? '';
  }

  it('is asked for the code, works the bench with it, and is signed out at the computer', async () => {
    const tablet = await at(afar);
    await tablet.waitForSelector('input[aria-label=Code]');
    expect(await tablet.evaluate(() => window.isSecureContext)).toBe(false);
    await tablet.type('input[aria-label=Code]', '1234 5678');
    await clickWords(tablet, 'Let me in');
    await tablet.waitForFunction(
      () => document.querySelector('[role=alert]')?.textContent.includes('wrong') === true,
    );
    const code = await codeShown();
    // As a camera opens it from the picture.
    await tablet.goto('about:blank');
    await tablet.goto(`${afar}#code=${code}`);
    await clickWords(tablet, 'Let me in');
    await tablet.waitForFunction(() => document.body.textContent.includes('Choir tandem'));
    expect(tablet.url()).not.toContain('code');

    // A run is begun and a step passed, over plain http: keys and queue need no secure context.
    const id = await tablet.evaluate(async () => {
      const answer = (await (await fetch('/api/builds')).json()) as {
        documents: { id: string; document: { name: string } }[];
      };
      return answer.documents.find((d) => d.document.name === 'Choir tandem')?.id ?? '';
    });
    await tablet.goto(`${afar}builds/${id}/bench`);
    const who = await tablet.waitForSelector('input[placeholder="your name"]');
    await who?.type('D. Ladder');
    await clickWords(tablet, 'Begin the run');
    await tablet.waitForSelector('[data-testid=step-title]');
    for (const box of await tablet.$$('[aria-label=Answer] input[type=checkbox]')) await box.click();
    await tablet.click('[data-testid=pass]');
    await tablet.waitForFunction(
      () => document.querySelector('[data-testid=stamp]')?.textContent.includes('1 of') === true,
    );

    // Signed out at the computer: the next word of the tablet is refused, and it is asked for a code again.
    const computer = await at(application.url);
    await computer.waitForSelector('button[aria-label=Help]');
    await computer.click('button[aria-label=Help]');
    await clickWords(computer, 'Sign out');
    await computer.waitForFunction(
      () => document.querySelector('[role=dialog]')?.textContent.includes('seen') === false,
    );
    await tablet.goto(afar);
    await tablet.waitForSelector('input[aria-label=Code]');
  });
});
