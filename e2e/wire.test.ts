import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { settled, type Watch } from './browser.ts';
import { chooseIn, chooseItem, clickWords, downloaded, kept, openBuild, says, typeOver } from './hands.ts';
import { faults } from './rules.ts';
import { stand } from './stand.ts';

const bench = stand();

async function open(view: string): Promise<Page & Watch> {
  const page = await bench.open();
  await openBuild(page, bench.application, 'Choir tandem', 'wire');
  await page.goto(`${page.url()}?view=${view}`);
  await page.waitForSelector('[data-testid=stamp]');
  return page;
}

describe('the wiring stage', () => {
  it('solves a throttle of three unknown wires with typed readings', async () => {
    const page = await open('find');
    const read = async (volts: string): Promise<void> => {
      await page.waitForSelector('[data-testid=next-reading]');
      await page.type('[data-testid=next-reading] input', volts);
      await clickWords(page, 'Enter');
    };
    // Brown to grey 4.1: brown is the supply and grey the lever, so that violet is ground.
    await says(page, '[data-testid=next-reading]', 'Red lead on brown, black lead on grey');
    await read('4.1');
    await says(page, '[aria-label="Find a pin"]', 'Found, with 1 reading');
    await says(page, '[data-testid=pin-roles]', '1 brownis');
    // Whoever comes back with a charged meter finds it as it was.
    await page.reload();
    await says(page, '[aria-label="Find a pin"]', 'Found, with 1 reading');
    // What was found goes onto the plug that waits for it.
    await clickWords(page, 'Walk lever: throttle');
    await page.goto(page.url().replace(/view=.*$/, 'view=pins&cable=throttle-controller'));
    await page.waitForFunction(
      () =>
        document.querySelector<HTMLSelectElement>('[data-pin="2"] select[aria-label^=Work]')?.value ===
        'throttle',
    );
  });

  it('shows the pins of the pair that is touched on a tablet, where they lie below the pairs', async () => {
    const page = await bench.open(768, 1024);
    await openBuild(page, bench.application, 'Choir tandem', 'wire');
    await page.click('[data-testid=plug-pairs] li:nth-child(3) button');
    await page.waitForFunction(() => {
      const pins = document.querySelector('[data-testid=pins]')?.getBoundingClientRect();
      const sheet = document.querySelector('main')?.getBoundingClientRect();
      return pins !== undefined && sheet !== undefined && pins.top > sheet.top && pins.bottom < sheet.bottom;
    });
    await says(page, 'main', 'P3, phases');
  });

  it('guides through the orders of the sensors to the right one, and tells how to reverse it', async () => {
    const page = await open('phases');
    await says(page, '[data-testid=hall-guide]', 'Try ABC');
    await clickWords(page, 'locks, twitches or hums');
    await says(page, '[data-testid=hall-guide]', 'Try ACB');
    await clickWords(page, 'runs, but rough and hungry');
    await says(page, '[data-testid=hall-guide]', 'Try BAC');
    await page.click('[data-testid=hall-guide] input[type=checkbox]');
    await clickWords(page, 'runs smooth, little current');
    await says(page, '[data-testid=hall-guide]', 'BAC is right');
    await says(page, '[data-testid=hall-reverse]', 'Swap phases A and B');
  });

  it('gives the schedule out, and tells what a cable is short by', async () => {
    const page = await open('schedule&cable=motor-halls');
    // 1,210 along, no bar, 60 of loop and 40 of ends: 1,310; the motor brings 900.
    await says(page, '[data-testid=cable-then]', 'extend by 410 mm');
    const folder = mkdtempSync(path.join(tmpdir(), 'wire-'));
    const text = await downloaded(page, folder, () => clickWords(page, 'Table (CSV)'), '.csv');
    expect(text).toContain('hall-b');
    expect(
      text.split('\r\n').filter((row) => row.includes('motor-halls') || row.includes('rotor position'))
        .length,
    ).toBe(6);
  });

  it('names the very plug that is the weakest, joins what does not mate by an adapter, and buys both', async () => {
    const page = await open('schedule&cable=motor-phases');
    await page.$eval('input[aria-label="Its plug pair carries: W3"]', (i) => {
      i.focus();
      i.select();
    });
    await page.keyboard.type('7');
    await says(page, '[data-figure=weakest]', 'Plug, controller to motor');
    await page.keyboard.type('0');
    await page.goto(page.url().replace(/view=.*$/, 'view=pins&cable=assist-controller'));
    await page.waitForSelector('[data-testid=pins]');
    await typeOver(page, 'xpath///label[text()="Plug"]/following-sibling::input', 'round five');
    await says(page, '[data-finding=other-family]', 'do not mate');
    await clickWords(page, 'Make an adapter');
    await says(page, '[data-testid=adapter]', '1 to 1');
    await page.waitForFunction(() => document.querySelector('[data-finding=other-family]') === null);
    await page.goto(page.url().replace(/wire.*$/, 'buy'));
    await says(page, 'main', 'Adapter lead, a half for round five');
    await says(page, 'main', 'to extend W4');
  });

  it('takes a pair as looked at when its pins are, not when its cable was measured', async () => {
    const page = await open('pins&cable=accessory-1-supply');
    await page.waitForSelector('[data-testid=pins]');
    for (const half of ['Converter', 'Front lamp']) {
      await page.click(`input[aria-label="Length of its own cable: ${half}’s half"]`);
      await page.keyboard.type('400');
      await says(page, '[data-finding=not-seen]', 'Nobody has looked at these halves yet');
    }
    await chooseIn(page, 'Contacts lie', 'in a ring');
    await says(page, 'main', 'into the open plug, notch up');
    await clickWords(page, 'It is as usual');
    await page.waitForFunction(() => document.querySelector('[data-finding=not-seen]') === null);
    await says(page, '[data-plug=accessory-1-supply]', 'all match');
  });

  it('notes what hangs from the controller: bare at pack volts it stops the stage, covered it does not, and it prints', async () => {
    const page = await open('left-over');
    await page.click('[data-note=lamp]');
    await says(page, '[data-lead=lamp-1]', 'Nobody has looked whether anything is joined');
    await chooseIn(page, 'It is', 'left open');
    await chooseIn(page, 'Each contact covered by itself', 'no');
    await typeOver(page, 'input[aria-label="Volts: Lamp out"]', '48');
    await says(page, '[data-lead=lamp-1]', '48 V stand on a bare contact');
    await chooseIn(page, 'Each contact covered by itself', 'yes');
    await says(page, '[data-lead=lamp-1]', 'Open, each contact covered by itself.');
    // The limit: Law was told that nobody can lift it, and this lead does.
    await page.click('[data-note=limit]');
    await chooseIn(page, 'As it is, the speed limit', 'is lifted');
    await says(page, '[data-lead=limit-1]', 'another class');
    expect(await faults(page)).toEqual([]);
    await kept(page);
    const wire = page.url();
    await page.goto(wire.replace(/\/wire.*$/, '/cable-schedule'));
    await settled(page, '[data-testid=schedule-sheet]');
    await says(page, '[data-testid=schedule-sheet]', 'Plugs left over at the controller');
    await page.goto(wire);
    for (const name of ['Lamp out', 'Speed limit'])
      await (
        await page.waitForSelector(`[data-lead] button ::-p-text(${name})`)
      )
        ?.click()
        .then(() => clickWords(page, 'Take away'));
    await page.waitForFunction(() => document.querySelector('[data-lead]') === null);
    await kept(page);
  });

  it('is drawn in colour and on paper: a picture to send, sheets laid across to hang up', async () => {
    const page = await open('diagram');
    await page.waitForSelector('[data-testid=wiring-diagram]');
    const folder = mkdtempSync(path.join(tmpdir(), 'wire-'));
    const png = await downloaded(page, folder, () => clickWords(page, 'PNG'), '.png');
    expect(png.slice(1, 4)).toBe('PNG');
    await page.goto(page.url().replace(/\/wire.*$/, '/cable-schedule'));
    await page.waitForFunction(() => document.querySelectorAll('.sheet-across svg').length === 2);
  });

  it('keeps a pinout with its part, and offers it to another build', async () => {
    const page = await open('pins&cable=motor-halls');
    await clickWords(page, 'Keep this pinout');
    await chooseItem(page, 'with Corvane G-250');
    await says(page, 'main', 'Kept with Corvane G-250.');
    await openBuild(page, bench.application, 'Tide-flat trike', 'wire');
    await page.goto(`${page.url()}?view=pins&cable=motor-halls`);
    await clickWords(page, 'Pinout from the shelf');
    await chooseItem(page, 'Corvane G-250');
    await page.waitForFunction(
      () =>
        document.querySelector<HTMLSelectElement>('[data-pin="4"] select[aria-label^=Colour]')?.value ===
        'GN',
    );
  });

  // The last: it mends the tandem.
  it('finds a crossed hall pair, swaps it in the plan, and prints it', async () => {
    // Who opens the pins finds the pair that is amiss, and sees it in both faces.
    const page = await open('pins');
    await says(page, '[data-finding=crossed]', 'Same colour, other work');
    await says(page, '[data-testid=stamp]', 'amiss');
    const ringed = (): Promise<readonly string[]> =>
      page.$$eval('[data-contact]:has(rect)', (all) => all.map((c) => c.getAttribute('data-contact') ?? ''));
    expect(await ringed()).toEqual(['4', '5', '4', '5']);
    expect(await page.$eval('[data-face=from]', (f) => f.getAttribute('aria-label'))).toContain(
      'latch up, line by line from the left: 3, 2, 1, 6, 5, 4',
    );
    await clickWords(page, 'Swap in the plan');
    await page.waitForFunction(() => document.querySelector('[data-finding=crossed]') === null);
    await says(page, '[aria-label=Pins]', 'P4');
    expect(await ringed()).toEqual([]);
    await kept(page);
    await page.goto(page.url().replace(/\/wire.*$/, '/cable-schedule'));
    await settled(page, '[data-testid=schedule-sheet]');
    const words = await page.$eval('[data-testid=schedule-sheet]', (e) => e.textContent);
    expect(words).not.toContain('Same colour, other work');
    expect(words).toMatch(/W4a.*at Corvane DD-500/s);
  });
});
