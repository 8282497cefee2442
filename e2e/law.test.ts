import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { shippedRules } from '@apple-cart/core';
import { settled, type Watch } from './browser.ts';
import { chooseFrom, chooseIn, clickWords, figureBecomes, kept, openBuild, typeInto } from './hands.ts';
import { sideways, tooSmall, violations } from './rules.ts';
import { stand } from './stand.ts';

const bench = stand();
let page: Page & Watch;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'apple-cart-law-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));
beforeEach(async () => {
  page = await bench.open();
});

const TOURER = 'District nurse’s tourer';
const says = (selector: string, words: RegExp) =>
  page.waitForFunction(
    (s, source) => new RegExp(source).test(document.querySelector(s)?.textContent ?? ''),
    {},
    selector,
    words.source,
  );
const stamped = (words: RegExp) => says('[data-testid=stamp]', words);
const view = async (name: string): Promise<void> => {
  await page.click(`a[href$="?view=${name}"]`);
  await page.waitForSelector(`a[href$="?view=${name}"][aria-current=page]`);
};
const law = (build: string) => openBuild(page, bench.application, build, 'law');
const undo = async (): Promise<void> => {
  await page.click('button[aria-label=Undo]');
};
const rulesPage = async (id = ''): Promise<void> => {
  await page.goto(`${bench.application.url}/rules${id === '' ? '' : `/${id}`}`);
  await settled(page, id === '' ? '[data-rules=gb]' : '[data-testid=clause-fields]');
};
const bring = async (content: string): Promise<void> => {
  const path = join(folder, 'place.rules.json');
  await writeFile(path, content);
  const input = await page.$('[data-testid=import-rules]');
  await (input as ElementHandle<HTMLInputElement>).uploadFile(path);
};
/** Types into a field of the form of rules. */
async function typeRule(path: string, text: string): Promise<void> {
  const selector = `[data-rule-field="${path}"] input`;
  await page.waitForSelector(selector);
  await page.click(selector, { count: 3 });
  await page.keyboard.type(text);
}

describe('the same build', () => {
  it('is judged in every place at once, and in four of them clause by clause', async () => {
    await law('Tide-flat trike');
    await view('places');
    await says('main', /Inside in \d+ of 40 places/);
    const take = async (place: string, stamp: RegExp, clause: RegExp): Promise<void> => {
      await view('places');
      await page.click(`button[aria-label="Judge it in ${place}"]`);
      await stamped(stamp);
      await view('clauses');
      await says('main', clause);
    };
    await take('Great Britain', /Inside/, /SI 1983\/1168/);
    await take('Japan', /Outside/, /Help per rider force.*does not follow the rider/);
    await take('Singapore', /Outside/, /20 kg/);
    await take('Ontario', /Inside/, /120 kg/);
    await take('Great Britain', /Inside/, /15\.5 mph/);
    await kept(page);
  });

  it('is found among the places by name, class and answer', async () => {
    await law('Tide-flat trike');
    await view('places');
    const rows = () => page.$$eval('[data-place]', (list) => list.length);
    await page.waitForSelector('[data-place=jp]');
    const all = await rows();
    await page.type('input[aria-label="Search places"]', 'north america');
    await page.waitForFunction((n) => document.querySelectorAll('[data-place]').length < n, {}, all);
    expect(await page.$('[data-place=us-ca]')).not.toBeNull();
    expect(await page.$('[data-place=jp]')).toBeNull();
    await page.type('input[aria-label="Search places"]', 'x');
    await says('main', /No place like that/);
  });
});

