import type { Browser, Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, expect } from 'vitest';
import { startApplication, type Application } from './application.ts';
import { launch, newPage, watched, type Watch } from './browser.ts';

/** One application and one browser for a file of tests; each test opens the pages that it needs. */
export interface Stand {
  readonly application: Application;
  /** Kills the server as a crash would and starts another on the same database. */
  readonly crash: () => Promise<void>;
  /** A page with settings of its own; `beside` shares them with another page, as a second window does. */
  readonly open: (width?: number, height?: number, beside?: Page) => Promise<Page & Watch>;
}

/** Sets the stand up for the file and clears it away. Whatever a test does, its pages must run clean. */
export function stand(): Stand {
  let application: Application | undefined;
  let browser: Browser | undefined;
  const pages: (Page & Watch)[] = [];

  beforeAll(async () => {
    [application, browser] = await Promise.all([startApplication(), launch()]);
  });
  afterAll(async () => {
    await browser?.close();
    await application?.stop();
  });
  afterEach(async () => {
    for (const page of pages.splice(0)) {
      expect(page.troubles).toEqual([]);
      if (!page.isClosed()) await page.close();
    }
  });

  return {
    get application() {
      if (application === undefined) throw new Error('the application has not started');
      return application;
    },
    async crash() {
      await application?.kill();
      application = await startApplication(application?.database);
    },
    async open(width = 1280, height = 800, beside) {
      if (browser === undefined) throw new Error('the browser has not started');
      const page =
        beside === undefined
          ? await newPage(browser, width, height)
          : await watched(await beside.browserContext().newPage(), width, height);
      pages.push(page);
      return page;
    },
  };
}
