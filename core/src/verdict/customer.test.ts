import { describe, expect, it } from 'vitest';
import * as fc from 'fast-check';
import type { BuildDocument } from '../document/document.ts';
import { shippedRules } from '../law/rules.ts';
import { newBuild } from '../document/template.ts';
import { phraseText } from '../quantity/phrase.ts';
import { longtail } from '../test/demo.ts';
import { evaluate } from '../test/evaluate.ts';
import { anyBuild, priced, runs, sample } from '../test/sample.ts';
import { customerPage, type CustomerPage } from './customer.ts';

const pageOf = (build: BuildDocument): CustomerPage => customerPage(evaluate(build));
const words = (page: CustomerPage): string =>
  [
    page.what,
    ...[page.climbs, page.far, page.fast].flatMap((t) => [t.head, t.more]),
    ...page.asks,
    ...page.cautions.map((c) => [c]),
  ]
    .map((phrase) => phraseText(phrase))
    .join('\n');

const label = (value: number) => ({ source: 'label' as const, value });

describe('the page for a customer', () => {
  it('says what it is in plain words', () => {
    const page = pageOf(
      sample({
        donor: { style: 'step-through' },
        drive: { name: 'Hub', ratedPowerW: label(250) },
        pack: { nominalV: label(36), capacityAh: label(10) },
      }),
    );
    expect(phraseText(page.what)).toContain(
      'A step-through bicycle with a 250 W hub motor behind and a battery of 36',
    );
    expect(phraseText(page.what)).toContain('360');
  });

  it('counts its motors, and says when it is not ready', () => {
    const of = (kind: BuildDocument['drive']['kind'], motors: BuildDocument['drive']['motors']) =>
      words(pageOf(sample({ drive: { kind, motors, name: 'Hub', ratedPowerW: label(500) } })));
    expect(of('direct-drive-hub', 'each-wheel')).toContain('two 500 W hub motors, one in each wheel');
    expect(of('external', 'pair')).toContain('two 500 W motors beside the frame');
    expect(of('geared-hub', 'one')).toContain('a 500 W hub motor behind');
    const bare = sample({
      drive: { name: 'Hub', wheel: 'front', torqueArms: 0 },
      donor: { forkMaterial: 'carbon' },
    });
    expect(words(pageOf(bare))).toMatch(
      /It is not ready to be ridden: \d+ things? of the plan ha(s|ve) to be put right/,
    );
    expect(words(pageOf(longtail))).not.toContain('not ready');
  });

  it('does not say a speed of the range that it never reaches: it says what it rides at', () => {
    const slow = pageOf(sample({ brief: { cruiseSpeedKmh: 60 }, drive: { name: 'Hub' } }));
    const told = phraseText(slow.far.more);
    expect(told).toMatch(/^It does not hold 60.km\/h: at \d+.km\/h at most/);
    expect(told).not.toMatch(/At 60/);
    const held = pageOf(sample({ brief: { cruiseSpeedKmh: 18 }, drive: { name: 'Hub' } }));
    expect(phraseText(held.far.more)).toMatch(/^At 18.km\/h: the first with legs resting/);
  });

  it('counts what is drawn behind on the hill, and what several batteries hold together', () => {
    const towing = pageOf(
      sample({
        brief: { trailer: 'box', trailerKg: 14, trailerLoadKg: 32, riderMassKg: 74, loadMassKg: 5 },
        drive: { name: 'Hub' },
      }),
    );
    expect(phraseText(towing.climbs.more)).toMatch(/with 79.kg of rider and load and a trailer of 46.kg/);
    expect(phraseText(pageOf(sample({ drive: { name: 'Hub' } })).climbs.more)).not.toContain('trailer');
    const two = pageOf(
      sample({
        drive: { name: 'Hub' },
        pack: { nominalV: label(36), capacityAh: label(10) },
        second: { join: 'switch', nominalV: label(36), capacityAh: label(14) },
      }),
    );
    expect(phraseText(two.what)).toMatch(/2 batteries of 36.V, 864.Wh together/);
    // Two chargers of a kind are one thing to ask for.
    expect(two.price.main).toEqual([...new Set(two.price.main)]);
  });

  it('speaks of a motor that is not chosen, and marks its hill and range as not known', () => {
    const page = pageOf(newBuild('New build'));
    expect(phraseText(page.what)).toContain('a motor that is not chosen yet');
    for (const told of [page.climbs, page.far, page.fast]) expect(told.state).toBe('unknown');
  });

  it('names the main things that have no price, counts the others, and adds what is there', () => {
    const { price } = pageOf(
      priced(sample({ drive: { name: 'Hub' } }), { donor: 100, motor: 200, controller: 50 }),
    );
    expect(price.text).toBe('£350+');
    expect(price.main.map((what) => what.split(',')[0])).toEqual(['Pack', 'Charger']);
    expect(price.unpriced).toBeGreaterThan(10);
  });

  it('names each duty once, however many texts ask for it', () => {
    for (const place of shippedRules().map((p) => p.id)) {
      const { duties } = pageOf(
        sample({
          brief: { place },
          drive: { name: 'Hub', ratedPowerW: label(500) },
          controls: { throttle: 'full' },
        }),
      );
      const titles = duties.map((d) => d.title);
      expect(titles).toEqual([...new Set(titles)]);
    }
  });

  it('speaks throughout in the reader’s units', () => {
    const { asks } = pageOf(sample({ drive: { name: 'Hub' } }));
    const text = asks.map((phrase) => phraseText(phrase, 'imperial')).join(' ');
    expect(text).toMatch(/After 31.mi bring it in/);
    expect(text).not.toMatch(/\bk[mg]\b/);
  });

  it('says first that it may not be ridden where it is outside, or nothing is settled', () => {
    const strong = pageOf(
      sample({ brief: { place: 'gb' }, drive: { name: 'Hub', ratedPowerW: label(1000) } }),
    );
    expect(strong.cautions[0]).toContain('may not be ridden on public roads');
    expect(strong.label).toBeUndefined();
    expect(pageOf(newBuild('New build')).cautions[0]).toContain('not settled');
  });

  it('defers to the charger and the data, whatever the cells', () => {
    expect(words(pageOf(sample({ pack: { chemistry: 'lead-acid' } })))).toContain('store it full');
    expect(words(pageOf(sample()))).toContain('swells is not charged again');
    expect(words(pageOf(sample({ controls: { throttle: 'full' } })))).toContain('switch off before you push');
  });

  it('asks for what settles on this machine, and warns of these packs, without a word of the trade', () => {
    expect(words(pageOf(sample({ drive: { name: 'Hub' } })))).toMatch(/After 50.km bring it in: axle nuts/);
    const middle = words(pageOf(sample({ drive: { name: 'Mid' } }, 'mid-drive')));
    expect(middle).toMatch(/After 50.km bring it in: the motor’s ring nut, cranks/);
    expect(middle).not.toMatch(/axle nuts|torque arm|NMC/);
    const lead = words(pageOf(sample({ drive: { name: 'Hub' }, pack: { chemistry: 'lead-acid' } })));
    expect(lead).toContain('air the room');
    expect(lead).not.toContain('lithium');
  });

  it('has no broken number in any drawn build, and no state that its figure has not', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const verdict = evaluate(build);
        const page = customerPage(verdict);
        expect(words(page)).not.toMatch(/NaN|Infinity|undefined|null/);
        expect(page.climbs.state).toBe(verdict.figures.find((f) => f.id === 'hill')?.state);
        expect(page.far.state).toBe(verdict.figures.find((f) => f.id === 'range')?.state);
      }),
      runs(50),
    );
  });
});
