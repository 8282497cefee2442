import type { Browser, Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, expect } from 'vitest';
import { startApplication, type Application } from './application.ts';
import { launch, watched, type Watch } from './browser.ts';

/** One application and one browser for a file of tests; each test opens the pages that it needs. */
export interface Stand {
  readonly application: Application;
  /** Kills the server as a crash would and starts another on the same database. */
  readonly crash: () => Promise<void>;
  /** A page with settings of its own; `beside` shares them with another page, as a second window does. */
  readonly open: (width?: number, height?: number, beside?: Page) => Promise<Page & Watch>;
}

/**
 * Clears away what pages have kept in the browser's own context. Tests take turns in it, since what it has fetched
 * and compiled of the application stays there and need not be had again.
 */
async function forget(browser: Browser | undefined, origins: ReadonlySet<string>): Promise<void> {
  const [blank] = (await browser?.defaultBrowserContext().pages()) ?? [];
  const session = await blank?.createCDPSession();
  for (const origin of origins)
    await session?.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
  await session?.detach();
}

/** Sets the stand up for the file and clears it away. Whatever a test does, its pages must run clean. */
export function stand(): Stand {
  let application: Application | undefined;
  let browser: Browser | undefined;
  const pages: (Page & Watch)[] = [];
  /** Where pages of this file have come from: a server that crashed starts again at another address. */
  const origins = new Set<string>();

  const begin = async (): Promise<void> => {
    application = await startApplication(application?.database);
    origins.add(application.url);
  };

  beforeAll(async () => {
    [, browser] = await Promise.all([begin(), launch()]);
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
    await forget(browser, origins);
  });

  return {
    get application() {
      if (application === undefined) throw new Error('the application has not started');
      return application;
    },
    async crash() {
      await application?.kill();
      await begin();
    },
    async open(width = 1280, height = 800, beside) {
      if (browser === undefined) throw new Error('the browser has not started');
      const own = browser.defaultBrowserContext();
      const taken = pages.some((page) => page.browserContext() === own);
      const context = beside?.browserContext() ?? (taken ? await browser.createBrowserContext() : own);
      const page = await watched(await context.newPage(), width, height);
      pages.push(page);
      return page;
    },
  };
}
