import { describe, expect, it } from 'vitest';
import type { LawFacts } from './facts.ts';
import { decidingCategory, judgePlace, type PlaceVerdict } from './judge.ts';
import { placeRules } from './rule-schema.ts';
import { CYCLE, number, say } from '../test/law-facts.ts';
import { shippedRules } from './rules.ts';

const MPH = 1.609344;

function judge(place: 'gb' | 'eu' | 'us' | 'us-fed', change: Partial<LawFacts> = {}): PlaceVerdict {
  const rules = shippedRules().find((p) => p.id === place);
  if (rules === undefined) throw new Error(place);
  return judgePlace(rules, [{ profile: '', facts: { ...CYCLE, ...change } }], shippedRules());
}
const clauseOf = (verdict: PlaceVerdict, test: string, id: string) => {
  const found = verdict.tests.find((t) => t.test.id === test);
  const category = found === undefined ? undefined : decidingCategory(found);
  return category?.clauses.find((c) => c.clause.id === id);
};
const federal = (change: Partial<LawFacts>) =>
  judge('us', change).tests.find((t) => t.test.id === 'us-fed-class')?.categories[0];
const usClass = (change: Partial<LawFacts>): string | undefined =>
  judge('us', change).tests.find((t) => t.test.id === 'us-class')?.resulting?.category.id;

describe('European Union: Regulation (EU) No 168/2013 Art. 2(2)(h)', () => {
  it.each([
    [249, 'inside', 'EPAC'],
    [250, 'inside', 'EPAC'],
    [251, 'other-class', 'L1e-A'],
    [1000, 'other-class', 'L1e-A'],
    [1001, 'other-class', 'L1e-B'],
    [4000, 'other-class', 'L1e-B'],
    [4001, 'outside', 'Motor vehicle'],
  ])('%d W continuous rated is %s, %s', (watts, outcome, name) => {
    expect(judge('eu', { ratedPowerW: number(watts) })).toMatchObject({ outcome, className: name });
  });

  it.each([
    [24.9, 'EPAC'],
    [25, 'EPAC'],
    [25.1, 'L1e-B'],
    [45, 'L1e-B'],
    [45.1, 'Motor vehicle'],
  ])('help that ends at %d km/h is %s', (kmh, name) => {
    expect(judge('eu', { assistEndKmh: number(kmh) }).className).toBe(name);
  });

  // Annex I (from memory): L1e-B is of two wheels; three make an L2e, which nobody is told is a motorcycle.
  it('on three wheels says what it may be instead', () => {
    const { className, tests } = judge('eu', { assistEndKmh: number(45), wheelCount: number(3) });
    expect(className).toBe('Motor vehicle');
    expect(tests[0]?.test.otherwise.name).toContain('L2e');
  });

  it.each([
    [5.9, 'EPAC'],
    [6, 'EPAC'],
    [6.1, 'L1e-A'],
    [25, 'L1e-A'],
    [25.1, 'L1e-B'],
  ])('a hand control that drives alone to %d km/h is %s', (kmh, name) => {
    expect(judge('eu', { throttleAloneKmh: number(kmh) }).className).toBe(name);
  });

  it('needs the pedals to stop the motor, help to fade, and pedals that work', () => {
    expect(judge('eu', { motorStopsWithPedals: say('no') }).outcome).toBe('other-class');
    expect(judge('eu', { helpFades: say('no') }).outcome).toBe('other-class');
    expect(judge('eu', { operablePedals: say('no') }).className).toBe('L1e-B');
  });

  it('cannot tell without the rated power', () => {
    expect(judge('eu', { ratedPowerW: undefined }).outcome).toBe('cannot-tell');
  });
});

