// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { courier, longtail, trike } from '@apple-cart/core/test';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();

const number = (text: string | undefined): number => Number.parseFloat((text ?? '').replaceAll(/[,−]/g, ''));
/** The span that the sheet plans on, km. */
const span = (work: AtWork): readonly [number, number] => {
  const found = /Plan on (\d+)–(\d+) km/.exec(work.text);
  return [Number(found?.[1]), Number(found?.[2])];
};

describe('range at a steady speed', () => {
  it('counts what is taken to the end, and keeps the reserve', async () => {
    const work = await AtWork.at('range speed', longtail);
    const told = (name: string): number => number(new RegExp(`${name}(−?[\\d,]+)Wh`).exec(work.text)?.[1]);
    expect(told('On the label')).toBe(840);
    expect(told('On the label') - told('Age, cold, cut-off')).toBe(told('Taken to the end'));
    expect(told('Taken to the end') - told('Reserve kept')).toBe(told('For the ride'));
    // Fifteen hundredths of it.
    expect(told('Reserve kept') / told('Taken to the end')).toBeCloseTo(0.15, 2);
  });

  it('falls with speed, cold, wind and age, and rises with amp-hours', async () => {
    const work = await AtWork.at('range speed', longtail);
    const [low, high] = span(work);
    for (const [label, worse] of [
      ['Cruising speed', '24'],
      ['Air temperature', '-5'],
      ['Headwind', '4'],
      ['Capacity left by age', '70'],
    ] as const) {
      const before = work.stands(label);
      await work.type(label, worse);
      expect(span(work)[1], label).toBeLessThanOrEqual(high);
      expect(span(work)[0], label).toBeLessThanOrEqual(low);
      await work.type(label, before);
      expect(span(work), label).toEqual([low, high]);
    }
    await work.type('Capacity', '35');
    // Twice the amp-hours: a little more than twice the way, since each carries less.
    expect(span(work)[1] / high).toBeGreaterThan(1.9);
    expect(span(work)[1] / high).toBeLessThan(2.4);
  });

  it('says in its stamp that it is that of the level, where a road is chosen on which it may be another', async () => {
    const level = { ...trike, brief: { ...trike.brief, rangeRoute: '' } };
    expect((await AtWork.at('range speed', trike)).text).toMatch(/Enough13–20 km on the level, 10 wanted/);
    expect((await AtWork.at('range speed', level)).text).toMatch(/Enough13–20 km, 10 wanted/);
  });

  it('falls with the drag of the air', async () => {
    const work = await AtWork.at('range speed', longtail);
    const [, slow] = span(work);
    await work.type('Drag area', '1.4');
    expect(span(work)[1]).toBeLessThan(slow);
  });

  it('rides on at what the machine gives where the wanted speed is not held', async () => {
    const work = await AtWork.at('range speed', longtail);
    await work.type('Cruising speed', '40');
    // Its help ends at 24.9 km/h: nothing is promised at 40.
    expect(work.text).toMatch(/Plan on \d+–\d+ kmlevel road, at 2\d\.\d km\/h at most, not 40 km\/h/);
  });
});

describe('by level of help', () => {
  it('goes farther on less, and sets what the level says of the controller', async () => {
    const work = await AtWork.at('range levels', longtail);
    const levels = work.rows.filter(([first]) => /^[1-5]$/.test(first ?? '')).map((cells) => cells.slice(1));
    expect(levels.map(([sets]) => number(sets))).toEqual([4.4, 8.8, 13.2, 17.6, 22]);
    const km = levels.map((cells) => number(cells.at(-1)));
    expect(km).toEqual([...km].sort((a, b) => b - a));
    const hill = levels.map((cells) => number(cells[2]));
    expect(hill).toEqual([...hill].sort((a, b) => a - b));
  });
});

describe('on the road', () => {
  it('says how far rounds of it go, where each ends and what is left there', async () => {
    const work = await AtWork.at('range road', longtail);
    expect(work.text).toMatch(/Market run: plan on \d+ km/);
    expect(work.row('Full to the end').at(-1)).toMatch(/^[a-z-]+.*, \d+ % left$/);
    expect(work.row('Middle, 80 to 20 %').at(-1)).toBe('charge kept, 20 % left');
    const km = (name: string): number => number(work.row(name).find((cell) => cell.endsWith('km')));
    expect(km('Old pack in frost')).toBeLessThan(km('Old pack, 70 %'));
    expect(km('Old pack, 70 %')).toBeLessThan(km('Full to the end'));
  });

  it('offers blocks of lead no habit that harms them', async () => {
    const work = await AtWork.at('range road', trike);
    expect(work.text).not.toContain('Charged to 85 %');
    expect(work.row('Full to the end').at(-1)).toMatch(/% left$/);
  });
});

describe('where it goes', () => {
  it('is a ledger: what goes in comes out', async () => {
    const work = await AtWork.at('range energy', longtail);
    const sums = work.rows
      .filter((cells) => cells.includes('Together'))
      .map((cells) => number(cells.find((cell) => /^[\d,]+\.\d$/.test(cell))));
    expect(sums).toHaveLength(2);
    expect(sums[0]).toBe(sums[1]);
    const parts = ['Rolling', 'Air', 'Brakes', 'Motor gears and chain', 'Motor, iron', 'Winding, copper'];
    const wh = (name: string): number =>
      number(work.row(name).find((cell) => /^[\d,]+\.\d$/.test(cell)) ?? '');
    for (const name of parts) expect(wh(name), name).toBeGreaterThan(0);
    expect(wh('Pack') + wh('Rider')).toBeCloseTo(sums[0] ?? 0, 0);
  });
});

describe('home again', () => {
  it('names the place to turn, at half the way at most', async () => {
    const work = await AtWork.at('range home', longtail);
    expect(work.text).toContain('home by the same road');
    expect(work.text).toMatch(/come home with \d+ %/);
  });

  it('is told for a machine whose road is not chosen, and how to choose one', async () => {
    const work = await AtWork.at('range home', { ...courier, brief: { ...courier.brief, rangeRoute: '' } });
    expect(work.text).toMatch(/road|route/i);
    expect(work.text).not.toMatch(/NaN|undefined/);
  });
});

describe('how sure', () => {
  it('rides the road often, and tells the span in which most of the rides end', async () => {
    const work = await AtWork.at('range band', longtail);
    await work.press('200');
    await work.press('Ride them');
    expect(work.text).toMatch(/\d+ (to|–|and) ?\d+ ?km/);
    expect(work.text).not.toMatch(/NaN/);
  });
});