describe('a build that breaks its class', () => {
  it('is brought into the pedal-assist class by one action and taken back by one', async () => {
    await law(TOURER);
    await stamped(/Outside/);
    await view('fit');
    await page.waitForSelector('[data-step=wheel-size]');
    await says('[data-step=wheel-size]', /2,148.*top speed −0\.\d/);
    await says('[data-testid=fit-plan]', /After both: inside, check, EAPC/);
    await clickWords(page, 'Try them together');
    await stamped(/Check/);
    await figureBecomes(page, 'class', /EAPC/);
    await says('[data-testid=fit-plan]', /Nothing that a setting could mend is broken/);
    await undo();
    await stamped(/Outside/);
  });

  it('tries one change by itself, and says what it costs and clears', async () => {
    await law(TOURER);
    await view('fit');
    await page.waitForSelector('[data-step=speed-limit]');
    await page.click('[data-step=speed-limit] button');
    // The walk help and the label are still wrong.
    await says('[data-stage=law]', /outside by 2/);
    await undo();
    await says('[data-stage=law]', /outside by 3/);
  });

  it('says what no setting mends, for any class that is wanted', async () => {
    await law('Choir tandem');
    await view('fit');
    await says('[data-testid=fit-plan]', /What no setting mends.*Continuous rated power.*another motor/);
    await chooseIn(page, 'Wanted class', 'EAPC, approved');
    await says('[data-testid=fit-plan]', /Approval/);
  });

  it('is judged by the worst that its rider can switch to', async () => {
    await law('Tide-flat trike');
    await stamped(/Inside/);
    await clickWords(page, 'Add a profile');
    await stamped(/Outside/);
    await says('main', /in “Private land”, past the limit/);
    await says('main', /Judged in 2 ways/);
    await chooseIn(page, 'Switched to by', 'programmer');
    await stamped(/Inside/);
    await undo();
    await undo();
    await stamped(/Inside/);
    expect(await page.$('[data-testid=profile]')).toBeNull();
  });

  it('and the wheel that the controller holds moves every limit', async () => {
    await law('Tide-flat trike');
    await typeInto(page, 'controller.setRolloutMm', '1500');
    await stamped(/Outside/);
    await view('duties');
    await says('[data-trap=wheel]', /too fast/);
    await undo();
    await stamped(/Inside/);
  });
});

describe('the rule book', () => {
  it('takes a place of one’s own by form, and a build is judged by it', async () => {
    await rulesPage();
    await clickWords(page, 'Add a place');
    await page.waitForSelector('[role=dialog] input');
    await page.type('[role=dialog] input', 'Harrow Wold');
    await chooseIn(page, 'Begin from', 'Great Britain');
    await clickWords(page, 'Add it');
    await page.waitForSelector('[data-testid=clause-fields]');
    expect(page.url()).toContain('/rules/harrow-wold');
    await typeRule('tests.0.categories.0.clauses.0.limit', '400');
    await typeRule('tests.0.categories.0.clauses.0.source', 'Byelaw 4 of Harrow Wold');
    await clickWords(page, 'Keep');
    await says('main', /Kept: builds are judged by it/);
    await law('Choir tandem');
    await chooseFrom(page, 'Great Britain', 'Harrow Wold');
    await says('main', /Byelaw 4 of Harrow Wold/);
    await says('main', /at most 400/);
    await typeInto(page, 'drive.ratedPowerW', '400');
    await says('[data-stage=law]', /outside by 1/);
    await undo();
    await undo();
    await kept(page);
  });

  it('does not keep what is wrong, says where, and loses nothing that was typed', async () => {
    await rulesPage('nz');
    await typeRule('tests.0.categories.0.clauses.0.limit', 'plenty');
    await typeRule('tests.0.categories.0.clauses.0.title', 'Power as I read it');
    await clickWords(page, 'Keep my correction');
    await page.waitForSelector('[data-testid=rule-issues]');
    await says('[data-testid=rule-issues]', /tests\.0\.categories\.0\.clauses\.0\.limit: wanted a number/);
    await says('[data-rule-field="tests.0.categories.0.clauses.0.limit"]', /wanted/);
    await page.reload();
    await says('main', /Changes that were not kept were brought back/);
    expect(
      await page.$eval('[data-rule-field="tests.0.categories.0.clauses.0.title"] input', (i) => i.value),
    ).toBe('Power as I read it');
    const list = (await (await fetch(`${bench.application.url}/api/rules`)).json()) as {
      places: { rules: { id: string }; origin: string }[];
    };
    expect(list.places.find((p) => p.rules.id === 'nz')?.origin).toBe('shipped');
    await clickWords(page, 'Drop changes');
    await typeRule('tests.0.categories.0.clauses.0.limit', '350');
    await clickWords(page, 'Keep my correction');
    await says('main', /Corrected by you/);
    await rulesPage();
    await says('[data-rules=nz]', /corrected by you/);
    await page.click('button[aria-label="New Zealand as shipped"]');
    await says('[data-rules=nz]', /as shipped/);
    await clickWords(page, 'Bring it back');
    await says('[data-rules=nz]', /corrected by you/);
  });

  it('refuses a broken file by its path, with the old rules still in force, and takes it mended', async () => {
    const pl = shippedRules().find((p) => p.id === 'pl');
    await rulesPage();
    await bring(JSON.stringify({ ...pl, readYear: 'lately', colour: 'red' }));
    await page.waitForSelector('[data-testid=import-rules-issues]');
    const words = await page.$eval('[role=dialog]', (d) => d.textContent);
    expect(words).toContain('readYear: wanted a number, found "lately"');
    expect(words).toContain('colour');
    expect(words).toContain('stay in force');
    await page.keyboard.press('Escape');
    await page.waitForSelector('[role=dialog]', { hidden: true });
    await bring('{"format": "apple-cart-rules"');
    await says('[data-testid=import-rules-issues]', /JSON/);
    await page.keyboard.press('Escape');
    await page.waitForSelector('[role=dialog]', { hidden: true });
    await says('[data-rules=pl]', /as shipped/);
    await bring(JSON.stringify({ ...pl, readYear: 2026 }));
    await says('[role=dialog]', /in force as the file has them/);
    await page.keyboard.press('Escape');
    await says('[data-rules=pl]', /2026.*corrected by you/);
  });

  it('can be changed as text, and the text and the form are one', async () => {
    await rulesPage('br');
    await clickWords(page, 'text (JSON)');
    await page.waitForSelector('[data-testid=rules-text]');
    await page.focus('[data-testid=rules-text]');
    await page.$eval('[data-testid=rules-text]', (area) => {
      const box = area as HTMLTextAreaElement;
      const at = box.value.indexOf('"Brazil"') + 1;
      box.setSelectionRange(at, at + 'Brazil'.length);
    });
    await page.keyboard.type('Brazil, as read');
    await clickWords(page, 'a form');
    await page.waitForSelector('[data-rule-field=name] input');
    expect(await page.$eval('[data-rule-field=name] input', (i) => i.value)).toBe('Brazil, as read');
  });
});

