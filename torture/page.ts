import { join } from 'node:path';
import { newBuild } from '@apple-cart/core';
import { launch, watched, type Page } from '../e2e/browser.ts';
import { typeInto } from '../e2e/hands.ts';
import { BadLine } from './proxy.ts';
import { chance, type Bounds, type Chance, type Report } from './report.ts';
import { ask, inFolder, start, toldIn, type Victim } from './server.ts';

/** Each window types into a field of its own, so that what either typed can be told apart afterwards. */
const FIELDS = ['brief.riderMassKg', 'brief.loadMassKg'] as const;
type Field = (typeof FIELDS)[number];
/** Where a window stands still before it is asked, ms. */
const PATIENCE_MS = 60_000;
const SETTLED_MS = 500;

type Browser = Awaited<ReturnType<typeof launch>>;

const pause = (ms: number): Promise<void> => new Promise((resume) => setTimeout(resume, ms));
const stateOf = (page: Page): Promise<string | undefined> =>
  page.evaluate(
    () => document.querySelector('[data-save-state]')?.getAttribute('data-save-state') ?? undefined,
  );

/** Presses the button that says just these words, if it stands there at this moment. */
const pressAtOnce = (page: Page, selector: string, words: string): Promise<void> =>
  page.$$eval(
    selector,
    (all, text) => {
      (all as HTMLElement[]).find((e) => e.textContent === text)?.click();
    },
    words,
  );

/** Settles whatever two windows on one build have to settle, until everything is kept. */
async function settle(page: Page, random: Chance): Promise<boolean> {
  const until = Date.now() + PATIENCE_MS;
  await page.bringToFront();
  while (Date.now() < until) {
    const state = await stateOf(page);
    // What was typed last may not stand on the screen of a busy machine yet: it has to stay saved for a while.
    if (state === 'saved') {
      await pause(SETTLED_MS);
      if ((await stateOf(page)) === 'saved') return true;
      continue;
    }
    if (state === 'conflict') {
      const words = random.next() < 0.5 ? 'Go on with this window’s' : 'Take the other window’s';
      await pressAtOnce(page, '[role=dialog] button', words);
    }
    if (state === 'gone') await pressAtOnce(page, 'main button', 'Bring it back');
    await pause(100);
  }
  return false;
}

async function openWindow(context: Page, url: string, id: string, first: boolean): Promise<Page> {
  const page = first ? context : await watched(await context.browserContext().newPage());
  await page.goto(`${url}/builds/${id}/brief`);
  await page.waitForSelector(`[data-field="${FIELDS[0]}"] input`);
  return page;
}

interface Story {
  readonly url: string;
  readonly line: BadLine;
  readonly random: Chance;
  readonly pages: Page[];
  readonly typed: Map<Field, string[]>;
  readonly counts: { typed: number; reloads: number; kills: number };
  readonly kill: () => Promise<void>;
}

/** A window types, the line is bad, pages are reloaded, and the server is killed now and then. */
async function misfortune({ line, random, pages, typed, counts, kill }: Story): Promise<void> {
  Object.assign(line.line, {
    down: random.next() < 0.15,
    losesRequests: random.next() * 0.3,
    losesAnswers: random.next() * 0.3,
    lateMs: random.next() * 600,
  });
  const w = random.below(pages.length);
  const [page, field] = [pages[w], FIELDS[w]];
  if (page === undefined || field === undefined) return;
  // A window behind another draws nothing, and waits for its turn.
  await page.bringToFront();
  const what = random.next();
  if (what < 0.1) {
    // Reloaded where the line is good for a moment: a page that cannot be fetched says so, and nothing else.
    line.calm();
    await page.reload();
    await page.waitForSelector(`[data-field="${field}"] input`);
    counts.reloads += 1;
    return;
  }
  if (what < 0.14) {
    await kill();
    counts.kills += 1;
    return;
  }
  const value = String(40 + random.below(60) + random.below(10) / 10);
  for (let tries = 0; tries < 5; tries += 1) {
    // A conflict is settled before anybody types on: the dialog stands in the way, also where it opens amid a number.
    if ((await stateOf(page)) === 'conflict') {
      line.calm();
      await settle(page, random);
    }
    await typeInto(page, field, value, false);
    if ((await page.$eval(`[data-field="${field}"] input`, (i) => i.value)) === value) break;
  }
  typed.get(field)?.push(value);
  counts.typed += 1;
  await pause(random.below(700));
}

