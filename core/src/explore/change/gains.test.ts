import { describe, expect, it } from 'vitest';
import { phraseText } from '../../quantity/phrase.ts';
import type { BuildDocument } from '../../document/document.ts';
import { withLine } from '../../document/purchase.ts';
import { readBuild } from '../../document/read.ts';
import { applyPart } from '../../parts/apply-part.ts';
import { courier, longtail, tandem, tourer, trike } from '../../test/demo.ts';
import { ended } from '../../test/ended.ts';
import { book, gainsOf, one, partOf, shelf } from '../../test/gains.ts';
import { sample } from '../../test/sample.ts';
import { evaluate } from '../../verdict/evaluate.ts';
import { study } from '../../verdict/study.ts';
import { headlines } from '../compare.ts';
import { allIn } from './all-in.ts';
import { before, changedBy, changeGains, gainPerMoney, gainsAt, stepsFor, together } from './gains.ts';
import { ladder } from './ladder.ts';
import { ownId, readOwn } from './own-step.ts';

const ofLongtail = gainsOf(longtail);
const label = (value: number) => ({ source: 'label' as const, value });

/** Ridden by the throttle, without any limit of speed or watts, nobody pedalling. */
const byHand = (kind: 'geared-hub' | 'mid-drive', ids: readonly string[]): BuildDocument =>
  ids.reduce(
    (b, id) => applyPart(b, partOf(id)),
    sample(
      {
        brief: { riderMassKg: 80, riderPowerW: 0 },
        donor: { crr: 0.007, cdaM2: 0.55 },
        controls: { throttle: 'full', assistSensor: 'none' },
        controller: { limitsSpeed: false, limitsPower: false },
      },
      kind,
    ),
  );
const hub = byHand('geared-hub', ['motor-g750', 'pack-48-24', 'ctl-25']);

describe('rules of the trade (common practice, no source)', () => {
  const ofHub = gainsOf(hub);

  it('where the voltage binds at the top, more amps give no speed', () => {
    expect(study(hub).top.traction.limit).toBe('voltage');
    const more = one(ofHub, 'amps/ctl-30');
    expect(more.also).toEqual([]);
    expect(more.gains.top).toBeLessThan(0.2);
    // They give force where the current binds.
    expect(more.gains.startPct).toBeGreaterThan(0.3);
  });

  it('four more volts bring a few km/h where the winding ends it', () => {
    const alike = one(ofHub, 'pack/pack-52-20');
    expect(alike.gains.top).toBeGreaterThan(2);
    expect(alike.gains.top).toBeLessThan(5.5);
    // A smaller pack sags more, which takes some of it back.
    expect(one(ofHub, 'pack/pack-52-14').gains.top).toBeLessThan(alike.gains.top ?? 0);
  });

  it('a smaller ring gives force, and takes speed in proportion', () => {
    const single = byHand('mid-drive', ['motor-md48', 'pack-48-17', 'ctl-25', 'ring-38', 'cogs-single-18']);
    const was = headlines(study(single));
    expect(study(single).top.traction.limit).toBe('voltage');
    const ring = one(gainsOf(single), 'ring/ring-34');
    // Force by the inverse of the teeth, less what rolling takes of it.
    expect(ring.is.startPct / was.startPct).toBeGreaterThan(1.05);
    expect(ring.is.startPct / was.startPct).toBeLessThan((38 / 34) * 1.03);
    // A winding that has less to push at the lower speed turns a little faster.
    expect((ring.is.topKmh ?? 0) / (was.topKmh ?? 1)).toBeGreaterThan(34 / 38);
    expect((ring.is.topKmh ?? 0) / (was.topKmh ?? 1)).toBeLessThan(1);
  });

  it('a hill that stalls it now is gained whole by what climbs it', () => {
    const steep = {
      ...hub,
      brief: { ...hub.brief, hillGradePct: label(17) },
    };
    const gains = gainsOf(steep);
    expect(gains.now.hillKmh).toBeUndefined();
    const climbing = gains.steps.filter((s) => s.is.hillKmh !== undefined);
    expect(climbing.length).toBeGreaterThan(0);
    for (const step of climbing) expect(step.gains.hill).toBe(step.is.hillKmh);
    // What stalls as before gains and loses nothing that could be told.
    const stalling = gains.steps.filter((s) => s.is.hillKmh === undefined);
    expect(stalling.length).toBeGreaterThan(0);
    for (const step of stalling) expect(step.gains.hill).toBeUndefined();
  });

  it('a lifted limit gives nothing where the winding ends first, and the class is told all the same', () => {
    const lifted = one(gainsOf(trike), 'speed-limit/off');
    expect(study(trike).top.traction.limit).not.toBe('speed-limit');
    expect(lifted.gains.top).toBeCloseTo(0, 6);
    expect(lifted.classRisk).toBe('worse');
    // Where the limit is what ends it, it gives a lot, and leaves the class as well.
    expect(one(ofLongtail, 'speed-limit/off').gains.top).toBeGreaterThan(3);
    expect(one(ofLongtail, 'speed-limit/off').classRisk).toBe('worse');
  });

  it('amps raise the hill, amp-hours the range, a second like pack doubles it', () => {
    expect(one(ofLongtail, 'amps/set').gains.hill).toBeGreaterThan(0.5);
    expect(one(ofLongtail, 'amps/set').allIn.cost).toBe(0);
    const second = one(ofLongtail, 'second-pack/pack-48-17');
    const high = ofLongtail.now.plannedKm?.high ?? 0;
    // Twice the watt-hours, and some kilograms more.
    expect((second.is.plannedKm?.high ?? 0) / high).toBeGreaterThan(1.8);
    // The new one is new; of the first nobody has read the age, and it is taken as 85 % of one.
    expect((second.is.plannedKm?.high ?? 0) / high).toBeLessThan(1 + 1 / 0.85);
    expect(second.gains.massKg).toBeGreaterThan(2);
  });
});

