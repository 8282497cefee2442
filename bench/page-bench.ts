import { startApplication } from '../e2e/application.ts';
import { launch, newPage } from '../e2e/browser.ts';
import { firstLoad, openBuild } from '../e2e/hands.ts';
import { line, median } from './measure.ts';

const EDITS = 40;

/** Times the page: the first load's size, and how long an edit takes to reach the tray. */
export async function benchPage(): Promise<void> {
  const application = await startApplication();
  const browser = await launch();
  const page = await newPage(browser);
  const { bytes } = await firstLoad(page, application.url);
  line('first load, JavaScript, gzip', `${(bytes / 1000).toFixed(0)} kB`, 'under 200 kB');

  await openBuild(page, application, 'Orchard longtail', 'hill');
  await page.waitForSelector('[data-chart] svg');
  const times = await page.evaluate(async (edits) => {
    const field = document.querySelector<HTMLInputElement>('[data-field="brief.loadMassKg"] input');
    const tray = document.querySelector('[data-figure=mass]');
    const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value');
    if (field === null || tray === null || value === undefined) return [];
    field.focus();
    const out: number[] = [];
    for (let i = 0; i < edits; i += 1) {
      await new Promise((done) => setTimeout(done, 120));
      const start = performance.now();
      const seen = new Promise<number>((done) => {
        const observer = new MutationObserver(() => {
          observer.disconnect();
          // The change is on the screen with the frame after the one that draws it.
          requestAnimationFrame(() => {
            done(performance.now() - start);
          });
        });
        observer.observe(tray, { subtree: true, characterData: true, childList: true });
      });
      value.set?.call(field, String(20 + i));
      field.dispatchEvent(new Event('input', { bubbles: true }));
      out.push(await seen);
    }
    return out;
  }, EDITS);
  const sorted = [...times].sort((a, b) => a - b);
  line(
    'an edit reaches the tray, median',
    `${median(times).toFixed(1)} ms`,
    'under 50 ms',
    `${(median(times) / (1000 / 60)).toFixed(1)} frames of 60 Hz`,
  );
  line('an edit reaches the tray, slowest of 40', `${(sorted.at(-1) ?? NaN).toFixed(1)} ms`, '');
  await browser.close();
  await application.stop();
}
