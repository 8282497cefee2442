import { describe, expect, it } from 'vitest';
import partsFile from '../../../demo/parts.json' with { type: 'json' };
import type { BuildDocument } from '../document/document.ts';
import { newBuild } from '../document/template.ts';
import { shippedRules } from '../law/rules.ts';
import { usualOf, withPlace } from '../law/usual.ts';
import { readPart } from '../parts/read-part.ts';
import { readBuild } from '../document/read.ts';
import { evaluate } from '../verdict/evaluate.ts';
import { classWords } from '../verdict/figures/class-figure.ts';
import { rangeFigure } from '../verdict/figures/range-figures.ts';
import { study } from '../verdict/study.ts';
import { energyAsked } from './energy-asked.ts';
import { hillAsks } from './hill-asks.ts';
import { propose } from './proposals.ts';

const book = shippedRules();
const parts = (partsFile as readonly unknown[]).flatMap((file) => {
  const part = readPart(file);
  return part.ok ? [part.value] : [];
});
const packs = parts.filter((p) => p.type === 'pack');

function newcomer(place: string): BuildDocument {
  const rules = book.find((p) => p.id === place);
  if (rules === undefined) throw new Error(place);
  return withPlace(newBuild('one'), place, usualOf(rules, book));
}

describe('what the shelf would do, before anything is chosen', () => {
  const proposals = propose(newcomer('gb'), parts, book);

  it('is a motor in front, behind and in the middle, at the volts there are parts for', () => {
    expect(new Set(proposals.map((p) => p.layout))).toEqual(new Set(['front', 'rear', 'middle']));
    expect(new Set(proposals.map((p) => p.volts))).toEqual(new Set([36, 48, 52]));
  });

  it('puts what the law lets in first, and says of each what it is', () => {
    const [first] = proposals;
    expect(first?.ratedW).toBe(250);
    // What is planned and not looked at yet never stands in green.
    expect(first?.classState).toBe('look');
    expect(first?.className).toBe('EAPC');
    // A motor of 350 W is let in nowhere in Great Britain as a cycle (SI 1983/1168 as amended).
    for (const p of proposals.filter((o) => o.ratedW > 250)) expect(p.classState).toBe('stop');
  });

  it('comes to the class that it promised when it is kept', () => {
    for (const { build, className, hillKmh } of proposals) {
      // As it is read back from what was kept.
      const kept = readBuild(JSON.parse(JSON.stringify(build)));
      if (!kept.ok) throw new Error('the build is broken');
      expect(classWords(evaluate(kept.value, book, parts).law.here)).toBe(className);
      expect(study(kept.value).climb.climbs).toBe(hillKmh !== undefined);
    }
  });

  it('takes a pack that reaches as far as is wanted where there is one', () => {
    const near = propose(
      { ...newcomer('gb'), brief: { ...newcomer('gb').brief, distanceKm: { source: 'label', value: 5 } } },
      parts,
      book,
    );
    const wh = (build: BuildDocument): number => {
      const [pack] = study(build).known.packs;
      return pack.nominalV.value * pack.capacityAh.value;
    };
    for (const p of near) {
      const far = proposals.find((o) => o.id === p.id);
      if (far !== undefined) expect(wh(p.build)).toBeLessThanOrEqual(wh(far.build));
    }
    expect(near.filter((p) => p.rangeState === 'fine').length).toBeGreaterThan(0);
  });

  it('has a larger motor where the place lets in a larger one', () => {
    const there = propose(newcomer('us-ca'), parts, book);
    expect(there[0]?.className).toMatch(/Class 1/);
    expect(
      Math.max(...there.filter((p) => ['fine', 'look'].includes(p.classState)).map((p) => p.ratedW)),
    ).toBe(750);
  });
});

describe('what a hill asks before there is a motor', () => {
  // Statics: 100 kg on 10 % needs m g sin(atan 0.1) = 97.6 N for the height alone, 271 W of it at 10 km/h.
  it('is its force and its watts', () => {
    const build = newcomer('gb');
    const asks = hillAsks({
      ...build,
      brief: { ...build.brief, hillGradePct: { source: 'label', value: 10 } },
    });
    const easy = asks.speeds.find((s) => s.kmh === 10);
    const height = asks.massKg * 9.80665 * Math.sin(Math.atan(0.1));
    expect(easy?.forceN ?? 0).toBeGreaterThan(height);
    expect(easy?.forceN ?? 0).toBeLessThan(height * 1.25);
    expect(easy?.wheelW).toBeCloseTo(((easy?.forceN ?? 0) * 10) / 3.6, 6);
    expect(easy?.riderW ?? 0).toBeLessThanOrEqual(75);
    expect(easy?.motorW).toBeCloseTo((easy?.wheelW ?? 0) - (easy?.riderW ?? 0), 6);
    const [v36, v48] = asks.amps;
    expect((v36?.low ?? 0) / (v48?.low ?? 1)).toBeCloseTo(48 / 36, 6);
  });
});

describe('how many amp-hours a distance asks', () => {
  it('is the range turned round: that many amp-hours reach so far', () => {
    const build = newcomer('gb');
    const asked = energyAsked(build, packs);
    if (asked === undefined) throw new Error('it does not move');
    const [pack] = build.packs;
    const fitted: BuildDocument = {
      ...build,
      packs: [
        {
          ...pack,
          capacityAh: { source: 'label', value: asked.ah.high },
          massKg: { source: 'label', value: study(build).known.packs[0].massKg.value },
        },
      ],
    };
    // The same legs, resting: within what the smaller load on larger cells changes.
    expect(Math.abs((rangeFigure(study(fitted)).value ?? 0) / asked.distanceKm - 1)).toBeLessThan(0.05);
  });

  it('finds the packs of the shelf at these volts that are enough', () => {
    const asked = energyAsked(newcomer('gb'), packs);
    expect(asked?.packs.every((p) => p.wh / p.ah > 46 && p.wh / p.ah < 50)).toBe(true);
    for (const p of asked?.packs ?? []) expect(p.state === 'fine').toBe(p.wh >= (asked?.wh.high ?? 0));
  });
});
