// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { newBuild } from '@apple-cart/core';
import { longtail, tourer, trike } from '@apple-cart/core/test';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();

const number = (text: string | undefined): number => Number.parseFloat((text ?? '').replaceAll(/[,−]/g, ''));

describe('the motor in numbers', () => {
  it('has the constants that its Kv says', async () => {
    const work = await AtWork.at('drive', longtail);
    // Kt = 60 / (2 pi Kv); 40 A; a reduction of 21.9 at nine tenths.
    const kt = 60 / (2 * Math.PI * 58);
    expect(work.row('Torque constant Kt')[0]).toContain(kt.toFixed(3));
    expect(number(work.row('Torque at its shaft')[0])).toBeCloseTo(40 * kt, 0);
    expect(number(work.row('Torque at its output')[0]) / (40 * kt * 21.9 * 0.9)).toBeCloseTo(1, 1);
    await work.type('Speed constant Kv', '29');
    expect(work.row('Torque constant Kt')[0]).toContain((2 * kt).toFixed(3));
  });

  it('puts the hall sensors where the pole pairs say', async () => {
    const work = await AtWork.at('drive', longtail);
    // 120 electrical degrees over four pole pairs.
    expect(work.row('Hall sensors apart')[0]).toContain('30.00');
    await work.type('Pole pairs', '20');
    expect(work.row('Hall sensors apart')[0]).toContain('6.00');
  });

  it('asks of each kind what it has, and not what it has not', async () => {
    const work = await AtWork.at('drive', longtail);
    expect(work.text).toContain('Internal reduction');
    await work.choose('Kind', /direct drive|direct-drive|gearless/i);
    expect(work.build.drive.kind).toBe('direct-drive-hub');
    expect(work.text).not.toContain('Motor and legs pull through the same gears');
    await work.choose('Kind', /^mid-drive/);
    expect(work.build.drive.kind).toBe('mid-drive');
  });
});

describe('gears', () => {
  it('are the metres of one turn of the cranks', async () => {
    const work = await AtWork.at('drive', longtail);
    for (const cog of [34, 30, 26, 19, 16, 14, 12]) {
      // With two decimals.
      const off = Math.abs(number(work.row(`${String(cog)} T`)[0]) - (38 / cog) * 2.065);
      expect(off, String(cog)).toBeLessThan(0.0051);
    }
  });

  it('are read as a list, in any order, and a list that is none stays with its reason', async () => {
    const work = await AtWork.at('drive', longtail);
    await work.type('Cogs, teeth', '11, 13, 15 18');
    expect([...work.build.gearing.cogTeeth].sort((a, b) => a - b)).toEqual([11, 13, 15, 18]);
    await work.type('Cogs, teeth', 'eleven');
    expect(work.stands('Cogs, teeth')).toBe('eleven');
    expect([...work.build.gearing.cogTeeth].sort((a, b) => a - b)).toEqual([11, 13, 15, 18]);
  });

  it('a smaller ring gives force and takes speed, in proportion', async () => {
    const work = await AtWork.at('drive', longtail);
    const pull = (): number => number(/^(\d+)/.exec(work.row('26 T')[2] ?? '')?.[1]);
    const before = { metres: number(work.row('26 T')[0]), pull: pull() };
    await work.type('Chainring', '32');
    expect(number(work.row('26 T')[0]) / before.metres).toBeCloseTo(32 / 38, 2);
    expect(number(work.row('26 T')[0])).toBeLessThan(before.metres);
  });
});

describe('controls', () => {
  it('say where nothing tells the motor to run', async () => {
    const work = await AtWork.at('drive', longtail);
    await work.choose('Assist sensor', /^none/);
    expect(work.text).toContain('Nothing tells the motor to run');
    await work.choose('Throttle', /^throttle$|^throttle |full/);
    expect(work.text).not.toContain('Nothing tells the motor to run');
  });

  it('ask by what walk help is worked: a key at the display is no throttle', async () => {
    const work = await AtWork.at('drive', longtail);
    await work.choose('Throttle', /walk/);
    expect(work.text).toContain('Walk help by');
    await work.choose('Walk help by', /key at the display/);
    expect(work.build.controls.throttleKind).toBe('display');
    await work.choose('Throttle', /full/);
    expect(work.build.controls.throttleKind).toBe('unknown');
  });

  it('ask what holds a throttle beside pedal help, until it has a limit of its own', async () => {
    const work = await AtWork.at('drive', longtail);
    const asks = 'Speed limit holds the throttle too';
    expect(work.text).not.toContain(asks);
    await work.choose('Throttle', /full/);
    expect(work.text).toContain(asks);
    await work.choose(asks, /^no$/);
    await work.choose('Limit of its own', /speed/);
    await work.type('Throttle drives it up to', '20');
    expect(work.text).not.toContain(asks);
  });
});

describe('front, rear or middle', () => {
  it('compares like with like, and one press tries another', async () => {
    const work = await AtWork.at('drive', tourer);
    await work.turnTo('Front, rear or middle');
    expect(work.text).toMatch(/front/i);
    expect(work.text).toMatch(/class/i);
    const tries = work.page.querySelectorAll('button[aria-label^="Try"]');
    expect(tries.length).toBeGreaterThan(0);
  });

  it('is told for a machine with a hub and three wheels', async () => {
    const work = await AtWork.at('drive', trike);
    expect(work.text).not.toMatch(/NaN|undefined/);
    expect(work.text).toContain('The motor in numbers');
  });
});

describe('numbers that a default makes', () => {
  const told = (work: AtWork, label: string): string =>
    work.rows.find((row) => row.some((cell) => cell.startsWith(label)))?.join(' ') ?? '';

  it('of an external drive carry it, until its sprockets are counted', async () => {
    const work = await AtWork.at('drive', newBuild('Chain', 'external'));
    expect(told(work, 'Sprockets')).toContain('by a default');
    expect(told(work, 'No-load speed')).toContain('by a default');
    await work.type('Motor sprocket', '11');
    expect(told(work, 'Sprockets')).toContain('by a default');
    await work.type('Wheel sprocket', '80');
    expect(told(work, 'Sprockets')).not.toContain('by a default');
    expect(told(work, 'Sprockets')).toContain('7.27');
  });
});
