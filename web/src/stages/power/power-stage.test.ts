// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { withPack, withQuantity, type BuildDocument } from '@apple-cart/core';
import { longtail, trike } from '@apple-cart/core/test';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();

describe('the pack, as it is typed', () => {
  it('has for its energy volts times amp-hours, whatever is typed for them', async () => {
    const work = await AtWork.at('power pack', longtail);
    expect(work.text).toContain('48 V, 840 Wh');
    await work.type('Capacity', '20');
    expect(work.text).toContain('48 V, 960 Wh');
    await work.type('Nominal volts', '36');
    expect(work.text).toContain('36 V, 720 Wh');
    // What was from the label stays so: the value was corrected, not guessed.
    expect(work.build.packs[0].capacityAh).toMatchObject({ source: 'label', value: 20 });
  });

  it.each([
    { typed: '17,5', is: 17.5 },
    { typed: ' 21.25 ', is: 21.25 },
    { typed: '17500 mAh', is: 17.5 },
  ])('reads “$typed” as $is Ah', async ({ typed, is }) => {
    const work = await AtWork.at('power pack', longtail);
    await work.type('Capacity', typed);
    expect(work.build.packs[0].capacityAh).toMatchObject({ value: is });
  });

  it('keeps what cannot be read, says why below it, and goes on with what stood', async () => {
    const work = await AtWork.at('power pack', longtail);
    for (const odd of ['a good many', '-5', '100000', '17 V']) {
      await work.type('Capacity', odd);
      expect(work.stands('Capacity'), odd).toBe(odd);
      expect(work.field('Capacity').getAttribute('aria-invalid'), odd).toBe('true');
      expect(work.below('Capacity'), odd).not.toBe('');
      expect(work.build.packs[0].capacityAh, odd).toEqual(longtail.packs[0].capacityAh);
      expect(work.text, odd).toContain('48 V, 840 Wh');
    }
  });

  it('says so of every number that a default makes', async () => {
    const unread = (['packs.0.capacityAh', 'controller.batteryCurrentA'] as const).reduce(
      (build, path) => withQuantity(build, path, { source: 'unknown' }),
      longtail,
    );
    const work = await AtWork.at('power pack', unread);
    expect(work.text).toMatch(/Label energy\s*624\s*Wh\s*by a default/);
    expect(work.text).toMatch(/Input power\s*[\d,]+\s*W\s*by a default/);
    expect(work.text).toMatch(/Energy on the label\s*by a default\s*624/);
    expect(work.text).toMatch(/Controllerfrom the pack\s*by a default/);
    expect(work.text).not.toMatch(/Nominal volts\s*by a default/);
    await work.type('Capacity', '17.5');
    expect(work.text).toMatch(/Label energy\s*840\s*Wh\s*worked out/);
    expect(work.text).not.toMatch(/Energy on the label\s*by a default/);
  });

  it('says by one key where it comes from; unknown, it says what it is taken as', async () => {
    const work = await AtWork.at('power pack', longtail);
    const seen: string[] = [];
    // From the label by way of the others back to it.
    for (let press = 0; press < 3; press += 1) {
      await work.key('Capacity', 'F2');
      seen.push(work.build.packs[0].capacityAh.source);
      expect(work.build.packs[0].capacityAh).toMatchObject({ value: 17.5 });
    }
    expect(seen).toEqual(['assumed', 'measured', 'label']);
    const unknown = await AtWork.at(
      'power pack',
      withQuantity(longtail, 'packs.0.capacityAh', { source: 'unknown' }),
    );
    expect(unknown.stands('Capacity')).toMatch(/^\d+(\.\d+)? \?$/);
  });

  it('asks once where a value comes from that was nowhere before', async () => {
    const work = await AtWork.at(
      'power pack',
      withQuantity(longtail, 'packs.0.massKg', { source: 'unknown' }),
    );
    await work.type('Mass', '4.1');
    expect(work.build.packs[0].massKg).toMatchObject({ source: 'assumed', value: 4.1 });
    await work.press('measured');
    expect(work.build.packs[0].massKg).toMatchObject({ source: 'measured', value: 4.1 });
  });

  it('asks for cells in place of a label once it is made of them, and works its label out', async () => {
    const work = await AtWork.at('power pack', longtail);
    await work.choose('The pack is', /^made from cells/);
    expect(work.build.packs[0].make).toBe('cells');
    await work.type('Cells in series', '14');
    await work.type('Cells side by side', '5');
    await work.type('Capacity of one', '3.5');
    // Fourteen cells of 3.6 V, five of 3.5 Ah side by side.
    expect(work.text).toMatch(/50(\.4)? V, 88[02] Wh/);
  });
});

