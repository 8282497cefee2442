import axe from 'axe-core';
import type { Page } from 'puppeteer-core';

/** What breaks the accessibility rules of WCAG 2.1 A and AA on a page, with the first of the markup. */
export async function violations(page: Page): Promise<string[]> {
  // Placed by the page's own script engine; the policy forbids script elements.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(async () => {
    const { axe: tool } = window as unknown as {
      axe: { run(options: unknown): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
    };
    const result = await tool.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa'] });
    return result.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
  });
}

/** What breaks them in either theme; the page is left in light. */
export async function violationsInBoth(page: Page): Promise<string[]> {
  const found = await violations(page);
  await turn(page, 'dark');
  const dark = await violations(page);
  await turn(page, 'light');
  return [...found, ...dark.map((one) => `dark, ${one}`)];
}

/** Turns the theme by its button, or on a page made to be printed, which has none, by its mark. */
async function turn(page: Page, theme: 'light' | 'dark'): Promise<void> {
  const button = await page.$(`button[aria-label="${theme === 'dark' ? 'Dark' : 'Light'} theme"]`);
  if (button === null)
    await page.evaluate((to) => {
      document.documentElement.dataset['theme'] = to;
    }, theme);
  else await button.click();
  await page.waitForFunction((to) => document.documentElement.dataset['theme'] === to, {}, theme);
  await stood(page);
}

/** Waits for what fades or moves, and two frames more. */
const stood = (page: Page): Promise<unknown> =>
  page.evaluate(async () => {
    await Promise.all(document.getAnimations().map((a) => a.finished.catch(() => undefined)));
    await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
  });

/** A desk, a tablet and a telephone. */
const SIZES = [
  [1280, 800],
  [768, 1024],
  [390, 844],
] as const;

/** The sizes at which the page could be scrolled sideways; it is left as wide as a desk. */
export async function sidewaysAnywhere(page: Page): Promise<string[]> {
  const found: string[] = [];
  for (const [width, height] of [...SIZES.slice(1), SIZES[0]]) {
    await page.setViewport({ width, height });
    await stood(page);
    const px = await sideways(page);
    if (px > 0) found.push(`${String(px)} px at ${String(width)} x ${String(height)}`);
  }
  return found;
}

/** How far the page and its sheet could be scrolled sideways, px: nought is meant. */
export const sideways = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const main = document.querySelector('main');
    const { scrollWidth, clientWidth } = document.documentElement;
    return Math.max(scrollWidth - clientWidth, main === null ? 0 : main.scrollWidth - main.clientWidth);
  });

/** Buttons and links of the frame and the sheet that a finger could miss. */
export const tooSmall = (page: Page): Promise<string[]> =>
  page.$$eval('header button, nav a, main button, [data-figure]', (all) =>
    all
      .map((b) => ({
        text: b.textContent || b.getAttribute('aria-label') || '',
        box: b.getBoundingClientRect(),
      }))
      .filter(({ box }) => box.width > 0 && (box.height < 36 || box.width < 36))
      .map(({ text, box }) => `${text} ${String(box.width)}x${String(box.height)}`),
  );
