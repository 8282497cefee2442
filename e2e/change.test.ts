import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import type { ListAnswer, Stored } from '@apple-cart/contracts';
import type { BuildDocument } from '@apple-cart/core';
import { settled } from './browser.ts';
import { chooseItem, clickWords, figureBecomes, figureText, kept, openBuild, quiet, says } from './hands.ts';
import { sidewaysAnywhere, tooSmall } from './rules.ts';
import { stand } from './stand.ts';

const bench = stand();

async function documentOf(id: string): Promise<BuildDocument> {
  const response = await fetch(`${bench.application.url}/api/builds/${id}`);
  return ((await response.json()) as Stored<BuildDocument>).document;
}
const builds = async (): Promise<readonly Stored<BuildDocument>[]> => {
  const response = await fetch(`${bench.application.url}/api/builds`);
  return ((await response.json()) as ListAnswer<Stored<BuildDocument>>).documents;
};
const idIn = (page: Page): string => /builds\/([^/]+)/.exec(page.url())?.[1] ?? '';

/** Ticks a step of the table. */
async function tick(page: Page, step: string): Promise<void> {
  const box = await page.waitForSelector(`[data-step="${step}"] input`);
  // What the ticked steps come to stays at the foot: a hand moves the step out from under it.
  await box?.evaluate((b) => {
    b.scrollIntoView({ block: 'center' });
  });
  await page.click(`[data-step="${step}"] input`);
}

describe('a change', () => {
  it('is tried: its octagon is seen, it is taken back with a reason, and the next one finds that', async () => {
    const page = await bench.open();
    const id = await openBuild(page, bench.application, 'Orchard longtail', 'change');
    await page.waitForSelector('[data-testid=gains]');
    const [top, law] = [await figureText(page, 'top-speed'), await figureText(page, 'class')];
    // What was taken back before says so where it is offered again.
    await says(page, '[data-step="ring/ring-34"]', 'Taken back');
    await clickWords(page, 'Show all 38 steps');
    await says(page, '[data-step="speed-limit/off"]', 'leaves');
    await tick(page, 'speed-limit/off');
    await says(page, '[data-testid=together]', 'Motor vehicle');
    await clickWords(page, 'Try it');
    await says(page, '[data-testid=on-trial]', 'lifted');
    await figureBecomes(page, 'class', /Motor vehicle/);
    expect(await figureText(page, 'top-speed')).not.toBe(top);
    // It outlives a reload: it may still be taken back.
    await kept(page);
    await page.reload();
    await page.waitForSelector('[data-testid=on-trial]');
    expect((await documentOf(id)).controller.limitsSpeed).toBe(false);
    // The work order names it at every stage.
    await says(page, '[data-stage=change]', 'on trial: ');
    await page.type('[data-testid=on-trial] input[placeholder="your name"]', 'R. Quince');
    await page.type('[data-testid=on-trial] input[maxlength="400"]', 'no cycle in law any more');
    await clickWords(page, 'Reject it, so that nobody tries it again');
    await page.waitForSelector('[data-testid=on-trial]', { hidden: true });
    expect(await figureText(page, 'class')).toContain(law.slice(0, 11));
    await kept(page);
    expect((await documentOf(id)).controller.limitsSpeed).toBe(true);
    await page.click('a[href$="?view=history"]');
    await says(page, '[data-testid=trials]', 'no cycle in law any more');
    await says(page, '[data-stage=change]', '2 rejected');
    // What stood on trial and was taken back left no trace between the states.
    await says(page, '[data-testid=states]', 'Nothing differs');
  });

  it('of several steps is one build with what must change with it, and becomes a job with a list of its own', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'change');
    await page.waitForSelector('[data-testid=gains]');
    await tick(page, 'amps/set');
    await tick(page, 'ring/ring-34');
    await says(page, '[data-testid=together]', '2 steps together');
    await says(page, '[data-testid=together]', 'added up they would be');
    // Two of one kind are one choice.
    await tick(page, 'ring/ring-30');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-step="ring/ring-34"] input')?.checked === false,
    );
    await clickWords(page, 'Draw what the next money gains');
    await page.waitForSelector('[data-testid=rungs] li');
    await page.waitForFunction(
      () => document.querySelector('[data-testid=together]')?.closest('[aria-busy=true]') === null,
    );
    await clickWords(page, 'Make a copy');
    await page.waitForFunction(() => /\/buy$/.test(location.pathname));
    await settled(page, '[data-figure=hill]');
    const copy = await documentOf(idIn(page));
    expect(copy.gearing.ringTeeth).toMatchObject({ value: 30 });
    expect(copy.controller.batteryCurrentA).toMatchObject({ value: 25 });
    expect(copy.purchase.lines['offset-ring']).toMatchObject({ state: 'needed', price: 34 });
  });
});