describe('Great Britain: SI 1983/1168 as amended by SI 2015/24', () => {
  it.each([
    [249, 'EAPC'],
    [250, 'EAPC'],
    [251, 'Motor vehicle'],
  ])('%d W is %s', (watts, name) => {
    expect(judge('gb', { ratedPowerW: number(watts) }).className).toBe(name);
  });

  it('holds 15.5 mph: 24.94 km/h passes, 25.0 is accepted in practice and says so, 25.01 is out', () => {
    expect(judge('gb', { assistEndKmh: number(15.5 * MPH) }).outcome).toBe('inside');
    const tolerated = judge('gb', { assistEndKmh: number(25) });
    expect(tolerated.outcome).toBe('check');
    expect(clauseOf(tolerated, 'gb-class', 'assist')?.why).toContain('24.94 km/h');
    expect(judge('gb', { assistEndKmh: number(25.01) }).outcome).toBe('outside');
  });

  it('lets a hand control start the cycle to 6 km/h; beyond it an approval is needed', () => {
    expect(judge('gb', { throttleAloneKmh: number(6) }).className).toBe('EAPC');
    expect(judge('gb', { throttleAloneKmh: number(6.1) })).toMatchObject({
      outcome: 'other-class',
      className: 'EAPC, approved',
    });
    expect(judge('gb', { throttleAloneKmh: number(15.5 * MPH) }).className).toBe('EAPC, approved');
  });

  it('does not decide on the fade alone, which is remembered less surely', () => {
    expect(judge('gb', { helpFades: say('no') }).outcome).toBe('cannot-tell');
  });

  it('takes three and four wheels', () => {
    expect(judge('gb', { wheelCount: number(3) }).outcome).toBe('inside');
    expect(judge('gb', { wheelCount: number(4) }).outcome).toBe('inside');
  });

  it('asks for the marking', () => {
    // A duty: where nothing else is broken it is inside once the label is on.
    for (const answer of ['unknown', 'no'] as const) {
      const verdict = judge('gb', { classLabel: say(answer) });
      expect(verdict.outcome).toBe('check');
      expect(verdict.unsettled.map((c) => c.why)).toContain(
        'a duty: where nothing else is broken, inside once the label is on',
      );
    }
    expect(judge('gb', { classLabel: say('no'), ratedPowerW: number(500) }).outcome).toBe('outside');
  });
});

describe('United States, federal: 15 U.S.C. s.2085', () => {
  it.each([
    [745, 'inside'],
    [749.9, 'check'],
    [750, 'outside'],
    [751, 'outside'],
  ])('%d W is %s: less than 750 W, and one horsepower is 745.7', (watts, outcome) => {
    expect(federal({ ratedPowerW: number(watts) })?.outcome).toBe(outcome);
  });

  it.each([
    [19.99, 'inside'],
    [20, 'outside'],
    [20.01, 'outside'],
  ])('%d mph by the motor alone is %s: less than 20 mph', (mph, outcome) => {
    expect(federal({ motorAloneKmh: number(mph * MPH) })?.outcome).toBe(outcome);
  });

  it('cannot tell when only one end of the band is inside', () => {
    expect(federal({ motorAloneKmh: number(19 * MPH, 21 * MPH) })?.outcome).toBe('cannot-tell');
    expect(federal({ motorAloneKmh: number(18 * MPH, 19.5 * MPH) })?.outcome).toBe('inside');
    expect(federal({ motorAloneKmh: number(20.5 * MPH, 22 * MPH) })?.outcome).toBe('outside');
  });

  it('takes two or three wheels with pedals, not four', () => {
    expect(federal({ wheelCount: number(3) })?.outcome).toBe('inside');
    expect(federal({ wheelCount: number(4) })?.outcome).toBe('outside');
    expect(federal({ operablePedals: say('no') })?.outcome).toBe('outside');
  });

  it('sets no limit on speed while pedalling', () => {
    expect(federal({ assistEndKmh: number(60) })?.outcome).toBe('inside');
  });
});

describe('United States, the three-class model', () => {
  it.each([
    ['pedal assist to 20 mph', { assistEndKmh: number(20 * MPH) }, 'US-MODEL-1'],
    ['pedal assist to 20.1 mph', { assistEndKmh: number(20.1 * MPH) }, 'US-MODEL-3'],
    ['pedal assist to 28 mph', { assistEndKmh: number(28 * MPH) }, 'US-MODEL-3'],
    ['pedal assist to 28.1 mph', { assistEndKmh: number(28.1 * MPH) }, undefined],
    [
      'a throttle to 20 mph',
      { assistEndKmh: number(20 * MPH), throttle: say('yes'), throttleAloneKmh: number(20 * MPH) },
      'US-MODEL-2',
    ],
    [
      'a throttle to 20.1 mph',
      { assistEndKmh: number(20 * MPH), throttle: say('yes'), throttleAloneKmh: number(20.1 * MPH) },
      undefined,
    ],
    [
      'a throttle with help to 28 mph',
      { assistEndKmh: number(28 * MPH), throttle: say('yes'), throttleAloneKmh: number(20 * MPH) },
      undefined,
    ],
    ['28 mph without a speedometer', { assistEndKmh: number(28 * MPH), speedometer: say('no') }, undefined],
  ] as const)('%s is %s', (_name, change, id) => {
    expect(usClass(change)).toBe(id);
  });

  it('does not decide between 750 W and just below, which is remembered less surely', () => {
    expect(judge('us', { ratedPowerW: number(750) }).tests[0]?.categories[0]?.outcome).toBe('cannot-tell');
    expect(judge('us', { ratedPowerW: number(1000) }).outcome).toBe('outside');
  });

  it('is one question, and whether it may be sold as a bicycle the other, with its own answer', () => {
    const verdict = judge('us', { assistEndKmh: number(20 * MPH), motorAloneKmh: number(25 * MPH) });
    expect(verdict.tests[0]?.resulting?.category.id).toBe('US-MODEL-1');
    // Class 1 is met in full, and may be ridden; sold as a bicycle it may not be.
    expect(verdict).toMatchObject({ outcome: 'inside', className: 'Class 1', about: 'riding', failing: [] });
    expect(verdict.sale).toMatchObject({ outcome: 'outside', className: 'Motor vehicle' });
    expect(verdict.sale?.failing.map((c) => c.clause.id)).toEqual(['alone']);
    // Asked for the federal definition itself, that is the question.
    expect(judge('us-fed', { motorAloneKmh: number(25 * MPH) })).toMatchObject({
      outcome: 'outside',
      about: 'sale',
      sale: undefined,
    });
  });
});

