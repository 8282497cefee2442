import puppeteer, { type Browser, type Page } from 'puppeteer-core';

export type { Page };

/**
 * Headless Chromium that can reach nothing but this machine.
 * @param own another address of this machine, as a tablet of its network would call it
 */
export const launch = (own?: string): Promise<Browser> =>
  puppeteer.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
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
  // A hand presses what it sees: not before it stands still.
  const click = page.click.bind(page);
  page.click = async (selector, options) => {
    // No function of its own has a name in here: what runs it by itself would give it a helper that the page has not.
    await page.evaluate(async (s) => {
      let before = '';
      for (let tries = 0; tries < 100; tries += 1) {
        const now = JSON.stringify(document.querySelector(s)?.getBoundingClientRect());
        if (now === before) return;
        before = now;
        await new Promise((done) => setTimeout(done, 32));
      }
    }, selector);
    await click(selector, options);
  };
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