describe('which motor and pack?', () => {
  it('is answered from the start page to a kept build, with the reasons of the rest', async () => {
    const page = await bench.open();
    await page.goto(bench.application.url);
    await page.waitForSelector('[data-judged]');
    await page.locator('::-p-text(Which motor and pack?)').click();
    await page.waitForSelector('[data-testid=proposals]');
    const id = idIn(page);
    await clickWords(page, 'Which motor and pack? Search the whole shelf', 'a');
    await page.waitForSelector('[data-testid=search]');
    await says(page, '[data-testid=size]', '1,500 builds');
    await quiet(page);
    await page.click('[data-testid=search]');
    await page.waitForSelector('[data-finalist="1"]');
    await says(page, '[data-testid=reasons]', 'motor not let in');
    await page.waitForSelector('[data-testid=lets]');
    expect(await sidewaysAnywhere(page)).toEqual([]);
    await page.click('button[aria-label="Take number 1 into this build"]');
    await kept(page);
    const taken = await documentOf(id);
    expect(taken.drive.name).not.toBe('');
    expect(taken.packs[0].name).not.toBe('');
    expect(taken.controller.name).not.toBe('');
    expect(taken.purchase.lines.motor?.price).toBeGreaterThan(0);
    await figureBecomes(page, 'hill', /\d/);
    await page.setViewport({ width: 768, height: 1024 });
    expect(await tooSmall(page)).toEqual([]);
  });

  it('is stopped half-way and keeps what it found', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'change');
    await page.click('a[href$="?view=search"]');
    await page.waitForSelector('[data-testid=search]');
    for (const name of ['Ring and cogs', 'Tyres']) await clickWords(page, name, 'label span');
    await page.waitForFunction(
      () =>
        Number(
          /[\d,]+/
            .exec(document.querySelector('[data-testid=size]')?.textContent ?? '')?.[0]
            .replaceAll(',', ''),
        ) > 50_000,
    );
    await page.click('[data-testid=search]');
    await says(page, '[data-testid=search-words]', 'builds looked at');
    await clickWords(page, 'Stop');
    await page.waitForSelector('[data-testid=search]');
    await says(page, '[data-testid=search-words]', 'looked at');
  });
});

describe('side by side', () => {
  it('four are compared, what differs first, and printed', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'change');
    const others = (await builds()).filter((b) => ['Choir tandem', 'Kiln courier'].includes(b.document.name));
    await page.goto(
      `${page.url()}?view=compare&with=${['now', ...others.map((b) => `build:${b.id}`)].join(',')}`,
    );
    await page.waitForSelector('[data-side^="build:"]');
    expect(await page.$$('[data-side]')).toHaveLength(3);
    await page.click('[data-testid=add-side]');
    await chooseItem(page, 'Tide-flat trike');
    await page.waitForFunction(() => document.querySelectorAll('[data-side]').length === 4);
    expect(await page.$$eval('[data-row]', (rows) => rows.length)).toBeGreaterThan(6);
    await page.setViewport({ width: 390, height: 844 });
    expect(await sidewaysAnywhere(page)).toEqual([]);
    await page.setViewport({ width: 1280, height: 800 });
    await clickWords(page, 'Stage by stage');
    await page.waitForSelector('[data-row="stage-law"]');
    await clickWords(page, 'Print', 'a');
    await page.waitForFunction(
      () => document.querySelectorAll('[data-side]').length === 4 && /comparison/.test(location.pathname),
    );
    const pdf = await page.pdf({ preferCSSPageSize: true });
    expect(pdf.length).toBeGreaterThan(10_000);
  });

  it('what moves it most is told for each headline, and leads to where it is entered', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'change');
    await page.click('a[href$="?view=moves"]');
    await page.waitForSelector('[data-moved]');
    await clickWords(page, 'Range, legs helping', 'label');
    await says(page, '[data-testid=tornado]', 'range, legs helping');
    await page.click('[data-moved] a');
    await page.waitForFunction(() => !/\/change/.test(location.pathname));
  });
});
