import type { Page } from 'puppeteer-core';
import { beforeEach, describe, expect, it } from 'vitest';
import { settled, type Watch } from './browser.ts';
import { chooseIn, clickWords, openBuild, stageWords } from './hands.ts';
import { stand } from './stand.ts';

const bench = stand();
let page: Page & Watch;
beforeEach(async () => {
  page = await bench.open();
});

type Sections = Record<string, Record<string, unknown>>;
const label = (value: number) => ({ source: 'label', value });

/** A copy of the tourer of the samples with some values changed, opened at the law. */
async function story(
  name: string,
  changes: Sections,
  packs: (first: Record<string, unknown>) => readonly unknown[] = (p) => [p],
) {
  const api = `${bench.application.url}/api/builds`;
  const list = (await (await fetch(api)).json()) as {
    documents: { document: Sections & { name: string } }[];
  };
  const from = list.documents.find((d) => d.document.name.includes('tourer'))?.document;
  if (from === undefined) throw new Error('no tourer');
  const build: Record<string, unknown> = { ...from, name, sample: false };
  for (const [section, values] of Object.entries(changes))
    build[section] = { ...(from[section] ?? {}), ...values };
  const [first] = from['packs'] as unknown as readonly Record<string, unknown>[];
  build['packs'] = packs(first ?? {});
  const answer = await fetch(api, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(build),
  });
  expect(answer.status, await answer.clone().text()).toBe(201);
  await openBuild(page, bench.application, name, 'law');
}
const text = (selector: string) => page.$eval(selector, (e) => e.textContent);
const said = () => text('[data-testid=law-said]');
const fit = async (): Promise<string> => {
  await page.click('a[href$="?view=fit"]');
  await settled(page, '[data-testid=fit-plan][aria-busy=false]');
  return text('[data-testid=fit-plan]');
};

/** All that the law asks, entered: a machine that is in order but for what a story changes. */
const TIDY: Sections = {
  controls: {
    assistSensor: 'cadence',
    throttle: 'none',
    pedalHelpStops: 'yes',
    brakeCutoffs: 'yes',
    speedometer: 'yes',
    classLabel: 'yes',
  },
};

describe('as a careful owner would read it', () => {
  it('750 W in California: a class to ride in, and no bicycle to sell', async () => {
    await story('Story of 750 W', {
      ...TIDY,
      brief: { place: 'us-ca' },
      drive: { ratedPowerW: label(750) },
      controller: { limitsSpeed: true, assistCutoffKmh: label(32), setRolloutMm: label(2148), lifted: 'no' },
    });
    expect(await said()).toMatch(/Class 1 in California/);
    expect(await text('[data-testid=law-sale]')).toMatch(/May it be sold as a bicycle\? Outside.*power/);
    expect(await stageWords(page, 'law')).toMatch(/inside/);
    expect(await text('[data-figure=class]')).toMatch(/Class 1/);
    expect(await fit()).toMatch(/power.*for selling it as a bicycle.*another motor/);
  });

  it('kept slow by its gearing alone in the Union: a limit with a fade, and nothing to fit', async () => {
    await story('Story of the slow gears', {
      ...TIDY,
      brief: { place: 'eu' },
      drive: { ratedPowerW: label(250), kvRpmPerV: label(8), reduction: label(4.4) },
      controller: { limitsSpeed: false, lifted: 'no' },
    });
    expect(await said()).toMatch(/fade/i);
    const plan = await fit();
    // The gearing keeps it below the limit even by the wrong wheel that the controller holds: that one may stay.
    expect(plan).toMatch(/Speed limit to 25\.0\skm\/h, fading over the last 1\.5\skm\/h/);
    expect(plan).not.toMatch(/has to be fitted/);
    await page.click('[data-step] button');
    await page.waitForFunction(
      () => !/Outside/.test(document.querySelector('[data-testid=stamp]')?.textContent ?? 'Outside'),
    );
  });

  it('with a throttle in Quebec: inside, with its rider’s age asked', async () => {
    await story('Story of the throttle', {
      controls: { ...TIDY['controls'], throttle: 'full', limitHoldsThrottle: 'unknown' },
      brief: { place: 'ca-qc', riderAgeYears: { source: 'measured', value: 13 } },
      drive: { ratedPowerW: label(500) },
      controller: { limitsSpeed: true, assistCutoffKmh: label(32), setRolloutMm: label(2148), lifted: 'no' },
    });
    expect(await said()).toMatch(/Cannot tell yet.*whether the throttle drives past the limit/s);
    await chooseIn(page, 'Speed limit holds the throttle too', 'yes');
    await page.waitForFunction(
      () => !/Cannot tell/.test(document.querySelector('[data-testid=stamp]')?.textContent ?? 'Cannot tell'),
    );
    expect(await said()).toMatch(/PAB in Quebec/);
    // Fourteen or over, as remembered: the machine is in the class, its rider is too young.
    expect(await text('main')).toMatch(/Rider’s age/);
    expect(await stageWords(page, 'law')).toMatch(/inside/);
  });

  it('on a second pack that can be switched in, in Great Britain: the fastest pack counts, and is named', async () => {
    await story(
      'Story of two packs',
      {
        ...TIDY,
        brief: { place: 'gb' },
        drive: {
          ratedPowerW: label(250),
          kvRpmPerV: label(16),
          reduction: label(4.4),
          resistanceOhm: label(0.2),
        },
        controller: { limitsSpeed: false, lifted: 'no' },
        joining: { how: 'switch' },
      },
      (first) => [first, { ...first, name: 'Taller pack', cellsInSeries: label(20), nominalV: label(72) }],
    );
    expect(await said()).toMatch(/Motor vehicle in GB.*help ends \d.*mph in “on pack 2”/i);
    expect(await text('main')).toMatch(/Judged in 2 ways/);
  });

  it('corrects a rule from its clause, and every verdict that rests on it says so', async () => {
    await openBuild(page, bench.application, 'Choir tandem', 'law');
    expect(await said()).toMatch(/500 W, where at most 250 W/);
    await page.click('button[aria-label="This has changed: Continuous rated power"]');
    await page.waitForSelector('[role=dialog] input');
    await page.$eval('[role=dialog] input', (e) => {
      e.select();
    });
    await page.type('[role=dialog] input', '500');
    await page.type('[role=dialog] input[placeholder]', 'read at the library');
    await clickWords(page, 'Correct the rule');
    await page.waitForSelector('[data-testid=corrected]');
    expect(await text('[data-testid=corrected]')).toMatch(
      /Corrected here on \d{4}-\d\d-\d\d: read at the library/,
    );
    expect(await text('[data-testid=law-fresh]')).toMatch(/Rests on a rule corrected/);
    expect(await said()).not.toMatch(/500 W, where at most 250 W/);
  });
});
