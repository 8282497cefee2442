import { readFile, readdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { ElementHandle, Page } from 'puppeteer-core';
import type { ListAnswer, Stored } from '@apple-cart/contracts';
import type { BuildDocument, FigureId, QuantityPath, StageId } from '@apple-cart/core';
import { PRINTED_PAGES, SCREENS } from '../web/src/screens/registry.ts';
import type { Application } from './application.ts';
import { again, press, settled } from './browser.ts';

/** Opens a demo build at a stage, as a reader would by its address. */
export async function openBuild(
  page: Page,
  application: Application,
  name: string,
  stage: StageId,
): Promise<string> {
  const response = await fetch(`${application.url}/api/builds`);
  const { documents } = (await response.json()) as ListAnswer<Stored<BuildDocument>>;
  const build = documents.find((b) => b.document.name === name);
  if (build === undefined) throw new Error(`no build ${name}`);
  await page.goto(`${application.url}/builds/${build.id}/${stage}`);
  await settled(page, '[data-figure=hill]');
  await settled(page, 'main h1');
  return build.id;
}

/** Goes to every view of a stage of a build, and says which it stands at. */
export async function* everyView(
  page: Page,
  application: Application,
  build: string,
  stage: StageId,
): AsyncGenerator<string> {
  await openBuild(page, application, build, stage);
  await quiet(page);
  yield stage;
  for (const view of SCREENS[stage].views.slice(1)) {
    await page.click(`a[href$="?view=${view.id}"]`);
    await settled(page, `a[href$="?view=${view.id}"][aria-current]`);
    await quiet(page);
    yield `${stage}, ${view.name}`;
  }
}

/** Goes to every page that a build prints, and says which it stands at. */
export async function* everySheet(
  page: Page,
  application: Application,
  build: string,
): AsyncGenerator<string> {
  const id = await openBuild(page, application, build, 'brief');
  for (const { path, name } of PRINTED_PAGES) {
    await page.goto(`${application.url}/builds/${id}/${path}`);
    await settled(page, 'h1');
    await quiet(page);
    yield `print ${name}`;
  }
}

/** Pages outside of builds, each with what stands on it once it is there. */
const OTHER_PAGES = [
  ['/', '[data-judged]'],
  ['/shelf/motor', '[data-part]'],
  ['/routes', 'main li'],
  ['/routes/orchard-lanes', '[data-testid=route-figures]'],
  ['/rules', '[data-rules=gb]'],
  ['/rules/gb', 'main input'],
  ['/words', '[data-term]'],
] as const;

/** Goes to every page outside of builds, and says which it stands at. */
export async function* everyOtherPage(page: Page, application: Application): AsyncGenerator<string> {
  for (const [path, there] of OTHER_PAGES) {
    await page.goto(application.url + path);
    await settled(page, there);
    await quiet(page);
    yield path;
  }
}

/** Waits until the words of a page stand still: what is worked out beside it has come. */
export const quiet = (page: Page): Promise<unknown> =>
  page.evaluate(async () => {
    let before = '';
    for (let still = 0; still < 3;) {
      await new Promise((done) => setTimeout(done, 100));
      const now = document.body.innerText;
      const busy = document.querySelector('[aria-busy=true]') !== null;
      still = now === before && !busy ? still + 1 : 0;
      before = now;
    }
  });

/** All words of a tray figure. */
export const figureText = (page: Page, id: FigureId): Promise<string> =>
  page.$eval(`[data-figure=${id}]`, (figure) => figure.textContent);

/** Waits until a tray figure says what is wanted, and gives all its words. */
export async function figureBecomes(page: Page, id: FigureId, wanted: string | RegExp): Promise<string> {
  const source = typeof wanted === 'string' ? undefined : wanted.source;
  await page.waitForFunction(
    (figure, text, pattern) => {
      const words = document.querySelector(`[data-figure=${figure}]`)?.textContent ?? '';
      return pattern === undefined ? words === text : new RegExp(pattern).test(words);
    },
    {},
    id,
    wanted,
    source,
  );
  return figureText(page, id);
}

/** Waits until a tray figure says something else than it did, and gives all its words. */
export async function figureLeaves(page: Page, id: FigureId, words: string): Promise<string> {
  await page.waitForFunction(
    (figure, text) => document.querySelector(`[data-figure=${figure}]`)?.textContent !== text,
    {},
    id,
    words,
  );
  return figureText(page, id);
}

export const stageWords = (page: Page, id: StageId): Promise<string> =>
  page.$eval(`[data-stage=${id}]`, (stage) => stage.textContent);

/**
 * Replaces a field's text as a hand on the keyboard does; waits until the value counts, unless told not to.
 * @param how by key, or pasted: then it is one change however slow the machine is
 */
export async function typeInto(
  page: Page,
  path: QuantityPath,
  text: string,
  counts = true,
  how: 'by key' | 'pasted' = 'by key',
): Promise<void> {
  const selector = `[data-field="${path}"] input`;
  await page.waitForSelector(selector);
  // What stands folded is opened first, as by a hand.
  await page.$eval(selector, (field) => {
    field.closest('details')?.setAttribute('open', '');
  });
  await page.focus(selector);
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  if (how === 'pasted') await page.keyboard.sendCharacter(text);
  else await page.keyboard.type(text);
  if (counts)
    await page.waitForFunction(
      (s) => document.querySelector(s)?.getAttribute('aria-invalid') === 'false',
      {},
      selector,
    );
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}

/** Puts other words into a text field, as a hand that selects what stands there and types over it. */
export const typeOver = (page: Page, selector: string, text: string): Promise<void> =>
  again(async () => {
    const field = (await page.waitForSelector(selector)) as ElementHandle<HTMLInputElement>;
    await field.evaluate((input) => {
      input.focus();
      input.select();
    });
    await page.keyboard.type(text);
    const typed = await field.evaluate((input) => input.value);
    if (typed !== text) throw new Error(`detached while it was typed into: ${typed} in place of ${text}`);
  });

/** Presses the first element that says just these words, or them among others, once it is there and may be pressed. */
const pressWords = (page: Page, selector: string, words: string, just: boolean): Promise<void> =>
  again(async () => {
    const found = await page.waitForFunction(
      (s, text, whole) =>
        [...document.querySelectorAll<HTMLElement>(s)].find(
          (e) =>
            (whole ? e.textContent.trim() === text : e.textContent.includes(text)) &&
            !(e as HTMLButtonElement).disabled,
        ),
      {},
      selector,
      words,
      just,
    );
    await press(found as ElementHandle<HTMLElement>);
  });

/** Clicks the first button (or other control) that says just these words. */
export const clickWords = (page: Page, words: string, selector = 'button'): Promise<void> =>
  pressWords(page, selector, words, true);

/** Takes the item that says `text` from the open menu, once it is there: what a menu lists may still be fetched. */
export const chooseItem = (page: Page, text: string): Promise<void> =>
  pressWords(page, '[role=menuitemradio], [role=menuitem]', text, false);

/** Opens the first menu whose button says `button` and takes the item that says `item`. */
export async function chooseFrom(page: Page, button: string, item: string): Promise<void> {
  await pressWords(page, 'button', button, false);
  await page.waitForSelector('[role=menu]');
  await chooseItem(page, item);
  await page.waitForSelector('[role=menu]', { hidden: true });
}

/** What has not opened by then was not pressed, ms. */
const OPENS_MS = 30_000;

/** Presses until what it opens is there: what is above may still move, and a press beside opens nothing; a hand presses again. */
export async function pressUntil(page: Page, deed: () => Promise<void>, opened: string): Promise<void> {
  for (let tries = 1; ; tries += 1) {
    await deed();
    try {
      await page.waitForSelector(opened, { timeout: OPENS_MS });
      return;
    } catch (problem) {
      if (tries === 4) throw problem;
    }
  }
}

/** Opens the menu of the choice with a label and takes the item that says `item`. */
export async function chooseIn(page: Page, label: string, item: string): Promise<void> {
  await pressUntil(
    page,
    () =>
      again(async () => {
        const button = await page.waitForSelector(`button[aria-label^="${label}:"]`);
        if (button !== null) await press(button);
      }),
    '[role=menu]',
  );
  await chooseItem(page, item);
  await page.waitForSelector('[role=menu]', { hidden: true });
}

/**
 * Waits until an element says some words, or words of a pattern; at most so long, ms, where that is told.
 * @throws an error that tells what the element says instead, when the wait was in vain.
 */
export async function says(
  page: Page,
  selector: string,
  words: string | RegExp,
  timeout?: number,
): Promise<void> {
  try {
    await page.waitForFunction(
      (s, wanted, flags) => {
        const said = document.querySelector(s)?.textContent ?? '';
        return flags === null ? said.includes(wanted) : new RegExp(wanted, flags).test(said);
      },
      timeout === undefined ? {} : { timeout },
      selector,
      typeof words === 'string' ? words : words.source,
      typeof words === 'string' ? null : words.flags,
    );
  } catch (cause) {
    const said = await page.evaluate((s) => document.querySelector(s)?.textContent, selector).catch(() => '');
    throw new Error(`${selector} does not say ${String(words)}, but ${said ?? 'is not there'}`, { cause });
  }
}

/** Waits until the server has acknowledged every change. */
export const kept = (page: Page) => page.waitForSelector('[data-save-state=saved]');

/** What a page may fetch, bytes of gzip: before anything shows, and until the cards are judged. */
export const FIRST_LOAD = { first: 170_000, judged: 340_000 };

/**
 * What a page fetches, bytes of gzip: what it needs before anything shows, and all until the cards are judged. The page
 * itself notes what it had fetched by then: what it fetches once it is idle has nothing to do with it, however slow the
 * machine is that asks.
 */
export async function firstLoad(
  page: Page,
  url: string,
): Promise<{ readonly scripts: readonly string[]; readonly first: number; readonly judged: number }> {
  await page.evaluateOnNewDocument(() => {
    const observer = new MutationObserver(() => {
      if (document.querySelector('[data-judged]') === null) return;
      observer.disconnect();
      const fetched = performance.getEntriesByType('resource').map((entry) => entry.name);
      Object.assign(window, { fetched: fetched.filter((name) => name.endsWith('.js')) });
    });
    observer.observe(document, { subtree: true, childList: true, attributes: true });
  });
  await page.goto(url);
  // Read from the document as it is sent: what is imported later adds links of its own.
  const html = await (await fetch(url)).text();
  const atOnce = [...html.matchAll(/(?:src|href)="([^"]+\.js)"/g)].map(
    ([, path]) => new URL(path ?? '', url).href,
  );
  await settled(page, '[data-judged]');
  const scripts = await page.evaluate(() => (window as unknown as { fetched: string[] }).fetched);
  const size = async (script: string): Promise<number> =>
    gzipSync(Buffer.from(await (await fetch(script)).arrayBuffer())).length;
  const total = async (urls: Iterable<string>): Promise<number> =>
    (await Promise.all([...new Set(urls)].map(size))).reduce((sum, bytes) => sum + bytes, 0);
  return { scripts, first: await total(atOnce), judged: await total([...atOnce, ...scripts]) };
}