describe('two controllers', () => {
  it('take twice the amps of one from the pack', async () => {
    const pair: BuildDocument = {
      ...longtail,
      drive: { ...longtail.drive, kind: 'geared-hub', wheel: 'front', motors: 'pair' },
      donor: { ...longtail.donor, wheelCount: 3 },
    };
    const of = async (build: BuildDocument, name: string): Promise<number> =>
      Number.parseFloat((await AtWork.at('power pack', build)).row(name).at(-1) ?? '');
    expect(await of(pair, 'Both controllers')).toBeCloseTo(2 * (await of(longtail, 'Controller')), 6);
  });
});

describe('the current chain', () => {
  it('names its weakest link, and another one once that carries more', async () => {
    const work = await AtWork.at('power current', longtail);
    expect(work.text).toContain('Protection: the weakest, with 14 % in hand');
    expect(work.row('Protection')).toContain('25A');
    await work.type('Protection limit', '60');
    // The fuse of 30 A against 22 A is 36 %.
    expect(work.text).toContain('Fuse: the weakest, with 36 % in hand');
  });

  it('says that a board below the controller’s limit opens, not that it limits', async () => {
    const work = await AtWork.at('power current', longtail);
    await work.type('Protection limit', '18');
    expect(work.text).toMatch(/Protection: .*(cuts out|opens|trips)/i);
    expect(work.text).not.toContain('Protection limits');
  });

  it('stops at a breaker for alternating current, and asks of one that nobody read', async () => {
    const work = await AtWork.at('power current', longtail);
    await work.choose('Made to break', /^alternating/);
    expect(work.build.cabling.breaks).toBe('alternating');
    expect(work.text).toMatch(/alternating current only/i);
    const stops = work.page.querySelectorAll('[data-state=stop], [aria-label*="stop" i]');
    expect(stops.length).toBeGreaterThan(0);
  });

  it('loses in a lead what Ohm’s law says of copper', async () => {
    // IEC 60028: 1/58 ohm mm²/m at 20 °C, 0.00393 a kelvin; 0.9 m out and back at 40 °C, 22 A.
    const lost = (mm2: number): string =>
      `${((22 ** 2 * (1.8 / 58) * (1 + 20 * 0.00393)) / mm2).toFixed(1)}W`;
    const work = await AtWork.at('power current', longtail);
    expect(work.row('Lost at full throttle')).toEqual([lost(3.31)]);
    await work.type(/^Conductor/, '6.62');
    expect(work.row('Lost at full throttle')).toEqual([lost(6.62)]);
  });
});

describe('charging', () => {
  it('counts hours by amps and amp-hours, and money by the meter in the wall', async () => {
    const work = await AtWork.at('power charge', longtail);
    expect(work.text).toContain('Full in 4 h 29');
    // 840 Wh of 95 % health through 90 %: 0.887 kWh at £0.28 is £0.25, and a little for the loss in the pack.
    const [, , costs] = work.row('full to empty');
    expect(Number(costs?.replace('£', ''))).toBeCloseTo(0.255, 1);
    await work.type('Amps', '2');
    expect(work.text).toMatch(/Full in 8 h \d\d/);
  });

  it('ends at 4.2 V a cell: a charger for one cell more stops', async () => {
    const work = await AtWork.at('power charge', longtail);
    await work.type('Ends at', '58.8');
    expect(work.below('Ends at')).toMatch(/end at 54\.6 V; this one overcharges/);
    expect(work.text).toMatch(/This charger overcharges the pack ?not to be used/);
    expect(work.text).not.toMatch(/Full in/);
    expect(work.row('full to empty')).toContain('not with this');
    // The card in the saddlebag does not name it as the one to use.
    const card = await AtWork.at('print charge-card', work.build);
    expect(card.text).toContain('Not with its charger of 58.8 V');
  });

  it('prints no volts of a pack of which nobody has read any', async () => {
    const open = (['nominalV', 'cellsInSeries'] as const).reduce(
      (build, key) => withQuantity(build, `packs.0.${key}`, { source: 'unknown' }),
      longtail,
    );
    const card = await AtWork.at('print charge-card', open);
    expect(card.row('50 %')).toEqual(['?', expect.stringMatching(/^3\.\d\d$/), '?', '?']);
    expect(card.text).toContain('only the volts of a cell can be told');
    const work = await AtWork.at('power charge', open);
    expect(work.row('the pack at rest').join()).toContain('?');
  });

  it('reads a pack by its volts at rest: thirteen cells from 39.0 to 54.6 V', async () => {
    const work = await AtWork.at('power charge', longtail);
    expect(work.row('the pack at rest')).toEqual(['39.0 to 54.6V']);
    // Falling all the way, cell and pack alike.
    const card = ['100 %', '50 %', '20 %', '0 %'].map((charge) => work.row(charge));
    const pack = card.map(([volts]) => Number(volts));
    const cell = card.map((cells) => Number(cells[1]));
    expect(pack).toEqual([...pack].sort((a, b) => b - a));
    pack.forEach((volts, i) => {
      expect(volts / 13).toBeCloseTo(cell[i] ?? 0, 1);
    });
  });
});