describe('a step', () => {
  it('brings what must change with it: protection, fuse, charger, cut-off', () => {
    const thirty = one(ofLongtail, 'amps/ctl-30');
    expect(thirty.also.join()).toContain('protection is for 25 A');
    expect(thirty.left).toEqual([]);
    const volts = one(ofLongtail, 'pack/pack-52-20');
    expect(volts.also.join()).toContain('58.8 V');
    expect(volts.also.join()).toContain('cut-off');
    expect(one(ofLongtail, 'pack/pack-60-19').also.join()).toContain('controller Marl 40 sine, 60 V');
    // What nothing of the shelf mends is said.
    expect(one(ofLongtail, 'pack/pack-60-19').left).toEqual(['Phase plug too small']);
  });

  it('leaves a document that the product reads, in every build of the demo, and is no step back to the same', () => {
    for (const build of [longtail, tandem, trike, courier, tourer]) {
      const now = before(build, shelf, book);
      const steps = stepsFor(build, shelf);
      expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
      for (const step of steps) {
        const { build: next } = changedBy(now, [step]);
        const read = readBuild(JSON.parse(JSON.stringify(next)));
        expect(read.ok ? [] : read.issues, step.id).toEqual([]);
        expect(next, step.id).not.toEqual(build);
      }
    }
  });

  it('is paid in full where the thing before was bought, and by the difference where it was not', () => {
    const ordered = one(ofLongtail, 'motor/motor-md36');
    expect(longtail.purchase.lines.motor?.state).toBe('ordered');
    expect(ordered.allIn.cost).toBeCloseTo(362, 6);
    expect(ordered.allIn.leftOver).toContain('Fennimore MD-48');
    expect(ordered.build.purchase.lines.motor).toMatchObject({ state: 'needed', price: 362, orderedOn: '' });
    const open = withLine(longtail, 'motor', { state: 'needed' });
    expect(one(gainsOf(open), 'motor/motor-md36').allIn.cost).toBeCloseTo(362 - 455, 6);
  });

  it('saves of a thing whose price is guessed the least that it may cost; two guesses are off alike', () => {
    const hub250 = sample({ drive: { name: '', ratedPowerW: label(250) } }, 'geared-hub');
    const hubs = { ...hub250, money: { ...hub250.money, currency: longtail.money.currency } };
    const was = evaluate(hubs, book, shelf).list.rows.find((r) => r.key === 'motor');
    if (was?.likely === undefined) throw new Error('no guess');
    const { least, most } = was.likely;
    expect(was.price).toBeNull();
    expect(least).toBeLessThan(most);
    const costs = (price: number | null, likely = was.likely): number => {
      const then = { ...was, what: 'Another', price, likely };
      return allIn(new Map([['motor', was]]), new Map([['motor', then]]), [], () => null).cost;
    };
    expect(costs(265)).toBeCloseTo(265 - least, 9);
    expect(costs(null)).toBe(0);
    expect(costs(null, { ...was.likely, most: most + 20 })).toBeCloseTo(20, 9);
    expect(allIn(new Map([['motor', was]]), new Map(), [], () => null).cost).toBeCloseTo(-least, 9);
  });

  it('a shorter chain is cut from the one there is; two tyres are two', () => {
    expect(one(ofLongtail, 'ring/ring-34').allIn.more.join()).not.toContain('Chain for');
    expect(one(ofLongtail, 'ring/ring-42').allIn.more.join()).toContain('Chain for 8 cogs, 168 links');
    expect(one(ofLongtail, 'tyre/tyre-559-50').allIn.cost).toBeCloseTo(2 * 25, 6);
  });

  it('another price than that of the thing before is asked for anew: nothing keeps the price of another thing', () => {
    const torque = one(gainsOf(courier), 'amps/ctl-18-36');
    expect(torque.build.purchase.lines.controller?.price).toBe(52);
    const priced = withLine(trike, 'assist-sensor', { price: 9 });
    const sensor = one(gainsOf(priced), 'sensor/torque');
    expect(sensor.build.purchase.lines['assist-sensor']?.price).toBeNull();
  });

  it('gains for its money, without end where it costs nothing, and at all only where it gains', () => {
    expect(gainPerMoney(one(ofLongtail, 'amps/set'), 'hill')).toBe(Infinity);
    const tyre = one(ofLongtail, 'tyre/tyre-559-50');
    expect(gainPerMoney(tyre, 'hill')).toBeCloseTo((tyre.gains.hill ?? 0) / 50, 9);
    expect(gainPerMoney(one(ofLongtail, 'ring/ring-42'), 'hill')).toBeUndefined();
  });

  it('is not free where a thing that it needs has no known price', () => {
    const free = one(ofLongtail, 'amps/set');
    const needing = { ...free, allIn: { ...free.allIn, noIdea: ['Breaker 80 A'] } };
    expect(gainsAt(needing, 'hill')).toBe(true);
    expect(gainPerMoney(needing, 'hill')).toBeUndefined();
    const dear = { ...needing, allIn: { ...needing.allIn, cost: 10 } };
    expect(gainPerMoney(dear, 'hill')).toBeCloseTo((free.gains.hill ?? 0) / 10, 9);
  });

  it('lets go of no gear that is held on the hill', () => {
    expect(longtail.gearing.heldCogTeeth).toBe(23);
    const cogs = one(ofLongtail, 'cogs/cogs-8-11-34');
    expect(cogs.build.gearing.heldCogTeeth).toBe(24);
  });
});

