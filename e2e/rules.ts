import axe from 'axe-core';
import type { Page } from 'puppeteer-core';

/**
 * What breaks the accessibility rules of WCAG 2.1 A and AA on a page, with the first of the markup.
 * @param only the rules to hold it against, by their names in axe; all of them, if left out
 */
export async function violations(page: Page, only?: readonly string[]): Promise<string[]> {
  // Placed by the page's own script engine; the policy forbids script elements.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(
    async (further, rules) => {
      const { axe: tool } = window as unknown as {
        axe: { run(options: unknown): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
      };
      const result = await tool.run({
        // What is kept, or does not apply, need not be named.
        resultTypes: ['violations'],
        preload: false,
        ...(rules === undefined
          ? {
              runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'],
              rules: Object.fromEntries(further.map((rule) => [rule, { enabled: true }])),
            }
          : { runOnly: rules }),
      });
      return result.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
    },
    FURTHER,
    only,
  );
}

/** Rules beyond those of WCAG 2.1 and 2.2 that every page keeps too. */
const FURTHER = [
  'label-content-name-mismatch',
  'heading-order',
  'empty-table-header',
  'page-has-heading-one',
  'target-size',
];

/** What breaks them in either theme, which differ in nothing but their colours; the page is left in light. */
export async function violationsInBoth(page: Page): Promise<string[]> {
  const found = await violations(page);
  await turn(page, 'dark');
  const dark = await violations(page, ['color-contrast']);
  await turn(page, 'light');
  return [...found, ...dark.map((one) => `dark, ${one}`)];
}

/** Turns the theme by its button, or on a page made to be printed, which has none, by its mark. */
async function turn(page: Page, theme: 'light' | 'dark'): Promise<void> {
  const button = `button[aria-label="${theme === 'dark' ? 'Dark' : 'Light'} theme"]`;
  if ((await page.$(button)) === null)
    await page.evaluate((to) => {
      document.documentElement.dataset['theme'] = to;
    }, theme);
  else await page.click(button);
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
export const sidewaysAnywhere = (page: Page): Promise<string[]> =>
  atEverySize(page, async (size) => {
    const px = await sideways(page);
    return px > 0 ? [`${String(px)} px at ${size}`] : [];
  });

/**
 * Everything that a screen keeps: it can be read by everybody in either theme, is never scrolled
 * sideways, never shows a second scrollbar, and has room for fingers on a tablet and a telephone.
 */
export async function faults(page: Page, paper = false): Promise<string[]> {
  const unread = await violationsInBoth(page);
  const unfit = await atEverySize(page, async (size, width) => {
    const px = paper ? 0 : await sideways(page);
    const below = paper
      ? 0
      : await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight);
    const small = width < 1000 ? await tooSmall(page) : [];
    return [
      ...(px > 0 ? [`${String(px)} px sideways at ${size}`] : []),
      ...(below > 0 ? [`a second scrollbar of ${String(below)} px at ${size}`] : []),
      ...small.map((one) => `${one} at ${size}`),
      ...(await overflowing(page)).map((one) => `${one} out of its box at ${size}`),
      ...(paper || width < 700 ? [] : await cutOff(page)).map((one) => `${one} cut off at ${size}`),
    ];
  });
  return [...unread, ...unfit];
}

/** Tables that are typed into and do not show all of their columns: on a desk and a tablet they have room. */
const cutOff = (page: Page): Promise<string[]> =>
  page.$$eval('main [role=region]', (regions) =>
    regions
      .filter(
        (r) =>
          r.scrollWidth > r.clientWidth + 1 && r.querySelector('table input:not([type=checkbox])') !== null,
      )
      .map(
        (r) =>
          `${r.getAttribute('aria-label') ?? ''}, ${String(r.scrollWidth)} px in ${String(r.clientWidth)}`,
      ),
  );

/** What is found at each size; the page is left as wide as a desk. */
async function atEverySize(
  page: Page,
  find: (size: string, width: number) => Promise<string[]>,
): Promise<string[]> {
  const found: string[] = [];
  for (const [width, height] of [...SIZES.slice(1), SIZES[0]]) {
    await page.setViewport({ width, height });
    await stood(page);
    found.push(...(await find(`${String(width)} x ${String(height)}`, width)));
  }
  return found;
}

