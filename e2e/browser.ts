import puppeteer, { type Browser, type ClickOptions, type ElementHandle, type Page } from 'puppeteer-core';

export type { Page };

/**
 * Headless Chromium that can reach nothing but this machine.
 * @param own another address of this machine, as a tablet of its network would call it
 */
export const launch = (own?: string): Promise<Browser> =>
  puppeteer.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
    headless: 'shell',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--force-color-profile=srgb',
      '--font-render-hinting=none',
      `--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost${own === undefined ? '' : `, EXCLUDE ${own}`}`,
    ],
  });

/** What the driver says where an element was drawn anew between its being found and its being pressed. */
const GONE = /detached|not clickable|Could not find (?:object|node)|does not belong to the document/;

/** Does what a hand does. Where what it reached for has been drawn anew nothing was pressed, and it is sought again. */
export async function again(act: () => Promise<void>): Promise<void> {
  for (let tries = 0; ; tries += 1)
    try {
      await act();
      return;
    } catch (problem) {
      if (tries === 8 || !GONE.test(String(problem))) throw problem;
      await new Promise((done) => setTimeout(done, 100));
    }
}

/** Presses an element as a hand does, which presses what it sees: not before it stands still. */
export async function press(element: ElementHandle, options?: ClickOptions): Promise<void> {
  await element.evaluate(async (e) => {
    let before = '';
    for (let tries = 0; tries < 100; tries += 1) {
      const now = JSON.stringify(e.getBoundingClientRect());
      if (now === before) return;
      before = now;
      await new Promise((done) => setTimeout(done, 32));
    }
  });
  await element.click(options);
}

export interface Watch {
  /** Errors of the page and its console, and requests that left this machine. */
  readonly troubles: string[];
}

/**
 * A page of a size that remembers everything that goes wrong in it. It has a context of its own, so that
 * no settings come over from another test; a second window is given the first one's context.
 */
export async function newPage(browser: Browser, width = 1280, height = 800): Promise<Page & Watch> {
  const context = await browser.createBrowserContext();
  return watched(await context.newPage(), width, height);
}

/** Sets the size of a page and watches it. */
export async function watched(page: Page, width = 1280, height = 800): Promise<Page & Watch> {
  await page.setViewport({ width, height });
  // A limit for what hangs: a busy machine can stand still for a minute.
  page.setDefaultTimeout(150_000);
  // Whoever is asked whether to leave what is unsent behind, leaves.
  page.on('dialog', (dialog) => void dialog.accept());
  const troubles: string[] = [];
  page.on('pageerror', (error) => troubles.push(String(error)));
  page.on('console', (message) => {
    // The browser itself reports every answer of 400 or more, which some tests ask for.
    if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
      troubles.push(message.text());
  });
  page.on('request', (request) => {
    const { protocol, hostname } = new URL(request.url());
    const local = protocol === 'data:' || protocol === 'blob:' || hostname === '127.0.0.1';
    if (!local) troubles.push(`request to ${request.url()}`);
  });
  page.click = (selector, options) =>
    again(async () => {
      const element = await page.$(selector);
      if (element === null) throw new Error(`No element found for selector: ${selector}`);
      await press(element, options);
    });
  return Object.assign(page, { troubles });
}

/** Waits for something to be there and for the fonts, then gives the page a frame to settle. */
export async function settled(page: Page, selector: string): Promise<void> {
  await page.waitForSelector(selector);
  await page.evaluate(async () => {
    await document.fonts.ready;
    await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
  });
}