describe('a step of one’s own', () => {
  it('is one value changed for so much money, told from and to, beside the others', () => {
    const id = ownId({ path: 'donor.cdaM2', value: 0.5, cost: 25 });
    const gains = ended(changeGains(longtail, shelf, book, [id]));
    const own = one(gains, id);
    expect(phraseText(own.what)).toMatch(/to 0\.50?/);
    expect(own.allIn.cost).toBeCloseTo(25, 9);
    expect(own.gains.range).toBeGreaterThan(0);
    expect(own.build.donor.cdaM2).toMatchObject({ value: 0.5 });
    const both = together(longtail, shelf, book, [id, ownId({ path: 'donor.crr', value: 0.006, cost: 10 })]);
    expect(both.allIn.cost).toBeCloseTo(35, 9);
  });

  it('is nothing where it names no value, or one beyond what may be', () => {
    expect(readOwn('own/donor.cdaM2/0.5/25')).toEqual({ path: 'donor.cdaM2', value: 0.5, cost: 25 });
    for (const bad of [
      'own/donor.nothing/1/1',
      'own/donor.cdaM2/99999/1',
      'own/donor.cdaM2//1',
      'own/donor.cdaM2/x/1',
      'ring/ring-34',
    ])
      expect(readOwn(bad), bad).toBeUndefined();
    expect(together(longtail, shelf, book, ['own/packs.3.capacityAh/10/1']).build).toEqual(longtail);
  });
});

