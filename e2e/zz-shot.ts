import { launch, newPage } from './browser.ts';
const [, , out, path, w = '1280', h = '800', theme = 'light', units = 'metric', wait = '3500', action = ''] =
  process.argv;
const builds = (await (await fetch('http://127.0.0.1:4400/api/builds')).json()) as {
  builds: { id: string; document: { name: string } }[];
};
const id = (name: string) =>
  builds.builds.find((b) => b.document.name.toLowerCase().includes(name))?.id ?? '';
const url = 'http://127.0.0.1:4400' + (path ?? '/').replace(/@(\w+)/, (_, n: string) => id(n));
const browser = await launch();
const page = await newPage(browser);
await page.setViewport({ width: Number(w), height: Number(h) });
await page.evaluateOnNewDocument(
  (t: string, u: string) =>
    localStorage.setItem(
      'apple-cart-settings',
      JSON.stringify({ state: { units: u, theme: t }, version: 0 }),
    ),
  theme ?? 'light',
  units ?? 'metric',
);
await page.goto(url);
await new Promise((r) => setTimeout(r, Number(wait)));
if (action !== '') {
  await page.evaluate(action);
  await new Promise((r) => setTimeout(r, 2500));
}
await page.screenshot({ path: out as `${string}.png`, fullPage: process.env.FULL === '1' });
await browser.close();
