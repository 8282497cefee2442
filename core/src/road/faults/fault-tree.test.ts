import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedRules } from '../../law/rules.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { courier, longtail, tandem, tourer, trike } from '../../test/demo.ts';
import { anyBuild, runs } from '../../test/sample.ts';
import { evaluate } from '../../verdict/evaluate.ts';
import { faultScene } from '../../verdict/fault-scene.ts';
import type { BuildDocument } from '../../document/document.ts';
import { faultTree, type Answered, type Cured, type FaultTree } from './fault-tree.ts';
import { CAUSES, LOOKS, causeOf, lookOf } from './knowledge.ts';
import { likelihood } from './look.ts';
import type { FaultScene } from './scene.ts';
import { SYMPTOMS, symptomsOf, type SymptomId } from './symptom.ts';
import { SYMPTOM_WORDS } from './symptom-words.ts';

const book = shippedRules();
const sceneOf = (build: BuildDocument): FaultScene => faultScene(evaluate(build, book));
const DEMO = [courier, tourer, longtail, tandem, trike].map((b) => [b.name, sceneOf(b)] as const);
const scene = (name: BuildDocument): FaultScene => DEMO.find(([n]) => n === name.name)?.[1] ?? sceneOf(name);
const ids = (tree: FaultTree): readonly string[] => tree.causes.map((c) => c.cause.id);
const shareOf = (tree: FaultTree, id: string): number =>
  tree.causes.find((c) => c.cause.id === id)?.share ?? 0;

/** The same numbers for the same seed: a linear congruence (Lehmer, modulus 2^31 - 1). */
function seeded(seed: number): () => number {
  let at = seed;
  return () => (at = (at * 16807) % 2147483647) / 2147483647;
}

describe('what is known of faults', () => {
  it('names every cause and every look once, and speaks of no cause that there is not', () => {
    for (const all of [CAUSES, LOOKS]) expect(new Set(all.map((x) => x.id)).size).toBe(all.length);
    for (const look of LOOKS)
      for (const id of Object.keys(look.yes)) expect(causeOf(id), `${look.id}: ${id}`).toBeDefined();
    expect(causeOf('other')).toBeUndefined();
    expect(lookOf('rest-volts')?.minutes).toBe(2);
  });

  it('is told by at least one look for every cause of every symptom: none can only be guessed', () => {
    for (const { id, behind } of CAUSES)
      for (const symptom of Object.keys(behind) as SymptomId[])
        expect(
          LOOKS.some((l) => l.of.includes(symptom) && Math.abs((l.yes[id] ?? l.else) - l.else) >= 0.2),
          `${id} behind ${symptom}`,
        ).toBe(true);
  });

  it('has something behind every symptom, with a cure each', () => {
    for (const symptom of SYMPTOMS)
      expect(CAUSES.filter((c) => c.behind[symptom] !== undefined).length, symptom).toBeGreaterThanOrEqual(
        symptom === 'runs-free' || symptom === 'spokes' ? 3 : 4,
      );
    for (const { cure, name } of CAUSES) expect(cure.length, name).toBeGreaterThan(15);
  });

  it('offers one battery only where there are several', () => {
    expect(symptomsOf(1)).not.toContain('one-battery');
    expect(symptomsOf(2)).toEqual(SYMPTOMS);
  });

  it('says what to do first where a symptom can hurt (common practice, no source)', () => {
    for (const id of ['runs-on', 'grinds', 'hot', 'spark', 'one-battery', 'spokes'] as const)
      expect(SYMPTOM_WORDS[id].first).not.toBe('');
  });

  it('never asks for a look that can hurt without its caution', () => {
    for (const look of LOOKS)
      if (/wheel off|power on|meter|ohms|pull at|lowest level/i.test(look.how) && look.minutes > 1)
        expect(look.caution, look.id).not.toBe('');
    for (const { how, ask } of LOOKS) expect(`${ask} ${how}`).not.toMatch(/bridge|bypass|open the pack/i);
  });
});

