import { join } from 'node:path';
import { newBuild } from '@apple-cart/core';
import { launch, watched, type Page } from '../e2e/browser.ts';
import { clickWords, pictureFile } from '../e2e/hands.ts';
import { BadLine } from './proxy.ts';
import { chance, type Bounds, type Chance, type Report } from './report.ts';
import { ask, inFolder, start, type Victim } from './server.ts';

const ID = 'tortured-bench';
/** Until everything is sent once the line is good again, ms. */
const PATIENCE_MS = 60_000;
/** A run has room for sixty photographs. */
const PICTURES = 50;

const pause = (ms: number): Promise<void> => new Promise((resume) => setTimeout(resume, ms));

/** Opens the bench at the step in hand, of a run that is begun where there is none. */
async function toBench(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/builds/${ID}/bench?view=step`);
  await page.waitForSelector('[data-testid=step-title], input[placeholder="your name"]');
}

/** Says that the step in hand failed, in words that no other entry has, by the buttons of the tablet. */
async function fail(page: Page, words: string): Promise<void> {
  const form = '[aria-label=Answer] form textarea';
  // The run may still be read on the weak line; a hand that misses presses again.
  for (let tries = 0; tries < 8 && (await page.$(form)) === null; tries += 1) {
    await page.waitForSelector('[data-testid=fail]:not(:disabled)');
    await page.click('[data-testid=fail]:not(:disabled)');
    await page.waitForSelector(form, { timeout: 3000 }).catch(() => undefined);
  }
  if ((await page.$(form)) === null)
    throw new Error(`no form for what failed: ${await page.$eval('main', (m) => m.innerText)}`);
  await page.type(form, words);
  await clickWords(page, 'Keep as failed');
  await page.waitForFunction(
    (said) => document.querySelector('[data-testid=said]')?.textContent.includes(said) === true,
    {},
    words,
  );
  await page.waitForSelector(form, { hidden: true });
}

/** Everything that was said, once and in its order; photographs as many as were taken, each whole. */
async function check(url: string, said: readonly string[], pictures: number): Promise<readonly string[]> {
  const kept = await ask(`${url}/api/builds/${ID}/records`, 'GET');
  const photos = await ask(`${url}/api/builds/${ID}/photos`, 'GET');
  if (kept === undefined || photos === undefined) return ['the records do not answer'];
  const { records } = kept.body as {
    records: readonly { kind: string; data: { words?: string; says?: string } }[];
  };
  const words = records
    .filter(({ kind, data }) => kind === 'bench-entry' && data.says === 'fail')
    .map(({ data }) => data.words ?? '');
  const wrong: string[] = [];
  if (words.join() !== said.join())
    wrong.push(
      `said ${said.slice(-5).join(', ')} and kept ${words.slice(-5).join(', ')}, of ${String(said.length)} ${String(words.length)}`,
    );
  const all = (photos.body as { photos: readonly { key: string; size: number }[] }).photos;
  if (all.length !== pictures)
    wrong.push(`${String(pictures)} photographs were taken, ${String(all.length)} are there`);
  for (const { key, size } of all) {
    const answer = await fetch(`${url}/api/builds/${ID}/photos/${key}`);
    const bytes = Buffer.from(await answer.arrayBuffer());
    // A JPEG begins and ends with its marks.
    if (
      bytes.length !== size ||
      bytes.readUInt16BE(0) !== 0xffd8 ||
      bytes.readUInt16BE(bytes.length - 2) !== 0xffd9
    )
      wrong.push(`the photograph ${key} is not whole`);
  }
  return wrong;
}

interface Story {
  readonly page: Page;
  readonly random: Chance;
  readonly picture: string;
  readonly said: string[];
  readonly counts: { pictures: number };
}

/** A builder goes on at the bicycle, whatever becomes of the line. */
async function work({ page, random, picture, said, counts }: Story): Promise<void> {
  const what = random.next();
  if (what < 0.15 && counts.pictures < PICTURES) {
    const input = await page.waitForSelector('input[type=file]');
    await input?.uploadFile(picture);
    counts.pictures += 1;
    // It is drawn anew before it is in the queue.
    await pause(400);
    return;
  }
  const words = `entry ${String(said.length + 1)}`;
  await fail(page, words);
  said.push(words);
}

const allSent = (page: Page): Promise<unknown> =>
  page.waitForFunction(() => document.querySelector('[data-testid=outbox]')?.textContent === '', {
    timeout: PATIENCE_MS,
  });

/**
 * A bench run that is filled in by the buttons of its page while the server is killed again and again and the line loses
 * requests and answers: what the browser's own queue holds arrives once, in its order, whole.
 */
export async function queue({ seed, untilMs, rounds }: Bounds): Promise<Report> {
  const random = chance(seed);
  const counts = { kills: 0, pictures: 0, reloads: 0 };
  const said: string[] = [];
  const wrong: string[] = [];
  let lost = 0;
  const browser = await launch();
  try {
    await inFolder(async (folder) => {
      const file = join(folder, 'a.sqlite');
      let victim: Victim = await start(file);
      await ask(`${victim.url}/api/builds/${ID}`, 'PUT', {
        baseVersion: 0,
        document: newBuild('Tortured bench'),
      });
      const line = new BadLine(victim.url, random);
      const url = await line.listen();
      const page = await watched(await browser.newPage(), 768, 1024);
      try {
        await toBench(page, url);
        const picture = await pictureFile(page, folder);
        await page.type('input[placeholder="your name"]', 'torture');
        await clickWords(page, 'Begin the run');
        await page.waitForSelector('[data-testid=step-title]');
        while (Date.now() < untilMs && counts.kills < rounds && wrong.length === 0) {
          Object.assign(line.line, {
            losesRequests: random.next() * 0.3,
            losesAnswers: random.next() * 0.3,
            lateMs: random.next() * 400,
          });
          const steps = 1 + random.below(3);
          const killing = pause(random.below(1500)).then(() => victim.kill());
          for (let i = 0; i < steps; i += 1) await work({ page, random, picture, said, counts });
          await killing;
          counts.kills += 1;
          victim = await start(file);
          line.turnTo(victim.url);
          if (random.next() < 0.15) {
            // The tablet goes to sleep and wakes: what waits in its browser is sent then.
            await toBench(page, url);
            counts.reloads += 1;
          }
          if (counts.kills % 10 !== 0 && counts.kills < rounds) continue;
          line.calm();
          await allSent(page).catch(() => wrong.push('the queue is not sent'));
          wrong.push(
            ...(await check(victim.url, said, counts.pictures)).map(
              (w) => `after kill ${String(counts.kills)}: ${w}`,
            ),
          );
        }
        ({ lost } = line);
      } finally {
        await page.close();
        line.close();
        await victim.kill();
      }
    });
  } finally {
    await browser.close();
  }
  return {
    name: 'queue of the bench',
    seed,
    figures: { ...counts, entries: said.length, 'lost on the line': lost },
    wrong,
  };
}
