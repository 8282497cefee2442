import { it } from 'vitest';
import { stand } from './stand.ts';
import { openBuild } from './hands.ts';
const s = stand();
it('x', async () => {
  for (const [w, theme] of [[1280, 'light'], [768, 'dark'], [390, 'light']] as const) {
    const page = await s.open(w, 900);
    await page.evaluateOnNewDocument(`localStorage.setItem('apple-cart-settings', JSON.stringify({state:{units:'metric',unitsChosen:true,theme:'${theme}'},version:0}))`);
    await openBuild(page, s.application, 'Orchard longtail', 'buy');
    await page.waitForSelector('[data-testid=parts-list]');
    await new Promise((r) => setTimeout(r, 800));
    await page.screenshot({ path: `/tmp/p-${w}.png` });
    await page.click('a[href$=shopping-list]');
    await page.waitForSelector('[data-testid=shopping-list]');
    await new Promise((r) => setTimeout(r, 500));
    await page.screenshot({ path: `/tmp/q-${w}.png` });
  }
}, 120000);