describe('the class sheet', () => {
  it('prints with clauses, duties and the label of the class it is in', async () => {
    const id = await law('Tide-flat trike');
    await page.click('a[href$=class-sheet]');
    await page.waitForSelector('[data-testid=label]');
    expect(await page.$eval('[data-testid=label]', (l) => l.textContent)).toBe(
      'Rated power 250 WMaximum speed 15.2 mph',
    );
    const words = await page.$eval('main', (m) => m.textContent);
    for (const part of ['Class sheet', 'SI 1983/1168', 'Age. 14 or over', 'planning aid, not legal advice'])
      expect(words).toContain(part);
    expect(await violations(page)).toEqual([]);
    const pdf = await page.pdf({ format: 'A4' });
    const pages =
      Buffer.from(pdf)
        .toString('latin1')
        .match(/\/Type\s*\/Page[^s]/g) ?? [];
    expect(pages.length).toBeGreaterThanOrEqual(1);
    expect(pages.length).toBeLessThanOrEqual(3);
    expect(page.url()).toContain(id);
  });

  it('prints no label for a class that the machine is not in', async () => {
    await law('Choir tandem');
    await page.click('a[href$=class-sheet]');
    await says('main', /must not state a class that the machine is not in/);
    expect(await page.$('[data-testid=label]')).toBeNull();
  });
});

describe('every view of the law and the book', () => {
  const VIEWS = ['clauses', 'fit', 'places', 'curves', 'duties'] as const;

  it('can be read by everybody', async () => {
    await law(TOURER);
    for (const name of VIEWS) {
      await view(name);
      if (name === 'fit') await page.waitForSelector('[data-step]');
      if (name === 'curves') await page.waitForSelector('[data-chart] svg');
      expect(await violations(page), name).toEqual([]);
    }
    await rulesPage();
    expect(await violations(page), 'book').toEqual([]);
    await rulesPage('gb');
    expect(await violations(page), 'file').toEqual([]);
  });

  it('fits a telephone and a tablet, with room for fingers', async () => {
    for (const [width, height] of [
      [390, 844],
      [768, 1024],
    ] as const) {
      page = await bench.open(width, height);
      await law(TOURER);
      for (const name of VIEWS) {
        await view(name);
        if (name === 'fit') await page.waitForSelector('[data-step]');
        expect(await sideways(page), `${name} ${String(width)}`).toBe(0);
        expect(await tooSmall(page), `${name} ${String(width)}`).toEqual([]);
      }
      await rulesPage();
      expect(await sideways(page), `book ${String(width)}`).toBe(0);
      expect(await tooSmall(page), `book ${String(width)}`).toEqual([]);
      await rulesPage('gb');
      expect(await sideways(page), `file ${String(width)}`).toBe(0);
      expect(await tooSmall(page), `file ${String(width)}`).toEqual([]);
    }
  });
});