/** How far the page and its sheet could be scrolled sideways, px: nought is meant. */
const sideways = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const main = document.querySelector('main');
    const { scrollWidth, clientWidth } = document.documentElement;
    return Math.max(scrollWidth - clientWidth, main === null ? 0 : main.scrollWidth - main.clientWidth);
  });

/** A link within a sentence is as tall as its line (WCAG 2.2, 2.5.8); everything else is 44 px high and wide, its label counted with it. */
export const tooSmall = (page: Page): Promise<string[]> =>
  page.$$eval('button, a, input, select, textarea, summary, [data-figure]', (all) => {
    // A telephone's bar has room for less; a thumb finds 36 px there (WCAG 2.2 asks for 24).
    const least = window.innerWidth < 700 ? 35.5 : 43.5;
    return all
      .filter((e) => e.closest('.sr-only') === null && (e.tagName !== 'A' || e.closest('p, dd, td') === null))
      .map((e) => {
        const boxes = [e, e.closest('label')].flatMap((one) => one?.getBoundingClientRect() ?? []);
        const [width, height] = [
          Math.max(...boxes.map((box) => box.width)),
          Math.max(...boxes.map((box) => box.height)),
        ];
        // What is low may reach further than is seen; the rest need not be asked.
        const more = height < least ? getComputedStyle(e, '::before') : undefined;
        const reaches =
          more === undefined || more.content === 'none'
            ? height
            : Math.max(height, Number.parseFloat(more.height));
        return {
          words: e.getAttribute('aria-label') ?? (e.textContent || e.tagName),
          shown: boxes.some((box) => box.width > 0),
          width,
          height: reaches,
        };
      })
      .filter(({ shown, width, height }) => shown && (height < least || width < least))
      .map(({ words, width, height }) => `${words} ${width.toFixed(0)}x${height.toFixed(0)}`);
  });

/**
 * Words and numbers that reach out of the cell, button or figure they stand in, or that something clips. What ends in
 * dots on purpose is let be, unless it has a digit and is told whole nowhere: half a number is another number.
 */
const overflowing = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const words = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (words.nextNode() !== null) {
      const node = words.currentNode;
      const holder = node.parentElement;
      const text = (node.textContent ?? '').trim();
      if (holder === null || text === '' || holder.closest('.sr-only, svg, [aria-hidden=true]') !== null)
        continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      const box = range.getBoundingClientRect();
      if (box.width === 0) continue;
      // What is only there for those who hear the page has a box of one pixel.
      let hidden = false;
      for (let outer: Element | null = holder; outer !== null && !hidden; outer = outer.parentElement)
        hidden = outer.getBoundingClientRect().width <= 1;
      if (hidden) continue;
      const own = holder.closest('td, th, button, [data-figure]')?.getBoundingClientRect();
      if (own !== undefined && (box.right > own.right + 1.5 || box.left < own.left - 1.5)) {
        found.push(
          `${text.slice(0, 60)} (${box.left.toFixed(0)} to ${box.right.toFixed(0)} in ${own.left.toFixed(0)} to ${own.right.toFixed(0)})`,
        );
        continue;
      }
      for (let outer: Element | null = holder; outer !== null; outer = outer.parentElement) {
        const { overflowX, textOverflow } = getComputedStyle(outer);
        // What can be scrolled is not lost.
        if (overflowX === 'auto' || overflowX === 'scroll') break;
        if (overflowX !== 'hidden' && overflowX !== 'clip') continue;
        const edge = outer.getBoundingClientRect();
        const out = box.right > edge.right + 1.5 || box.left < edge.left - 1.5;
        const whole = holder.closest('[title]')?.getAttribute('title')?.includes(text) === true;
        if (out && !whole && (textOverflow !== 'ellipsis' || /\d/.test(text))) found.push(text.slice(0, 60));
        if (out) break;
      }
    }
    return found;
  });
