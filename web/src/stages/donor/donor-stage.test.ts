// @vitest-environment happy-dom
import { afterEach, describe, expect, it } from 'vitest';
import type { BuildDocument } from '@apple-cart/core';
import { longtail, tourer, trike } from '@apple-cart/core/test';
import { useSettings } from '../../state/settings-store.ts';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();
const settings = useSettings.getState();
afterEach(() => {
  useSettings.setState(settings, true);
});

describe('the donor, as it is measured', () => {
  it('fits, and does not any more once a measure is what the motor cannot take', async () => {
    const work = await AtWork.at('donor', longtail);
    expect(work.text).toMatch(/Fits\d+ checks fine/);
    // The motor goes into shells of 68 to 73 mm, as its label says.
    await work.type('Bracket shell, width', '73');
    expect(work.text).toMatch(/Fits\d+ checks fine/);
    await work.type('Bracket shell, width', '83');
    expect(work.text).not.toMatch(/Fits\d+ checks fine/);
    expect(work.text).toMatch(/Shell outside what the motor fits\. The shell is 83\.0 mm/);
  });

  it('does not read as fitting while what decides is not known', async () => {
    const work = await AtWork.at('donor', {
      ...longtail,
      donor: { ...longtail.donor, shellWidthMm: { source: 'unknown' } },
    });
    expect(work.text).not.toMatch(/Fits\d+ checks fine/);
    expect(work.stands('Bracket shell, width')).toContain('?');
    await work.type('Bracket shell, width', '68');
    expect(work.text).toMatch(/Fits/);
  });

  it('asks a hub for its dropouts, and a mid-drive for its shell', async () => {
    const middle = await AtWork.at('donor', longtail);
    expect(middle.text).toContain('Motor tube through the shell');
    const hub = await AtWork.at('donor', { ...longtail, drive: { ...longtail.drive, kind: 'geared-hub' } });
    expect(hub.text).not.toContain('Motor tube through the shell');
    expect(hub.text).toMatch(/Slot|dropout/i);
  });

  it('has a sheet to carry along with every answer that the stage takes, and none that it has no use for', async () => {
    const two = await AtWork.at('print measure-sheet', longtail);
    for (const answer of [
      'magnesium',
      'cottered',
      'screwed freewheel',
      'shift and brake in one',
      'suspension',
    ])
      expect(two.text).toContain(answer);
    expect(two.text).not.toContain('not checked');
    expect(two.text).not.toContain('a brake and a lever each');
    expect((await AtWork.at('print measure-sheet', trike)).text).toContain('a brake and a lever each');
  });

  it('is typed in inches by who thinks in them, and kept in millimetres', async () => {
    useSettings.setState({ units: 'imperial' });
    const work = await AtWork.at('donor', longtail);
    await work.type('Donor, as weighed', '60 lb');
    const { massKg } = work.build.donor;
    expect(massKg.source === 'unknown' ? 0 : massKg.value).toBeCloseTo(60 * 0.45359237, 2);
  });

  it('weighs the whole: a heavier donor is a heavier machine', async () => {
    const work = await AtWork.at('donor', longtail);
    await work.type('Donor, as weighed', '37.4');
    const hill = await AtWork.at('hill grade', work.build);
    // 190.0 kg with a donor of 27.4.
    expect(hill.text).toMatch(/Total load200\.0/);
  });
});

describe('the pack in the frame', () => {
  it('is put somewhere else by a word, where its style has such a place', async () => {
    const work = await AtWork.at('donor', longtail);
    await work.choose('Place: ', 'on the deck');
    expect(work.build.packs[0].boxes[0]?.place).toBe('deck');
    // A longtail has a deck in place of a rack behind.
    await work.choose('Place: ', 'free in the frame');
    expect(work.build.packs[0].boxes[0]?.place).toBe('free');
  });

  it('is told by a word where the frame has no such place', async () => {
    const other: BuildDocument = {
      ...longtail,
      packs: [{ ...longtail.packs[0], boxes: [{ place: 'cargo-box', at: null }] }],
    };
    const work = await AtWork.at('donor', other);
    expect(work.text).toContain('in the load box');
    expect(work.text).not.toContain('cargo-box');
  });

  it('is parted over several boxes, and each has its place', async () => {
    const work = await AtWork.at('donor', longtail);
    await work.press('Split the pack over another box');
    expect(work.build.packs[0].boxes).toHaveLength(2);
    await work.press('Split the pack over another box');
    expect(work.build.packs[0].boxes).toHaveLength(3);
    expect(work.build.packs[0].boxes[0]).toEqual(longtail.packs[0].boxes[0]);
  });

  it('is moved by numbers, and stays within what a drawing holds', async () => {
    const work = await AtWork.at('donor', longtail);
    const name = /^ahead/;
    await work.type(name, '620');
    expect(work.build.packs[0].boxes[0]?.at?.xMm).toBe(620);
    await work.type(name, '99999');
    expect(work.build.packs[0].boxes[0]?.at?.xMm).toBe(620);
    expect(work.field(name).value).toBe('99999');
  });
});

describe('the brief', () => {
  it('holds the build against what is wanted, and says which target is missed', async () => {
    const work = await AtWork.at('brief', longtail);
    expect(work.text).toContain('4 of 6 met');
    await work.type('Distance wanted', '90');
    expect(work.row('Distance').slice(0, 2)).toEqual(['90 km', expect.stringMatching(/km/)]);
    expect(work.text).not.toContain('4 of 6 met');
    await work.type('Distance wanted', '22');
    expect(work.text).toContain('4 of 6 met');
  });

  it('names the amp-hours that a distance asks: more for more', async () => {
    const work = await AtWork.at('brief', longtail);
    const asked = (): readonly number[] => {
      const found = /km ask ([\d.]+) to ([\d.]+) Ah/.exec(work.text);
      return [Number(found?.[1]), Number(found?.[2])];
    };
    const [low = NaN, high = NaN] = asked();
    expect(low).toBeLessThan(high);
    await work.type('Distance wanted', '44');
    // Twice the way asks twice the charge; the reserve is a share of it.
    expect((asked()[0] ?? NaN) / low).toBeCloseTo(2, 1);
    expect((asked()[1] ?? NaN) / high).toBeCloseTo(2, 1);
  });

  it('tells what is usual in a place once it is chosen', async () => {
    const work = await AtWork.at('brief', longtail);
    expect(work.text).toContain('help to 24.9 km/h, up to 250 W, traffic keeps left, prices in £');
    expect(work.build.brief.place).toBe('gb');
  });

  it('keeps a budget that is no number as it was typed, with the reason', async () => {
    const work = await AtWork.at('brief', longtail);
    await work.type('Budget', 'not much');
    expect(work.stands('Budget')).toBe('not much');
    expect(work.build.money.budget).toBe(1600);
    await work.type('Budget', '1,450.50');
    expect(work.build.money.budget).toBe(1450.5);
    await work.type('Budget', '');
    expect(work.build.money.budget).toBeNull();
  });

  it.each([
    ['tourer', tourer],
    ['trike', trike],
  ])('is read for any sample: %s', async (_name, build) => {
    const work = await AtWork.at('brief', build);
    expect(work.stands('Name')).toBe(build.name);
    expect(work.text).toMatch(/\d of \d met/);
  });
});
