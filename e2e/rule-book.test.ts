import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { shippedRules } from '@apple-cart/core';
import { settled, type Watch } from './browser.ts';
import {
  chooseFrom,
  chooseIn,
  clickWords,
  kept,
  openBuild,
  says as pageSays,
  typeInto,
  typeOver,
} from './hands.ts';
import { stand } from './stand.ts';

const bench = stand();
let page: Page & Watch;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'apple-cart-rules-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));
beforeEach(async () => {
  page = await bench.open();
});

const says = (selector: string, words: RegExp) => pageSays(page, selector, words);
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
const typeRule = (path: string, text: string): Promise<void> =>
  typeOver(page, `[data-rule-field="${path}"] input`, text);

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
    await openBuild(page, bench.application, 'Choir tandem', 'law');
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
    await says('main', /What you typed before is in the form again/);
    expect(
      await page.$eval('[data-rule-field="tests.0.categories.0.clauses.0.title"] input', (i) => i.value),
    ).toBe('Power as I read it');
    const list = (await (await fetch(`${bench.application.url}/api/rules`)).json()) as {
      documents: { id: string; origin: string }[];
    };
    expect(list.documents.find((p) => p.id === 'nz')?.origin).toBe('shipped');
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
    // What is no form stays text, and says what is missing.
    await clickWords(page, 'text (JSON)');
    await page.focus('[data-testid=rules-text]');
    await page.keyboard.down('Control');
    await page.keyboard.press('a');
    await page.keyboard.up('Control');
    await page.keyboard.type('{"tests": 3}');
    await clickWords(page, 'a form');
    await says('[data-testid=rule-issues]', /tests: wanted a list, found 3/);
    expect(await page.$('[data-testid=rules-text]')).not.toBeNull();
  });

  it('that has no rules for a place says so, and nothing else of the build is lost', async () => {
    const list = (await (await fetch(`${bench.application.url}/api/builds`)).json()) as {
      documents: { document: { name: string; brief: object } }[];
    };
    const trike = list.documents.find((b) => b.document.name === 'Tide-flat trike')?.document;
    const name = 'From another workshop';
    await fetch(`${bench.application.url}/api/builds`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...trike, name, brief: { ...trike?.brief, place: 'far-away' } }),
    });
    await openBuild(page, bench.application, name, 'law');
    await says('[data-testid=stamp]', /Cannot tell.*No rules, far-away/i);
    await says('main', /This rule book has no rules for the place/);
    await says('main', /There are no rules for "far-away"/);
    await says('[data-figure=hill]', /\d/);
    await page.click('a[href$="?view=fit"]');
    await says('main', /There are no rules for this place/);
    await chooseFrom(page, 'far-away', 'Great Britain');
    await says('[data-testid=stamp]', /Inside/i);
  });
});