describe('several packs', () => {
  it('are added, each with its own fields, and one is taken away again', async () => {
    const work = await AtWork.at('power pack', longtail);
    await work.press('Add a pack');
    expect(work.build.packs).toHaveLength(2);
    // The first is as it was.
    expect(work.build.packs[0]).toEqual(longtail.packs[0]);
  });

  it('are named in the order of use, and what is amiss says of which it is', async () => {
    const [first] = longtail.packs;
    const two = { ...longtail, packs: [first, first] as typeof longtail.packs };
    const other = withQuantity(two, 'packs.1.nominalV', { source: 'label', value: 36 });
    const work = await AtWork.at(
      'power packs',
      withPack(other, 1, (pack) => ({ ...pack, name: 'The old one' })),
    );
    expect(work.text).toContain('The old one');
    expect(work.text).toContain('Cells in series and nominal volts disagree, pack 2');
  });
});

describe('lamps', () => {
  it('take what they take through a converter that loses some', async () => {
    const work = await AtWork.at('power lights', longtail);
    // 9.0 W at 86 %.
    expect(work.row('Front lamp')).toEqual(['12', '9.0', '10.5', '4.2']);
    await work.type('Efficiency', '75');
    expect(work.row('Front lamp')[2]).toBe('12.0');
  });

  it('more than four fifths of the converter is too much', async () => {
    const work = await AtWork.at('power lights', longtail);
    await work.type('Rated', '30');
    // 9.0, 1.2 and 15.0 W at once against 24 W.
    expect(work.row('Converter against all accessories at once')).toEqual([
      '25W',
      expect.stringContaining('four fifths of 30 W'),
      expect.anything(),
    ]);
    expect(work.text).toContain('Converter against all accessories at once. All on together');
  });
});

describe('volts or amps', () => {
  it('tells volts or amps against a default where nobody has read what is in hand', async () => {
    const bare = (
      ['controller.batteryCurrentA', 'packs.0.cellsInSeries', 'packs.0.nominalV'] as const
    ).reduce((b, path) => withQuantity(b, path, { source: 'unknown' }), longtail);
    const work = await AtWork.at('power steps', bare);
    expect(work.text).toMatch(/(give|gives) [^.]*, with a usual pack/);
    const head = (of: AtWork): string => of.rows.find((row) => row.join().includes('As it is'))?.join() ?? '';
    expect(head(work)).toMatch(/More amps.*over \d+ A, by a default/);
    const read = await AtWork.at('power steps', longtail);
    expect(head(read)).toContain('More amps25 A, 55 A phase,');
    // Nobody has read the rated power of its motor.
    expect(head(read)).toContain('over 250 W, by a default');
  });

  it('says of a step whose price nobody knows that it is not known', async () => {
    const unpriced = { ...longtail, purchase: { ...longtail.purchase, lines: {} } };
    const [, volts] = (await AtWork.at('power steps', unpriced)).row('To buy');
    expect(volts).toBe('not known');
  });

  it('the next pack has one cell more and is sold as 52 V, and a step of amps gives pull, not speed', async () => {
    const work = await AtWork.at('power steps', longtail);
    const head = work.rows.find(([first]) => first === '' || first?.startsWith('As it is'));
    expect(head?.join(' ')).toContain('14 in series, 52 V');
    const top = work.row('Top speed');
    // In a place with a speed limit the speed is the limit's: nothing gains more than a part of a km/h.
    const speeds = top.map((text) => Number.parseFloat(text));
    expect(Math.max(...speeds) - Math.min(...speeds)).toBeLessThan(0.5);
    await work.press('Try it', 2);
    expect(work.build.controller.batteryCurrentA).toMatchObject({ value: 25 });
  });
});

describe('blocks of lead and acid', () => {
  it('are told as lead: no cell is asked to stand 4.2 V', async () => {
    const work = await AtWork.at('power pack', trike);
    expect(work.text).toContain('lead');
    expect(work.text).toContain('hydrogen');
    expect(work.text).not.toContain('A lithium pack can burn');
  });
});
