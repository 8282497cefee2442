// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { courier, longtail, tandem } from '@apple-cart/core/test';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();

const G = 9.80665;
/** Air at 180 m and 12 °C by the barometric formula and the gas law, kg/m³. */
const AIR = (101325 * (1 - (0.0065 * 180) / 288.15) ** 5.2559) / (287.05 * (273.15 + 12));

const number = (text: string | undefined): number => Number.parseFloat((text ?? '').replace(/,/g, ''));
/** The speed that the stamp tells, km/h. */
const speed = (work: AtWork): number => number(/Climbsat ([\d.]+) km\/h/.exec(work.text)?.[1]);

describe('the hill, held against Newton', () => {
  it('the watts at the tyre are the force of grade, rolling and air times the speed', async () => {
    const work = await AtWork.at('hill grade', longtail);
    const v = speed(work) / 3.6;
    // 190 kg on 9 %, Crr 0.01, CdA 0.7, as they stand at the left.
    expect(work.text).toMatch(/Total load190\.0 ?kg/);
    const slope = Math.atan(0.09);
    const force = 190 * G * (Math.sin(slope) + 0.01 * Math.cos(slope)) + 0.5 * AIR * 0.7 * v ** 2;
    // The speed stands with one decimal: that is a third of a percent.
    expect(number(work.row('At the tyre')[0]) / (force * v)).toBeCloseTo(1, 1);
    expect(Math.abs(number(work.row('At the tyre')[0]) / (force * v) - 1)).toBeLessThan(0.02);
    // 1,400 m of it.
    expect(number(work.row('Time on the hill')[0])).toBeCloseTo(1400 / v / 60, 1);
  });

  it('what the pack gives goes into copper, core and tyre, with the rider’s on top', async () => {
    const work = await AtWork.at('hill grade', longtail);
    const watts = (name: string): number => number(work.row(name)[0]?.replace('−', ''));
    const given = watts('From the pack') + watts('Rider, at the tyre');
    const taken = watts('Copper, controller') + watts('Core, gears, standby') + watts('At the tyre');
    expect(Math.abs(given - taken)).toBeLessThanOrEqual(2);
    // 980 W for 5.9 minutes.
    const hours = 1400 / (speed(work) / 3.6) / 3600;
    expect(number(work.row('Energy for the hill')[0]) / (watts('From the pack') * hours)).toBeCloseTo(1, 1);
  });

  it('turns the cranks as ring, cog and wheel say', async () => {
    const work = await AtWork.at('hill grade', longtail);
    const [ring, cog, rollout] = [38, 23, 2.065];
    const rpm = (speed(work) / 3.6 / rollout) * 60 * (cog / ring);
    expect(number(/23 T, (\d+) rpm/.exec(work.text)?.[1])).toBeCloseTo(rpm, -0.5);
  });

  it('gets slower with load and grade, and no faster with more of either', async () => {
    const work = await AtWork.at('hill grade', longtail);
    let last = speed(work);
    for (const load of ['95', '120']) {
      await work.type('Load carried', load);
      expect(speed(work)).toBeLessThan(last);
      last = speed(work);
    }
    await work.type('Grade, mean', '12');
    expect(Number.isNaN(speed(work)) || speed(work) < last).toBe(true);
  });

  it('is not climbed where nothing could: it says so, and what to change', async () => {
    const work = await AtWork.at('hill grade', longtail);
    await work.type('Grade, mean', '35');
    expect(work.text).not.toMatch(/Climbsat/);
    expect(work.text).toMatch(/stall|does not climb|pushed/i);
  });
});

describe('which gear', () => {
  it('is shown for every cog, and one is held by a press', async () => {
    const work = await AtWork.at('hill gears', longtail);
    const cogs = work.rows.filter(([first]) => /^\d+ T$/.test(first ?? ''));
    expect(cogs.map(([first]) => Number.parseInt(first ?? '', 10))).toEqual([34, 30, 26, 23, 19, 16, 14, 12]);
    // The lower the gear, the fewer phase amps for the same hill.
    const amps = cogs.slice(0, 5).map((cells) => Number(cells[3]));
    expect(amps).toEqual([...amps].sort((a, b) => a - b));
    await work.press('Hold it', 2);
    expect(work.build.gearing.heldCogTeeth).toBe(26);
    expect(work.row('26 T').at(-1)).toContain('held');
  });
});

describe('the same hill over and over', () => {
  it('is asked for by how often', async () => {
    const work = await AtWork.at('hill heat', longtail);
    expect(work.text).toMatch(/The hill lasts 10 min: 797 W asked, 519 W for ever/);
    await work.type('Climbs', '1');
    expect(work.text).not.toContain('Climb 2');
  });

  it('settles hotter with hotter air', async () => {
    const work = await AtWork.at('hill heat', longtail);
    await work.type('Air temperature', '35');
    const lasts = number(/The hill lasts ([\d.]+) min/.exec(work.text)?.[1]);
    expect(lasts).toBeLessThan(10);
  });
});

describe('the road of a hill', () => {
  it('is ridden over its profile, with all help or at the wanted speed', async () => {
    const work = await AtWork.at('hill ride', longtail);
    const minutes = number(/Crate Lane in ([\d.]+) min/.exec(work.text)?.[1]);
    const mean = number(/Mean ([\d.]+) km\/h/.exec(work.text)?.[1]);
    // 1,400 m in so many minutes.
    expect((1400 / (minutes * 60)) * 3.6).toBeCloseTo(mean, 0);
    await work.press('at the cruising speed');
    expect(work.text).toContain('Crate Lane');
  });
});

describe('other machines', () => {
  it.each([
    ['courier', courier],
    ['tandem', tandem],
  ])('are told in every view: %s', async (_name, build) => {
    for (const view of ['hill grade', 'hill gears', 'hill map']) {
      const work = await AtWork.at(view, build);
      expect(work.text, view).toContain('Will it climb, how fast, in which gear?');
      expect(work.text, view).not.toMatch(/NaN|undefined|Infinity/);
    }
  });
});