describe('how sure', () => {
  it('passes on an assumed value only with a check', () => {
    const verdict = judge('eu', { ratedPowerW: number(250, 250, 'assumed') });
    expect(verdict.outcome).toBe('check');
    expect(clauseOf(verdict, 'eu-class', 'power')).toMatchObject({
      state: 'check',
      why: 'it rests on assumed values',
    });
  });

  it('gives the margin in the instrument’s own unit', () => {
    expect(clauseOf(judge('gb'), 'gb-class', 'assist')?.margin).toBeCloseTo(15.5 - 24.9 / MPH, 9);
    expect(clauseOf(judge('eu', { ratedPowerW: number(600) }), 'eu-class', 'power')?.margin).toBe(-350);
  });
});

describe('more is never milder', () => {
  const rank = (verdict: PlaceVerdict): number =>
    ['inside', 'check', 'cannot-tell', 'other-class', 'outside'].indexOf(verdict.outcome);

  it.each(['gb', 'eu', 'us'] as const)('in %s, for power and speeds', (place) => {
    const climbing = (facts: (x: number) => Partial<LawFacts>, from: number, to: number): void => {
      let before = 0;
      for (let i = 0; i <= 200; i += 1) {
        const now = rank(judge(place, facts(from + ((to - from) * i) / 200)));
        // A value on an uncertain limit cannot be told; past it the answer is firm again, never milder.
        expect(now, `${place} ${String(from + ((to - from) * i) / 200)}`).toBeGreaterThanOrEqual(
          Math.min(before, 3),
        );
        before = Math.max(before, now === 2 ? before : now);
      }
    };
    climbing((w) => ({ ratedPowerW: number(w) }), 100, 5000);
    climbing((v) => ({ assistEndKmh: number(v), motorAloneKmh: number(0) }), 15, 70);
    climbing((v) => ({ throttleAloneKmh: number(v), motorAloneKmh: number(v), throttle: say('yes') }), 0, 50);
  });
});

describe('rule files', () => {
  it.each(shippedRules())(
    '$name has source, year and certainty for every limit, and says where it is from',
    (place) => {
      expect(place.provenance).toMatch(/memory/i);
      expect(place.readYear).toBeGreaterThan(2020);
      expect(
        [place, ...shippedRules().filter((p) => place.also.includes(p.id))].flatMap((p) =>
          p.tests.map((t) => t.id),
        ),
      ).toContain(place.primaryTest);
      for (const { categories, otherwise } of place.tests) {
        expect(otherwise.note).not.toBe('');
        for (const category of categories) {
          expect(category.instrument).not.toBe('');
          expect(category.year).toMatch(/\d{4}/);
          for (const clause of category.clauses) {
            expect(clause.source, `${category.id} ${clause.id}`).not.toBe('');
            expect(['high', 'medium', 'low']).toContain(clause.certainty);
            if (clause.kind === 'number' && clause.toleratedTo !== undefined)
              expect(clause.caution).toBeDefined();
          }
        }
      }
    },
  );

  it('are refused when a limit loses its source', () => {
    const broken = JSON.parse(JSON.stringify(shippedRules()[0])) as {
      tests: { categories: { clauses: { source?: string }[] }[] }[];
    };
    delete broken.tests[0]?.categories[0]?.clauses[0]?.source;
    expect(placeRules.safeParse(broken).success).toBe(false);
  });
});
