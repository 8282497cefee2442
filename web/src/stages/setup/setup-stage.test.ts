// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { readBuild, withQuantity } from '@apple-cart/core';
import { longtail, tandem } from '@apple-cart/core/test';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();

describe('the settings sheet', () => {
  it('holds what was put in and what is shown against the plan, line by line', async () => {
    const work = await AtWork.at('setup settings', longtail);
    expect(work.text).toContain('0 of 11 as planned');
    const at = (): string => work.row('Cut-off voltage').at(-1) ?? '';
    expect(at()).toContain('not entered');
    await work.type('Entered: Cut-off voltage', '41.5');
    expect(at()).toContain('not read');
    await work.type('Read back: Cut-off voltage', '41.5');
    expect(at()).toContain('same');
    expect(work.text).toContain('1 of 11 as planned');
    // The controller dropped it without a word.
    await work.type('Read back: Cut-off voltage', '39');
    expect(at()).toContain('not taken');
    expect(work.text).toContain('0 not as planned, 1 not taken');
    await work.type('Entered: Cut-off voltage', '39');
    expect(at()).toContain('−2.5');
    expect(work.text).toContain('1 wrong');
    const told = work.build.settings.lines['low-volts'];
    expect(told).toMatchObject({ entered: 39, readBack: 39 });
  });

  it('reads a decimal comma, and keeps what is no number with the reason below it', async () => {
    const work = await AtWork.at('setup settings', longtail);
    await work.type('Entered: Cut-off voltage', '41,5');
    expect(work.build.settings.lines['low-volts']?.entered).toBe(41.5);
    await work.type('Entered: Cut-off voltage', 'forty');
    expect(work.stands('Entered: Cut-off voltage')).toBe('forty');
    expect(work.build.settings.lines['low-volts']?.entered).toBe(41.5);
    expect(work.row('Cut-off voltage').join(' ')).toMatch(/A number from 0 to 100,000, or nothing/);
  });

  it('marks a cut-off that is set for another pack before anybody puts it in, on the sheet and on its card', async () => {
    const wrong = withQuantity(longtail, 'controller.lowVoltageCutoffV', { source: 'label', value: 30 });
    const work = await AtWork.at('setup settings', wrong);
    // 30 V on thirteen cells are 2.31 V each.
    const says = /Not to be put in: set for another pack: 2\.31 V a cell/;
    expect(work.row('Cut-off voltage').join(' ')).toMatch(says);
    await work.type('Entered: Cut-off voltage', '30');
    await work.type('Read back: Cut-off voltage', '30');
    expect(work.text).toMatch(/\d not to be put in/);
    const card = await AtWork.at('print settings-card', work.build);
    expect(card.row('Cut-off voltage').join(' ')).toMatch(says);
  });

  it('is reached through a plug that is in the harness and on the list, where somebody says so', async () => {
    const work = await AtWork.at('setup settings', longtail);
    await work.choose('Settings are reached', /by a lead into a plug/);
    expect(work.build.controller.reached).toBe('lead');
    const wire = await AtWork.at('wire schedule', work.build);
    expect(wire.text).toContain('programming');
    expect((await AtWork.at('buy list', work.build)).text).toContain('Programming lead');
  });

  it('remembers what the controller itself calls a setting', async () => {
    const work = await AtWork.at('setup settings', longtail);
    await work.type('What the controller calls Cut-off voltage', 'UVP');
    expect(work.build.settings.lines['low-volts']?.name).toBe('UVP');
    const other = await AtWork.at('setup settings', longtail);
    expect(other.stands('What the controller calls Cut-off voltage')).toBe('UVP');
  });

  it('leaves what is set by taste open, until somebody chooses', async () => {
    const work = await AtWork.at('setup settings', longtail);
    expect(work.row('Soft start over').at(-1)).toContain('as it comes');
    await work.type(/^Chosen: Soft start over/, '1.5');
    expect(work.build.settings.chosen.softStartS).toBe(1.5);
    expect(work.row('Soft start over').at(-1)).toContain('not entered');
    expect(work.text).toContain('0 of 12 as planned');
  });
});

