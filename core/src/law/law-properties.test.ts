import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import type { SwitchedProfile } from '../document/controller.ts';
import { wayOf } from '../ride/corners.ts';
import { CYCLE, number, say } from '../test/law-facts.ts';
import { anyBuild, runs } from '../test/sample.ts';
import { lawFacts, type LawFacts, type ProfileFacts } from './facts.ts';
import { judgePlace, type PlaceVerdict } from './judge.ts';
import { shippedRules } from './rules.ts';

const book = shippedRules();
const one = (facts: Partial<LawFacts>): readonly ProfileFacts[] => [
  { profile: '', facts: { ...CYCLE, ...facts } },
];
const OUTCOMES = ['inside', 'check', 'cannot-tell', 'outside'] as const;
const rank = (test: PlaceVerdict['tests'][number]): number =>
  test.resulting === undefined ? OUTCOMES.length : OUTCOMES.indexOf(test.resulting.outcome);
/** Which class a test arrives at, counted from the mildest; past all of them last. */
const classOf = (test: PlaceVerdict['tests'][number]): number => {
  const at = test.categories.findIndex((c) => c === test.resulting);
  return at === -1 ? test.categories.length : at;
};

describe('more power or speed', () => {
  const growing: readonly (readonly [string, (x: number) => Partial<LawFacts>, number])[] = [
    ['rated power', (x) => ({ ratedPowerW: number(x) }), 5000],
    ['peak power', (x) => ({ peakWheelW: number(x) }), 5000],
    ['help while pedalling', (x) => ({ assistEndKmh: number(x) }), 70],
    [
      'a hand control',
      (x) => ({
        throttleAloneKmh: number(x),
        motorAloneKmh: number(x),
        throttle: say(x > 6.5 ? 'yes' : 'no'),
      }),
      50,
    ],
    ['mass', (x) => ({ massKg: number(x) }), 150],
    ['volts', (x) => ({ nominalV: number(x) }), 80],
  ];

  it.each(growing)('%s: never a milder class, in any place', (_name, facts, most) => {
    fc.assert(
      fc.property(
        fc.constantFrom(...book),
        fc.double({ min: 0, max: most, noNaN: true }),
        fc.double({ min: 0, max: most, noNaN: true }),
        (place, a, b) => {
          const [less, more] = a < b ? [a, b] : [b, a];
          const [low, high] = [
            judgePlace(place, one(facts(less)), book),
            judgePlace(place, one(facts(more)), book),
          ];
          low.tests.forEach((test, i) => {
            const other = high.tests[i];
            if (other === undefined) throw new Error('unlike tests');
            expect(classOf(other), `${place.id} ${test.test.id}`).toBeGreaterThanOrEqual(classOf(test));
          });
        },
      ),
      runs(600),
    );
  });
});

const profile: fc.Arbitrary<SwitchedProfile> = fc.record({
  name: fc.constantFrom('trail', 'private land', ''),
  reach: fc.constant('rider' as const),
  limitsSpeed: fc.boolean(),
  cutoffKmh: fc.option(fc.double({ min: 3, max: 80, noNaN: true })),
  batteryA: fc.option(fc.double({ min: 1, max: 100, noNaN: true })),
  throttle: fc.constantFrom('same' as const, 'none' as const, 'walk' as const, 'full' as const),
});
const ways = (build: BuildDocument): readonly ProfileFacts[] => lawFacts(wayOf(build));
const withProfiles = (
  build: BuildDocument,
  profiles: SwitchedProfile[],
  lifted: 'yes' | 'no' = 'no',
): BuildDocument => ({ ...build, controller: { ...build.controller, profiles, lifted } });

describe('what the rider can switch to', () => {
  it('never helps, in any place, whatever it is (property)', () => {
    fc.assert(
      fc.property(anyBuild, fc.array(profile, { minLength: 1, maxLength: 3 }), (build, profiles) => {
        // Neither has a wire that nobody has looked for.
        const [alone, with_] = [ways(withProfiles(build, [])), ways(withProfiles(build, profiles))];
        for (const place of book) {
          const [before, after] = [judgePlace(place, alone, book), judgePlace(place, with_, book)];
          before.tests.forEach((test, i) => {
            const other = after.tests[i];
            if (other === undefined) throw new Error('unlike tests');
            const where = `${place.id} ${test.test.id}`;
            expect(classOf(other), where).toBeGreaterThanOrEqual(classOf(test));
            // In the same class it is never surer; another class may be told where this one could not.
            if (classOf(other) === classOf(test))
              expect(rank(other), where).toBeGreaterThanOrEqual(rank(test));
          });
        }
      }),
      runs(40),
    );
  });

  it('without a limit is as a wire that lifts it', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const free: SwitchedProfile = {
          name: 'free',
          reach: 'rider',
          limitsSpeed: false,
          cutoffKmh: null,
          batteryA: null,
          throttle: 'same',
        };
        const [wire, menu] = [ways(withProfiles(build, [], 'yes')), ways(withProfiles(build, [free]))];
        expect(wire.map((w) => w.facts)).toEqual(menu.map((w) => w.facts));
      }),
      runs(20),
    );
  });

  it('by the workshop’s programmer alone is not judged', () => {
    fc.assert(
      fc.property(anyBuild, profile, (build, p) => {
        expect(ways(withProfiles(build, [{ ...p, reach: 'tool' }]))).toHaveLength(
          ways(withProfiles(build, [])).length,
        );
      }),
      runs(20),
    );
  });

  it('is named where it is the worst', () => {
    const fast: ProfileFacts = { profile: 'trail', facts: { ...CYCLE, assistEndKmh: number(32) } };
    const gb = book.find((p) => p.id === 'gb');
    if (gb === undefined) throw new Error('gb');
    const verdict = judgePlace(gb, [...one({}), fast], book);
    expect(verdict.outcome).toBe('outside');
    expect(verdict.failing.map((c) => [c.clause.id, c.profile])).toEqual([['assist', 'trail']]);
  });
});
