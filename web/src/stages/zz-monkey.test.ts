// @vitest-environment happy-dom
import { act, cleanup, fireEvent } from '@testing-library/react';
import * as fc from 'fast-check';
import { appendFileSync } from 'node:fs';
import { describe, it, vi } from 'vitest';
import { STAGE_IDS, readBuild } from '@apple-cart/core';
import { anyBuild, anyRecords } from '@apple-cart/core/test';
import { SCREENS } from '../screens/registry.ts';
import { useBuild } from '../state/build-store.ts';
import { verdictOf } from '../state/verdicts.ts';
import { PROGRAM, inHand, shown, showsPages, stumbles, textsOf } from '../test/pages.ts';
import { PRINTED_SHEETS, STAGE_SHEETS, START, StartSheet } from './sheets.tsx';

showsPages();
const SAID = new Set<string>();
const say = (s: string) => { const k = s.replace(/\d+/g, '#'); if (!SAID.has(k)) { SAID.add(k); appendFileSync('/tmp/monkey.txt', s + '\n'); } };
const PAGES = [
  { name: 'start', address: `/builds/one/${START}`, Page: StartSheet },
  ...STAGE_IDS.flatMap((stage) => (SCREENS[stage].views.length === 0 ? [''] : SCREENS[stage].views.map(({ id }) => id)).map((view) => ({ name: `${stage} ${view}`.trim(), address: `/builds/one/${stage}${view === '' ? '' : `?view=${view}`}`, Page: STAGE_SHEETS[stage] }))),
  ...PRINTED_SHEETS.map(({ path, Page }) => ({ name: `print ${path}`, address: `/builds/one/${path}`, Page })),
].filter((p) => !process.env['PAGES'] || process.env['PAGES'].split(',').some((x) => p.name.startsWith(x)));
let state = Number(process.env['SEED'] ?? 1);
const rnd = () => { state = (state * 1664525 + 1013904223) % 4294967296; return state / 4294967296; };
const TEXTS = ['', '0', '-5', '12', '48', '3.7', '1e9', 'abc', '12 mi', '2026-03-04', '=1+1', '100', '1', '0.5', 'x'.repeat(300), '99999', '25.5', '20 mph', '½'];
describe('monkey', () => {
  it.each(PAGES)('$name', async ({ name, address, Page }) => {
    vi.stubGlobal('print', () => undefined); vi.stubGlobal('EventSource', class { addEventListener() {} close() {} }); 
    const errors: string[] = [];
    const onError = (e: ErrorEvent) => errors.push(String(e.error?.stack ?? e.message).slice(0, 600));
    window.addEventListener('error', onError);
    for (let b = 0; b < Number(process.env['N'] ?? 3); b++) {
      const [document_] = fc.sample(anyBuild, { seed: Math.floor(rnd() * 1e9), numRuns: 1 });
      const [records] = fc.sample(anyRecords(verdictOf(document_!).bench), { seed: Math.floor(rnd() * 1e9), numRuns: 1 });
      inHand(document_!, records);
      const log: string[] = [];
      try {
        const { page } = await shown(Page, address);
        const err = vi.spyOn(console, 'error').mockImplementation(() => undefined);
        for (let k = 0; k < 30; k++) {
          const all = [...page.querySelectorAll<HTMLElement>('button:not([disabled]), input:not([disabled]):not([type=file]), select, textarea, summary, [role=menuitem], [role=menuitemradio], [role=menuitemcheckbox], [role=option]')];
          const openMenu = all.filter((e) => /menuitem|option/.test(e.getAttribute('role') ?? ''));
          const from = openMenu.length > 0 && rnd() < 0.8 ? openMenu : all;
          const e = from[Math.floor(rnd() * from.length)];
          if (e === undefined) break;
          const label = `${e.tagName} ${e.getAttribute('aria-label') ?? e.textContent?.slice(0, 40) ?? ''} ${e.getAttribute('type') ?? ''}`;
          const before = useBuild.getState().document;
          await act(async () => {
            if (e instanceof HTMLInputElement && (e.type === 'checkbox' || e.type === 'radio')) fireEvent.click(e);
            else if (e instanceof HTMLInputElement || e instanceof HTMLTextAreaElement) {
              let t = TEXTS[Math.floor(rnd() * TEXTS.length)]!; if (e.maxLength > 0) t = t.slice(0, e.maxLength); log.push(`${label} <- ${t.slice(0, 20)}`);
              fireEvent.focus(e); fireEvent.change(e, { target: { value: t } }); if (rnd() < 0.7) fireEvent.blur(e); else if (rnd() < 0.5) fireEvent.keyDown(e, { key: ['Enter', 'ArrowUp', 'Escape', 'F2'][Math.floor(rnd() * 4)]! });
            } else if (e instanceof HTMLSelectElement) { const o = e.options[Math.floor(rnd() * e.options.length)]; if (o) fireEvent.change(e, { target: { value: o.value } }); }
            else { fireEvent.pointerDown(e, { button: 0, ctrlKey: false }); fireEvent.pointerUp(e); fireEvent.click(e); if (e.getAttribute('aria-haspopup')) fireEvent.keyDown(e, { key: 'Enter' }); }
            log.push(label);
            await new Promise((d) => setTimeout(d, 0));
          });
          const now = useBuild.getState().document;
          if (now !== before && now !== undefined) {
            const read = readBuild(JSON.parse(JSON.stringify(now)));
            if (!read.ok) { say(`${name}: INVALID after ${log.at(-1)} ${JSON.stringify(read.issues).slice(0, 300)}`); inHand(document_!, records); break; }
          }
          if (errors.length) { say(`${name}: ERROR after ${log.slice(-2).join(' / ')} ${errors[0]!.replace(/\s+/g, ' ').slice(0, 500)}`); errors.length = 0; break; }
          for (const t of textsOf(page)) if (PROGRAM.test(t)) say(`${name}: TEXT ${t.slice(0, 150)}`);
          for (const t of stumbles(page)) if (!/x{50}|=1\+1|½|abc/.test(t)) say(`${name}: STUMBLE ${t.slice(0, 200)}`); if (0) say(`after ${log.slice(-2).join(' / ')}`);
          for (const call of err.mock.calls) { const m = call.map(String).join(' '); if (!/queryFn|act\(/.test(m)) say(`${name}: CONSOLE ${m.replace(/\s+/g, ' ').slice(0, 400)} after ${log.slice(-2).join(' / ')}`); }
          err.mockClear();
          if (page.textContent === '') break;
        }
        err.mockRestore();
      } catch (e) { say(`${name}: THREW ${String((e as Error).stack ?? e).replace(/\s+/g, ' ').slice(0, 700)} after ${log.slice(-2).join(' / ')}`); }
      cleanup();
    }
    window.removeEventListener('error', onError);
  }, 300_000);
});
