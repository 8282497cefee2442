import { readFileSync } from 'node:fs';
import { it } from 'vitest';
import { stand } from './stand.ts';
import { quiet } from './hands.ts';
const bench = stand();
const SHOTS = (process.env['SHOTS'] ?? '').split(' ').filter(Boolean);
it('x', async () => {
  const page = await bench.open();
  const name = process.env['DOC'] ?? 'c14';
  const r = await fetch(`${bench.application.url}/api/builds`, { method: 'POST', headers: { 'content-type': 'application/json', origin: bench.application.url }, body: readFileSync(`/tmp/${name}.json`, 'utf8') });
  const j = (await r.json()) as any; const id = j.id ?? j.build?.id ?? j.stored?.id;
  if (!id) console.log(JSON.stringify(j).slice(0, 400));
  const [w, h] = (process.env['SIZE'] ?? '1280x800').split('x').map(Number);
  await page.setViewport({ width: w!, height: h! });
  for (const s of SHOTS) { const [stage, view] = s.split(':'); await page.goto(`${bench.application.url}/builds/${id}/${stage}${view ? `?view=${view}` : ''}`); await new Promise((q) => setTimeout(q, 1200)); await quiet(page).catch(() => 0); await page.screenshot({ path: `/tmp/p-${name}-${stage}-${view ?? ''}-${w}.png` as any }); }
}, 200000);