describe('the causes of a symptom', () => {
  it('share out one whole, the likeliest first, on every demo build', () => {
    for (const [name, s] of DEMO)
      for (const symptom of SYMPTOMS) {
        const { causes, ruledOut } = faultTree(symptom, s, []);
        expect(causes.reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(1, 9);
        for (const [i, c] of causes.entries()) expect(c.share).toBeLessThanOrEqual(causes[i - 1]?.share ?? 1);
        expect(causes.length, `${name}: ${symptom}`).toBeGreaterThanOrEqual(2);
        for (const { why } of ruledOut) expect(phraseText(why)).not.toBe('');
      }
  });

  it('are there on any build, and never broken numbers (property)', () => {
    fc.assert(
      fc.property(anyBuild, fc.constantFrom(...SYMPTOMS), (build, symptom) => {
        const { causes, next } = faultTree(symptom, sceneOf(build), []);
        expect(causes.length).toBeGreaterThan(0);
        for (const { share, why } of causes) {
          expect(share).toBeGreaterThan(0);
          expect(share).toBeLessThanOrEqual(1);
          expect(phraseText(why)).not.toMatch(/NaN|undefined|Infinity/);
        }
        for (const { bits, yes } of next) {
          expect(bits).toBeGreaterThan(0);
          expect(yes).toBeGreaterThan(0);
          expect(yes).toBeLessThan(1);
        }
      }),
      runs(60),
    );
  });

  it('leave out what the build cannot have, and say why', () => {
    const one = faultTree('one-battery', scene(longtail), []);
    expect(ids(one)).not.toContain('join');
    expect(one.ruledOut.map((r) => phraseText(r.why))).toContain('there is one pack');
    const brushed: BuildDocument = {
      ...longtail,
      drive: { ...longtail.drive, kind: 'external', commutation: 'brushes' },
    };
    const jerks = ids(faultTree('jerks', sceneOf(brushed), []));
    expect(jerks).toContain('brushes-worn');
    expect(jerks).not.toContain('hall-line');
    expect(ids(faultTree('jerks', scene(longtail), []))).not.toContain('brushes-worn');
    const direct: BuildDocument = {
      ...tandem,
      drive: { ...tandem.drive, kind: 'direct-drive-hub', freewheel: false },
    };
    expect(ids(faultTree('noise', sceneOf(direct), []))).not.toContain('gears-worn');
    expect(ids(faultTree('runs-free', sceneOf(direct), []))).not.toContain('clutch-slips');
  });

  it('never leave out what nobody has said: an unknown is no reason', () => {
    const unknown: BuildDocument = {
      ...longtail,
      controls: { ...longtail.controls, brakeCutoffs: 'unknown' },
      cabling: { ...longtail.cabling, protection: 'unknown', inrush: 'unknown' },
      packs: [{ ...longtail.packs[0], board: 'unknown' }],
    };
    expect(ids(faultTree('no-drive', sceneOf(unknown), []))).toContain('brake-switch-held');
    expect(ids(faultTree('dark', sceneOf(unknown), []))).toEqual(
      expect.arrayContaining(['fuse-gone', 'board-open']),
    );
  });

  it('are not moved by a default: what nobody has said speaks neither for nor against', () => {
    const open = { source: 'unknown' } as const;
    const build: BuildDocument = {
      ...longtail,
      brief: { ...longtail.brief, temperatureC: open, riderMassKg: open },
      controller: { ...longtail.controller, batteryCurrentA: open },
      drive: { ...longtail.drive, kvRpmPerV: open, noLoadRpm: open },
    };
    const s = sceneOf(build);
    for (const [symptom, id] of [
      ['cuts-out-hills', 'cold-pack'],
      ['runs-free', 'pawls-stick'],
      ['spokes', 'overloaded'],
      ['weak', 'winding-ends'],
    ] as const)
      expect(faultTree(symptom, s, []).causes.find((c) => c.cause.id === id)?.why, id).toEqual([]);
    expect(lookOf('sags')?.expect?.(s)).toBeUndefined();
  });

  it('follow the build’s own numbers: a board that is asked for more than it carries comes first', () => {
    const asks = (bmsCurrentA: number): FaultTree => {
      const build: BuildDocument = {
        ...longtail,
        controller: { ...longtail.controller, batteryCurrentA: { source: 'label', value: 25 } },
        packs: [{ ...longtail.packs[0], board: 'yes', bmsCurrentA: { source: 'label', value: bmsCurrentA } }],
      };
      return faultTree('cuts-out-hills', sceneOf(build), []);
    };
    const [small, large] = [asks(15), asks(60)];
    expect(ids(small)[0]).toBe('board-open');
    expect(phraseText(small.causes[0]?.why ?? [])).toMatch(/Protection/);
    expect(shareOf(large, 'board-open')).toBeLessThan(shareOf(small, 'board-open') / 3);
  });

  it('know the frost: below 5 °C clutch, pawls and a pack kept outside are likelier', () => {
    const at = (value: number): FaultScene =>
      sceneOf({
        ...longtail,
        brief: { ...longtail.brief, temperatureC: { source: 'measured', value } },
        packs: [{ ...longtail.packs[0], kept: 'outside' }],
      });
    const [frost, mild] = [at(-4), at(18)];
    const share = (s: FaultScene): number => shareOf(faultTree('cuts-out-hills', s, []), 'cold-pack');
    expect(share(frost)).toBeGreaterThan(3 * share(mild));
  });

  it('point at settings that the controller did not take', () => {
    const line = { entered: 20, readBack: 8, on: '2026-03-02', ownName: '' };
    const s = sceneOf(longtail);
    const settings = s.settings.map((row) =>
      row.setting.key === 'battery-amps'
        ? {
            ...row,
            told: { ...row.told, ...line },
            stands: { kind: 'not-taken', state: 'look', by: -12 } as const,
          }
        : row,
    );
    const before = shareOf(faultTree('weak', s, []), 'set-low');
    const after = faultTree('weak', { ...s, settings }, []);
    expect(shareOf(after, 'set-low')).toBeGreaterThan(2 * before);
    expect(phraseText(after.causes.find((c) => c.cause.id === 'set-low')?.why ?? [])).toMatch(
      /not set as planned/,
    );
  });
});

describe('answers', () => {
  it('count the same in any order', () => {
    const answers: readonly Answered[] = [
      { look: 'goes-dark', says: 'yes' },
      { look: 'comes-back', says: 'yes' },
      { look: 'warm-plug', says: 'no' },
    ];
    const [a, b] = [answers, answers.toReversed()].map((x) =>
      faultTree('cuts-out-hills', scene(longtail), x),
    );
    for (const { cause, share } of a?.causes ?? [])
      expect(shareOf(b ?? { causes: [], ruledOut: [], next: [] }, cause.id)).toBeCloseTo(share, 12);
  });

  it('by Bayes, worked by hand: two to one, then nine to one by an answer', () => {
    const tree = faultTree('cuts-out-hills', scene(longtail), []);
    const answered = faultTree('cuts-out-hills', scene(longtail), [{ look: 'goes-dark', says: 'yes' }]);
    const [a, b] = ['board-open', 'motor-hot'] as const;
    const look = lookOf('goes-dark');
    if (look === undefined) throw new Error('no such look');
    const odds = shareOf(tree, a) / shareOf(tree, b);
    const ratio = likelihood(look, a, 'yes') / likelihood(look, b, 'yes');
    expect(ratio).toBeCloseTo(0.92 / 0.04, 9);
    expect(shareOf(answered, a) / shareOf(answered, b)).toBeCloseTo(odds * ratio, 6);
  });

  it('never rule a cause out for ever, and a look that is answered is not asked again', () => {
    const answers = LOOKS.map(({ id }): Answered => ({ look: id, says: 'no' }));
    const tree = faultTree('weak', scene(tandem), answers);
    for (const { share } of tree.causes) expect(share).toBeGreaterThan(0);
    expect(tree.next).toEqual([]);
  });

  it('of a look that is not known any more change nothing', () => {
    const plain = faultTree('dark', scene(longtail), []);
    const odd = faultTree('dark', scene(longtail), [{ look: 'gone-since', says: 'yes' }]);
    expect(ids(odd)).toEqual(ids(plain));
  });

  it('all dark, volts at the pack and none at the controller: it lies between the two (common practice)', () => {
    const { causes } = faultTree('dark', scene(longtail), [
      { look: 'rest-volts', says: 'yes' },
      { look: 'controller-volts', says: 'no' },
    ]);
    const between = new Set(['switch-open', 'fuse-gone', 'loose-plug', 'board-open']);
    for (const { cause } of causes.slice(0, 3)) expect(between).toContain(cause.id);
    expect(causes.slice(0, 3).reduce((sum, c) => sum + c.share, 0)).toBeGreaterThan(0.85);
  });

  it('lit, no drive, and it drives once the brake switches are parted: a switch is held (common practice)', () => {
    const { causes } = faultTree('no-drive', scene(longtail), [{ look: 'brake-parted', says: 'yes' }]);
    expect(causes[0]?.cause.id).toBe('brake-switch-held');
    expect(causes[0]?.share).toBeGreaterThan(0.5);
  });

  it('a miles display that shows 1.6 times too little is told apart from a wrong wheel (1 mile is 1.609 km)', () => {
    const tree = (says: 'yes' | 'no') =>
      faultTree('wrong-speed', scene(tandem), [
        { look: 'steady-ratio', says: 'yes' },
        { look: 'mile-ratio', says },
      ]);
    expect(ids(tree('yes'))[0]).toBe('miles');
    expect(ids(tree('no'))[0]).toBe('roll-out-wrong');
  });
});

describe('what to look at next', () => {
  it('narrows by what it promises: mean entropy falls by the bits that were told', () => {
    const s = scene(longtail);
    const entropy = (t: FaultTree): number =>
      -t.causes.reduce((sum, c) => sum + c.share * Math.log2(c.share), 0);
    for (const symptom of ['dark', 'weak', 'jerks', 'noise'] as const) {
      const now = faultTree(symptom, s, []);
      for (const { look, bits, yes } of now.next) {
        const after = (says: 'yes' | 'no'): number =>
          entropy(faultTree(symptom, s, [{ look: look.id, says }]));
        expect(entropy(now) - yes * after('yes') - (1 - yes) * after('no')).toBeCloseTo(bits, 9);
      }
    }
  });

  it('never is something that the build has not', () => {
    const plain: BuildDocument = {
      ...longtail,
      controls: { ...longtail.controls, throttle: 'none', assistSensor: 'torque', brakeCutoffs: 'no' },
    };
    const looks = (symptom: SymptomId): readonly string[] =>
      faultTree(symptom, sceneOf(plain), []).next.map((n) => n.look.id);
    for (const symptom of SYMPTOMS) {
      expect(looks(symptom)).not.toContain('throttle-rest');
      expect(looks(symptom)).not.toContain('brake-parted');
      expect(looks(symptom)).not.toContain('other-pack');
    }
  });

  /** Minutes of looking until the true cause stands first with more than half, by drawn answers; undefined where it never does. */
  function minutesUntil(
    s: FaultScene,
    symptom: SymptomId,
    truth: string,
    next: () => number,
    pick: (tree: FaultTree) => string | undefined,
  ): number | undefined {
    let answers: readonly Answered[] = [];
    let minutes = 0;
    for (let i = 0; i <= 8; i += 1) {
      const tree = faultTree(symptom, s, answers);
      const [first] = tree.causes;
      if (first?.cause.id === truth && first.share > 0.5) return minutes;
      const look = lookOf(pick(tree) ?? '');
      if (look === undefined) return undefined;
      minutes += look.minutes;
      answers = [...answers, { look: look.id, says: next() < likelihood(look, truth, 'yes') ? 'yes' : 'no' }];
    }
    return undefined;
  }

  it('finds what is usually behind it in at most eight looks, and in fewer minutes than a fixed order does', () => {
    const next = seeded(20261128);
    const GIVEN_UP = 60;
    let [found, guided, fixed] = [0, 0, 0];
    for (const [, s] of DEMO)
      for (const symptom of symptomsOf(s.build.packs.length))
        for (const { cause, share } of faultTree(symptom, s, []).causes) {
          const told = minutesUntil(s, symptom, cause.id, next, (t) => t.next[0]?.look.id);
          const plain = minutesUntil(s, symptom, cause.id, next, (t) => {
            const open = new Set(t.next.map((n) => n.look.id));
            return LOOKS.find((l) => open.has(l.id))?.id;
          });
          found += told === undefined ? 0 : share;
          guided += share * (told ?? GIVEN_UP);
          fixed += share * (plain ?? GIVEN_UP);
        }
    const cases = DEMO.length * (SYMPTOMS.length - 1);
    expect(found / cases).toBeGreaterThan(0.8);
    expect(guided).toBeLessThan(0.8 * fixed);
  });
});

describe('what was cured before', () => {
  const cured = (cause: string, n: number): readonly Cured[] =>
    Array.from({ length: n }, () => ({ symptom: 'jerks', cause }));

  it('moves the ranking, the more the oftener, and says how often', () => {
    const share = (n: number): number =>
      shareOf(faultTree('jerks', scene(tandem), [], cured('axle-turns', n)), 'axle-turns');
    expect(share(0)).toBeLessThan(share(2));
    expect(share(2)).toBeLessThan(share(8));
    const tree = faultTree('jerks', scene(tandem), [], cured('axle-turns', 8));
    expect(tree.causes[0]?.cause.id).toBe('axle-turns');
    expect(tree.causes[0]?.before).toBe(8);
  });

  it('of another symptom, or of what is not in the table, moves nothing', () => {
    const plain = faultTree('weak', scene(tandem), []);
    for (const history of [cured('axle-turns', 9), [{ symptom: 'weak', cause: 'other' } as const]])
      expect(faultTree('weak', scene(tandem), [], history).causes).toEqual(plain.causes);
  });

  it('never brings back what the build cannot have', () => {
    expect(ids(faultTree('jerks', scene(longtail), [], cured('brushes-worn', 50)))).not.toContain(
      'brushes-worn',
    );
  });
});
