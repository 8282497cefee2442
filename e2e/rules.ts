import axe from 'axe-core';
import type { Page } from 'puppeteer-core';

/** What breaks the accessibility rules of WCAG 2.1 A and AA on a page, with the first of the markup. */
export async function violations(page: Page): Promise<string[]> {
  // Placed by the page's own script engine; the policy forbids script elements.
  await page.evaluate(axe.source);
  return page.evaluate(async () => {
    const { axe: tool } = window as unknown as {
      axe: { run(options: unknown): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
    };
    const result = await tool.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa'] });
    return result.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
  });
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
