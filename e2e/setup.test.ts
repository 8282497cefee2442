import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { settled } from './browser.ts';
import { clickWords, kept, openBuild, says } from './hands.ts';
import { stand } from './stand.ts';

const bench = stand();
const put = async (page: Page, label: string, value: string): Promise<void> => {
  const field = await page.waitForSelector(`input[aria-label="${label}"]`);
  await field?.type(value);
};

describe('the settings', () => {
  it('tell what was put in wrong from what was not taken, and what explains the speed that is shown', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Choir tandem', 'setup');
    await says(page, '[data-testid=stamp]', 'Not all read');
    await put(page, 'Entered: Cut-off voltage', '42');
    await put(page, 'Read back: Cut-off voltage', '43');
    await page.waitForSelector('[data-setting=low-volts][data-stands=not-taken]');
    await put(page, 'Entered: Roll-out', '1959');
    await put(page, 'Read back: Roll-out', '1959');
    await put(page, 'Read back: Pulses a turn of the wheel', '46');
    await says(page, '[data-testid=stamp]', '2 wrong, 1 not taken');
    await put(page, 'What the controller calls Cut-off voltage', 'LVC');
    await kept(page);

    await page.goto(page.url().replace(/setup.*$/, 'setup?view=speed'));
    await put(page, 'Display shows', '18');
    await put(page, 'True', '40');
    await says(
      page,
      '[data-testid=cause]',
      'Roll-out set to 1959 mm, as it was read back, and set to 46 pulses',
    );
    await says(page, '[data-testid=speed-danger]', '25 km/h there is 55 km/h on the road');

    await page.goto(page.url().replace(/setup.*$/, 'setup?view=cutoffs'));
    await put(page, 'Gauge set for cells in series', '16');
    await says(page, '[aria-label=Gauge]', 'Set for 16 in series it shows 55 % on a full pack');
    await kept(page);

    // The name that this controller has for it is offered where it is used again.
    await openBuild(page, bench.application, 'Choir tandem', 'setup');
    expect(
      await page.$eval('input[aria-label="What the controller calls Cut-off voltage"]', (i) => i.value),
    ).toBe('LVC');
    // The simulated programmer writes what is planned and reads it back; its values say so.
    await clickWords(page, 'Write and read back (simulated)');
    await says(page, '[data-setting=battery-amps]', 'simulated');
    await page.goto(page.url().replace(/setup.*$/, 'settings-card'));
    await settled(page, '[data-testid=settings-card]');
    await says(page, '[data-testid=settings-card]', 'LVC');
  });

  it('gather what the gauge was seen to show on the road, and ask for it where it was not', async () => {
    const page = await bench.open();
    await openBuild(page, bench.application, 'Orchard longtail', 'setup');
    await page.goto(page.url().replace(/setup.*$/, 'setup?view=cutoffs'));
    await says(page, '[data-testid=gauge-seen]', '4 of 5');
    await says(page, '[data-testid=gauge-seen]', 'Market run and back');
    await openBuild(page, bench.application, 'Choir tandem', 'setup');
    await page.goto(page.url().replace(/setup.*$/, 'setup?view=cutoffs'));
    await says(page, '[aria-label=Gauge]', 'What a bar is worth is told by the road');
  });
});