interface Valued {
  readonly brief: Readonly<Record<string, { readonly value?: number }>>;
}

/** The last of what each window typed stands in the build, or in a version that was kept of it. */
async function lost(
  url: string,
  id: string,
  typed: ReadonlyMap<Field, readonly string[]>,
): Promise<readonly string[]> {
  const whole = toldIn(await ask(`${url}/api/builds/${id}`, 'GET')) as { document: Valued };
  const { revisions } = toldIn(await ask(`${url}/api/builds/${id}/revisions`, 'GET')) as {
    revisions: readonly { id: number }[];
  };
  const all: Valued[] = [whole.document];
  for (const revision of revisions) {
    const kept = await ask(`${url}/api/builds/${id}/revisions/${String(revision.id)}`, 'GET');
    all.push((toldIn(kept) as { document: Valued }).document);
  }
  return FIELDS.flatMap((field) => {
    const last = typed.get(field)?.at(-1);
    const key = field.split('.')[1] ?? '';
    const found = last === undefined || all.some((d) => d.brief[key]?.value === Number(last));
    return found ? [] : [`${field}: ${last} was typed last and is nowhere`];
  });
}

async function story(browser: Browser, folder: string, seed: number, steps: number) {
  const random = chance(seed);
  const file = join(folder, `${String(seed)}.sqlite`);
  let victim: Victim = await start(file);
  const line = new BadLine(victim.url, random);
  const url = await line.listen();
  const counts = { typed: 0, reloads: 0, kills: 0 };
  const wrong: string[] = [];
  const id = 'tortured';
  await ask(`${victim.url}/api/builds/${id}`, 'PUT', { baseVersion: 0, document: newBuild('Tortured') });
  const context = await browser.createBrowserContext();
  const firstPage = await watched(await context.newPage());
  try {
    const first = await openWindow(firstPage, url, id, true);
    const pages = [first, await openWindow(first, url, id, false)];
    const typed = new Map<Field, string[]>(FIELDS.map((field) => [field, []]));
    const kill = async (): Promise<void> => {
      await victim.kill();
      victim = await start(file);
      line.turnTo(victim.url);
    };
    for (let i = 0; i < steps; i += 1) await misfortune({ url, line, random, pages, typed, counts, kill });
    line.calm();
    for (let round = 0; round < 2; round += 1)
      for (const page of pages)
        if (!(await settle(page, random)))
          wrong.push(`a window stays ${String(await stateOf(page))} (seed ${String(seed)})`);
    for (const one of await lost(victim.url, id, typed)) wrong.push(`${one} (seed ${String(seed)})`);
  } finally {
    await context.close();
    line.close();
    await victim.kill();
  }
  return { counts: { ...counts, lost: line.lost }, wrong };
}

/** Two windows on one build over a bad line, reloaded and with the server killed under them: nothing typed is lost. */
export async function page({ seed, untilMs, rounds }: Bounds): Promise<Report> {
  const figures = { stories: 0, typed: 0, reloads: 0, kills: 0, 'lost on the line': 0 };
  const wrong: string[] = [];
  const browser = await launch();
  try {
    await inFolder(async (folder) => {
      while (figures.stories < rounds && Date.now() < untilMs && wrong.length === 0) {
        const one = await story(browser, folder, seed + figures.stories, 25);
        figures.stories += 1;
        figures.typed += one.counts.typed;
        figures.reloads += one.counts.reloads;
        figures.kills += one.counts.kills;
        figures['lost on the line'] += one.counts.lost;
        wrong.push(...one.wrong);
      }
    });
  } finally {
    await browser.close();
  }
  return { name: 'page on a bad line', seed, figures, wrong };
}
