// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { withQuantity, type BuildDocument, type Kept } from '@apple-cart/core';
import { entryOf, longtail, tandem } from '@apple-cart/core/test';
import { usePeople } from '../../state/people.ts';
import { verdictOf } from '../../state/verdicts.ts';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';
import { benchOf } from '../parts/bench-of.ts';
import { sheetOf } from './sheet-of.ts';

showsPages();

const wrong = withQuantity(longtail, 'packs.0.charger.volts', { source: 'label', value: 58.8 });
/** A run of a build of which every step was passed. */
function passed(build: BuildDocument): readonly Kept[] {
  const steps = verdictOf(build).bench;
  const at = '2026-03-02T10:00:00.000Z';
  const who = 'R. Quince';
  const run: Kept<'bench-run'> = {
    key: 'run',
    kind: 'bench-run',
    seq: 1,
    parent: null,
    at,
    data: { name: 'First run', planVersion: 1, who, steps: steps.map((p) => ({ ...p, why: [...p.why] })) },
  };
  const entries = steps.map((point, i): Kept<'bench-entry'> => ({
    key: `entry-${String(i)}`,
    kind: 'bench-entry',
    seq: i + 2,
    parent: 'run',
    at,
    data: entryOf(point, 'pass'),
  }));
  return [run, ...entries];
}
const button = (work: AtWork, name: string): HTMLButtonElement => {
  const found = [...work.page.querySelectorAll('button')].find((b) => b.textContent === name);
  if (found === undefined) throw new Error(`there is no button ${name}`);
  return found;
};

describe('a run that is begun', () => {
  it('names the hold points of this machine, and waits for a name', async () => {
    usePeople.setState({ who: '' });
    const work = await AtWork.at('bench run', tandem);
    expect(work.text).toMatch(/\d+ hold points in \d+ groups are worked out from this build/);
    expect(button(work, 'Begin the run').disabled).toBe(true);
    await work.type(/^Who/, 'R. Quince');
    expect(button(work, 'Begin the run').disabled).toBe(false);
  });

  it('says first what the plan itself stops at: what is found as planned would be as wrong', async () => {
    const sound = await AtWork.at('bench run', longtail);
    expect(sound.text).not.toContain('The plan itself stops at');
    const work = await AtWork.at('bench run', wrong);
    expect(work.text).toMatch(/The plan itself stops at one thing.*Charger’s volts against the pack/);
  });
});

describe('a step that fails', () => {
  it('keeps what was typed of the reason for whoever comes back', async () => {
    usePeople.setState({ who: 'R. Quince' });
    const [run] = passed(longtail);
    if (run === undefined) throw new Error('no run');
    const work = await AtWork.at('bench step', longtail, [run]);
    await work.press('Fail');
    await work.type(/^What is wrong/, 'The cup is cross-threaded');
    const again = await AtWork.at('bench step', longtail, [run]);
    expect(again.stands(/^What is wrong/)).toBe('The cup is cross-threaded');
    await again.press('Back');
    expect(again.page.querySelector('textarea')).toBeNull();
  });
});

describe('a hand-over', () => {
  it('waits for every hold point and a name', async () => {
    usePeople.setState({ who: 'R. Quince' });
    const all = passed(longtail);
    const open = await AtWork.at('bench handover', longtail, all.slice(0, -3));
    expect(open.text).toMatch(/\d open, 0 failed/);
    expect(button(open, 'Sign the hand-over').disabled).toBe(true);
    const ready = await AtWork.at('bench handover', longtail, all);
    expect(ready.text).toContain('all passed or waived');
    expect(button(ready, 'Sign the hand-over').disabled).toBe(false);
    expect(ready.text).not.toContain('The plan itself stops at');
  });

  it('of a plan that stops is signed once whoever takes the machine over was told, and the sheet says at what', async () => {
    usePeople.setState({ who: 'R. Quince' });
    const work = await AtWork.at('bench handover', wrong, passed(wrong));
    expect(work.text).toMatch(/The plan itself stops at one thing/);
    expect(button(work, 'Sign the hand-over').disabled).toBe(true);
    await work.tick(/has been told of it/);
    expect(button(work, 'Sign the hand-over').disabled).toBe(false);
    const told = {
      ...wrong,
      settings: {
        ...wrong.settings,
        readWith: 'keys of the display',
        others: { cruise: { name: '', meant: 'off', readBack: 'on', readOn: '2026-03-02' } },
      },
    };
    const paper = await AtWork.at('print hand-over', told, passed(told));
    expect(paper.text).toMatch(/with keys of the display/);
    expect(paper.row('Holds its speed by itself').join(' ')).toMatch(/off.*on 2026-03-02/);
    expect(paper.text).toMatch(
      /What the plan itself stops at.*Charger’s volts against the pack.*overcharges/,
    );
  });

  it('names the class with its text and label, is drawn, tells the care of this motor and what hangs loose', async () => {
    const told: BuildDocument = {
      ...longtail,
      harness: {
        ...longtail.harness,
        leftOver: {
          a: {
            work: 'reverse',
            name: '',
            ends: 'open',
            covered: 'no',
            volts: null,
            limit: 'unknown',
          },
        },
      },
    };
    const work = await AtWork.at('bench handover', told, passed(told));
    const [, what, state] = work.rows.findLast(([name]) => name === 'Class') ?? [];
    expect([what, state]).toEqual([expect.stringMatching(/^Cannot tell yet what it is in GB\. /), 'unknown']);
    expect(work.row('By')[0]).toMatch(/^Electrically Assisted Pedal Cycles Regulations.*; read to \d{4}$/);
    expect(work.row('Label')[0]).toMatch(/^Rated power ______ W, Maximum speed/);
    expect(work.row('Reverse').join(' ')).toMatch(/Open, and bare\. A cap or shrink.*look/);
    expect(work.row('Motor’s lock ring and crank bolts').at(-1)).toBe('first after 50 km, then every 500 km');
    expect(work.text).toContain('Before each ride: tyres, both brakes');
    const shapes = work.page.querySelectorAll('svg[aria-label="Side view, as it was signed"] path');
    expect(shapes.length).toBeGreaterThan(15);
  });

  it('keeps its drawing and its words whatever becomes of the plan', async () => {
    const all = passed(longtail);
    const moved: BuildDocument = {
      ...longtail,
      name: 'Another name',
      donor: { ...longtail.donor, style: 'small-wheel' },
    };
    const verdict = verdictOf(longtail);
    const { view } = benchOf({ records: all }, verdict.bench);
    if (view === undefined) throw new Error('no run');
    const sheet = sheetOf(longtail, verdict, view, 'metric');
    const data = { who: 'R. Quince', role: '', words: '', planVersion: 1, passed: 1, waived: 0, sheet };
    const sign = { key: 's', kind: 'bench-sign', seq: 900, parent: 'run', at: all[0]?.at ?? '' } as const;
    const paper = await AtWork.at('print hand-over', moved, [...all, { ...sign, data }]);
    expect(paper.text).toContain(longtail.name);
    expect(paper.text).not.toContain('Another name');
    const drawn = [...paper.page.querySelectorAll('article svg path')].map((p) => p.getAttribute('d'));
    expect(drawn).toEqual(sheet.drawing?.shapes.map(({ d }) => d));
    const old = { ...sign, data: { ...data, sheet: { ...sheet, drawing: null } } };
    const before = await AtWork.at('print hand-over', moved, [...all, old]);
    expect(before.text).toContain(longtail.name);
    expect(before.page.querySelector('article svg')).toBeNull();
  });
});