/** Does what gives a file out, and reads it once it has come into the folder. */
export async function downloaded(
  page: Page,
  folder: string,
  act: () => Promise<void>,
  ending: string,
): Promise<string> {
  const client = await page.createCDPSession();
  await client.send('Browser.setDownloadBehavior', {
    behavior: 'allow',
    downloadPath: folder,
    eventsEnabled: true,
  });
  const before = new Set(await readdir(folder));
  const names = new Map<string, string>();
  client.on('Browser.downloadWillBegin', ({ guid, suggestedFilename }) => {
    names.set(guid, suggestedFilename);
  });
  // Its name stands in the folder before anything is in it.
  const whole = new Promise<void>((done, fail) => {
    client.on('Browser.downloadProgress', ({ guid, state }) => {
      if (state === 'completed' && names.get(guid)?.endsWith(ending) === true) done();
    });
    setTimeout(() => {
      fail(new Error(`no ${ending} file came`));
    }, 60_000).unref();
  });
  await Promise.all([whole, act()]);
  const file = (await readdir(folder)).find((f) => !before.has(f) && f.endsWith(ending));
  if (file === undefined) throw new Error(`no ${ending} file is in the folder`);
  return readFile(join(folder, file), 'utf8');
}

/** A picture drawn by the page, as a file in a folder. */
export async function pictureFile(page: Page, folder: string): Promise<string> {
  const base64 = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    canvas.width = 640;
    canvas.height = 480;
    const paper = canvas.getContext('2d');
    if (paper !== null) {
      paper.fillStyle = '#8a5a00';
      paper.fillRect(0, 0, 640, 480);
    }
    return canvas.toDataURL('image/png').split(',')[1] ?? '';
  });
  const file = join(folder, 'camera.png');
  await writeFile(file, Buffer.from(base64, 'base64'));
  return file;
}
