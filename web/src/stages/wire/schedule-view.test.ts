// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { withQuantity, type BuildDocument } from '@apple-cart/core';
import { longtail, tandem, tourer } from '@apple-cart/core/test';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();

describe('the cable schedule', () => {
  it('counts the cut length from the way, the loops and what is stripped, as they are typed', async () => {
    const work = await AtWork.at('wire schedule', longtail);
    await work.press('W1');
    await work.type(/^Along the frame/, '500');
    await work.type(/^Loop/, '80');
    await work.type(/^Both ends/, '30');
    expect(work.text).toMatch(/Cut length610/);
    expect(work.row('W1').join(' ')).toContain('610');
    expect(work.row('W1').join(' ')).toContain('measured');
    await work.type(/^Along the frame/, 'an arm');
    expect(work.row('W1').join(' ')).toContain('610');
  });

  it('draws from where the controller sits, and says so where nobody has said', async () => {
    const bare: BuildDocument = { ...tourer, harness: { ...tourer.harness, controllerSits: 'unknown' } };
    const work = await AtWork.at('wire schedule', bare);
    await work.press('W1');
    expect(work.text).toContain('Where the controller sits is not said');
    await work.choose('The controller sits: not said', 'on a rear rack');
    expect(work.build.harness.controllerSits).toBe('rear-rack');
    expect(work.text).not.toContain('Where the controller sits is not said');
    // A diamond frame has no load box to say so of.
    await expect(work.choose('The controller sits: on a rear rack', 'in the load box')).rejects.toThrow();
  });

  it('does not say whether a lead reaches while nobody has measured what the parts bring', async () => {
    const work = await AtWork.at('wire schedule', longtail);
    await work.press('W1');
    await work.type(/^Along the frame/, '900');
    expect(work.row('W1').at(-1)).toBe('not known');
  });

  it('says on paper why a lead is marked: too thin for its amps, with what to do', async () => {
    const thin = withQuantity(longtail, 'cabling.leadMm2', { source: 'label', value: 0.25 });
    const screen = await AtWork.at('wire schedule', thin);
    await screen.press('W1');
    expect(screen.text).toMatch(/Power leads: carries \d+ A/);
    const paper = await AtWork.at('print cable-schedule', thin);
    expect(paper.row('W1').join(' ')).toMatch(/Power leads: carries \d+ A/);
    // A sound one is not marked.
    const sound = await AtWork.at('print cable-schedule', longtail);
    expect(sound.row('W1').join(' ')).not.toMatch(/Power leads: carries \d+ A/);
  });

  it('has two labels for every cable, one for each end', async () => {
    const paper = await AtWork.at('print cable-schedule', tandem);
    const cables = paper.rows.filter(([first]) => /^W\d+$/.test(first ?? '')).length;
    expect(cables).toBeGreaterThan(5);
    for (let n = 1; n <= cables; n += 1)
      for (const end of ['a', 'b'])
        expect(paper.text.split(new RegExp(`W${String(n)}${end} `)), `W${String(n)}${end}`).toHaveLength(2);
  });
});