describe('steps together', () => {
  const ids = ['amps/set', 'ring/ring-34', 'tyre/tyre-559-50'];

  it('are reckoned as one build, and never added up', () => {
    const all = together(longtail, shelf, book, ids);
    const added = ids.reduce((sum, id) => sum + (one(ofLongtail, id).gains.hill ?? 0), 0);
    expect(all.gains.hill).not.toBeCloseTo(added, 2);
    expect(all.is.hillKmh).toBeCloseTo(headlines(study(all.build)).hillKmh ?? 0, 9);
    expect(all.build.controller.batteryCurrentA).toMatchObject({ value: 25 });
    expect(all.build.gearing.ringTeeth).toMatchObject({ value: 34 });
    expect(all.allIn.cost).toBeGreaterThan(50);
    expect(all.hours).toBeGreaterThan(1);
  });

  it('of one kind are one choice: the last of them; what the shelf has no more is left out', () => {
    const both = together(longtail, shelf, book, ['amps/set', 'amps/ctl-30', 'ring/gone']);
    expect(both.build.controller.name).toBe('Marl 30 sine');
    expect(together(longtail, shelf, book, []).build).toEqual(longtail);
  });
});

describe('diminishing returns', () => {
  const rungs = ended(ladder(longtail, shelf, book, 'hill'));

  it('go up rung by rung, each paid more for less, and leave no class', () => {
    expect(rungs.rungs.length).toBeGreaterThan(2);
    rungs.rungs.forEach((rung, i) => {
      const last = rungs.rungs[i - 1];
      expect(rung.gain).toBeGreaterThan(last?.gain ?? 0);
      expect(rung.gain - (last?.gain ?? 0)).toBeCloseTo(rung.stepGain, 9);
    });
    const paid = rungs.rungs.filter((r) => r.stepCost > 0).map((r) => r.stepGain / r.stepCost);
    const last = together(
      longtail,
      shelf,
      book,
      rungs.rungs.map((r) => r.id),
    );
    expect(last.classRisk).not.toBe('worse');
    expect(paid.length).toBeGreaterThan(1);
    expect(rungs.stopsAt).toBeGreaterThan(0);
  });

  it('tell a rung that has no known price from a free one', () => {
    // More amps ask for another breaker, and the shelf has none.
    const bare: BuildDocument = {
      ...longtail,
      cabling: { ...longtail.cabling, protection: 'breaker', fuseA: label(22), fuseV: label(80) },
      purchase: { ...longtail.purchase, lines: {} },
    };
    const [only] = ended(ladder(bare, [], book, 'hill')).rungs;
    expect(only).toMatchObject({ id: 'amps/set', stepCost: 0, unpriced: true });
    const stocked = ended(ladder(bare, shelf, book, 'hill')).rungs;
    expect(stocked[0]?.unpriced === true && stocked[0].stepCost <= 0).toBe(false);
  });

  it('end with the build of their last rung', () => {
    const last = rungs.rungs.at(-1);
    const all = together(
      longtail,
      shelf,
      book,
      rungs.rungs.map((r) => r.id),
    );
    expect(all.gains.hill).toBeCloseTo(last?.gain ?? 0, 6);
    expect(all.allIn.cost).toBeCloseTo(last?.cost ?? 0, 6);
  });
});