describe('what else the controller is set to', () => {
  it('is noted from what is usual or by a name of one’s own, read back, and kept on the card', async () => {
    const work = await AtWork.at('setup settings', longtail);
    await work.press('Direction of the motor');
    await work.type('Meant: Direction of the motor', 'forward');
    expect(work.text).toContain('0 of 12 as planned');
    await work.type('Read back: Direction of the motor', 'backward');
    expect(work.text).toContain('0 not as planned, 1 not taken');
    expect(work.text).toContain('It runs backwards at the first touch.');
    await work.press('another');
    await work.type('Name of the setting', 'Beeper');
    await work.type('Meant: Beeper', 'off');
    await work.type('Read back: Beeper', 'Off');
    await work.type('Read with', 'keys of the display, 2.1');
    expect(work.text).toContain('1 not taken');
    expect(work.build.settings.others['own-1']).toMatchObject({ name: 'Beeper', readBack: 'Off' });
    const card = await AtWork.at('print settings-card', work.build);
    expect(card.row('Direction of the motor').join(' ')).toMatch(/forward.*backward/);
    expect(card.text).toContain('read with keys of the display, 2.1');
    const again = await AtWork.at('setup settings', work.build);
    await again.press('Take away: Beeper');
    expect(Object.keys(again.build.settings.others)).toEqual(['direction']);
  });

  it('keeps no more than there is room for', async () => {
    const one = { name: 'Beeper', meant: 'off', readBack: '', readOn: '' };
    const others = Object.fromEntries(Array.from({ length: 40 }, (_, i) => [`own-${String(i)}`, one]));
    const work = await AtWork.at('setup settings', {
      ...longtail,
      settings: { ...longtail.settings, others },
    });
    expect(work.text).toContain('No more are kept.');
    expect(readBuild(work.build).ok).toBe(true);
  });
});

describe('speed on the display', () => {
  it('names what explains the ratio of shown and true, and says that a limit acts at the wrong speed', async () => {
    const work = await AtWork.at('setup speed', tandem);
    await work.type('Display shows', '20');
    await work.type('True', '25');
    expect(work.build.settings.speed).toMatchObject({ shownKmh: 20, trueKmh: 25 });
    // A quarter faster than it says: help that ends at 25 on the display ends at 31 on the road.
    expect(work.text).toContain('1.25');
    expect(work.text).toContain('Speed is wrong');
    expect(work.text).toMatch(/roll-out/i);
  });
});

describe('the chain of cut-offs', () => {
  it('has no board that opens where the pack has none', async () => {
    const boarded = withQuantity(longtail, 'packs.0.boardCutoffV', { source: 'label', value: 39 });
    expect((await AtWork.at('setup cutoffs', boarded)).text).toContain('Board opens');
    const [pack, ...others] = boarded.packs;
    const bare = await AtWork.at('setup cutoffs', {
      ...boarded,
      packs: [{ ...pack, board: 'no' }, ...others],
    });
    expect(bare.text).not.toContain('Board opens');
    expect(bare.text).toContain('No protection board');
  });
});

describe('levels of help', () => {
  it('multiply what the help follows: the legs’ watts, or the push on the pedals', async () => {
    const hub = {
      ...longtail,
      drive: { ...longtail.drive, kind: 'geared-hub' as const, wheel: 'rear' as const },
      controls: { ...longtail.controls, assistSensor: 'torque' as const, helpFollows: 'power' as const },
    };
    const byPower = await AtWork.at('setup levels', hub);
    expect(byPower.text).toContain('× your watts');
    expect(byPower.text).toContain('Motor watts for rider watts');
    const byTorque = await AtWork.at('setup levels', {
      ...hub,
      controls: { ...hub.controls, helpFollows: 'torque' },
    });
    expect(byTorque.text).toContain('× your torque');
    expect(byTorque.text).not.toContain('your watts');
    expect(byTorque.text).not.toContain('Motor watts for rider watts');
  });
});
