import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kmhToMs } from '../quantity/units.ts';
import { RUNS, anyBuild, sample } from '../test/sample.ts';
import type { BrakeKind } from '../document/choices.ts';
import { knownBuild } from '../document/known.ts';
import { evaluate } from '../verdict/evaluate.ts';
import { shippedRules } from '../law/rules.ts';
import { newBuild } from '../document/template.ts';
import { phraseText } from '../quantity/phrase.ts';
import { brakesLeft, independentBrakes } from '../document/brakes-left.ts';
import { ISO_4210_DRY_MS2, braking, energyRatio } from './brake-checks.ts';
import { checks, hub, one, subjectOf, type Changes } from '../test/fit-builds.ts';

describe('brakes', () => {
  it('have four times the energy at twice the speed', () => {
    expect(energyRatio(100, kmhToMs(25), 100)).toBeCloseTo(1, 9);
    expect(energyRatio(100, kmhToMs(50), 100)).toBeCloseTo(4, 9);
  });

  // Common practice: above 1.5 look, above 2.5 stop. Donor of 100 kg design, machine and rider about 110 kg.
  it.each([
    [25, 'fine'],
    [35, 'look'],
    [45, 'stop'],
  ] as const)('at %d km/h on a donor made for 100 kg: %s', (kmh, state) => {
    expect(
      one(hub({ donor: { permittedKg: { source: 'measured', value: 100 } } }), 'brake-energy', kmh).state,
    ).toBe(state);
  });

  // ISO 4210-2, dry, both brakes: 7 m from 25 km/h (from memory), which is 3.44 m/s^2.
  it('of the standard stop within 7 m from 25 km/h', () => {
    expect(ISO_4210_DRY_MS2).toBeCloseTo(3.4447, 4);
    expect(braking(subjectOf(hub()), kmhToMs(25)).metres).toBeLessThan(7);
  });

  it('stop later with rim brakes than with discs, and with one than with two', () => {
    const metres = (donor: Changes['donor']) =>
      braking(subjectOf(hub({ donor: { ...donor } })), kmhToMs(25)).metres;
    const discs = metres({});
    const rims = metres({ brakeFront: 'rim', brakeRear: 'rim' });
    const single = metres({ brakeFront: 'none', brakeRear: 'rim' });
    expect(discs).toBeLessThan(rims);
    expect(rims).toBeLessThan(single);
  });

  // Statics by hand: the rear lifts at g (L - a) / h. 1.05 m, mass 0.45 m ahead, 1.05 m up: 5.60 m/s^2.
  it('are no better than the rear wheel’s weight allows', () => {
    const build = hub({ donor: { massAheadMm: 750, massHeightMm: 1050, tyreGrip: 0.9 } });
    const stop = braking(subjectOf(build), 10);
    expect(stop.decides).toBe('tipping');
    expect(stop.ms2).toBeCloseTo((9.80665 * 0.3) / 1.05, 9);
  });

  // Statics by hand, mu 0.5, 1.05 m, mass 0.45 m ahead and 0.9 m up, moved to the front by the braking itself:
  // behind alone 0.5 g (1 - 0.45/1.05) / (1 + 0.5 x 0.9/1.05) = 1.96; in front alone 0.5 g (0.45/1.05) / (1 - 0.5 x 0.9/1.05) = 3.68.
  it('grip with the wheels alone that have a brake', () => {
    const at = (front: BrakeKind, rear: BrakeKind) =>
      braking(
        subjectOf(
          hub({
            donor: {
              brakeFront: front,
              brakeRear: rear,
              massAheadMm: 450,
              massHeightMm: 900,
              wheelbaseMm: 1050,
              tyreGrip: 0.5,
              permittedKg: { source: 'measured', value: 300 },
            },
          }),
        ),
        10,
      );
    const behind = at('none', 'hydraulic-disc');
    expect(behind.decides).toBe('grip');
    expect(behind.ms2).toBeCloseTo(1.9613, 3);
    expect(at('hydraulic-disc', 'none').decides).toBe('brakes');
    expect(at('hydraulic-disc', 'hydraulic-disc').ms2).toBeCloseTo(0.5 * 9.80665, 9);
  });

  it('are missing where there is only one, and rims are not enough above 32 km/h', () => {
    // Whatever nobody has looked at on the other end.
    const half = { brakeFront: 'none', brakeRear: 'unknown' } as const;
    expect(one(hub({ donor: half }), 'brake-kind').state).toBe('stop');
    expect(one(hub({ donor: { brakeFront: 'rim', brakeRear: 'unknown' } }), 'brake-kind', 34).state).toBe(
      'stop',
    );
    expect(one(hub({ donor: { brakeFront: 'rim', brakeRear: 'unknown' } }), 'brake-kind', 20).state).toBe(
      'unknown',
    );
    expect(one(hub({ donor: { brakeFront: 'none' } }), 'brake-kind').state).toBe('stop');
    const rims = { donor: { brakeFront: 'rim' as const, brakeRear: 'rim' as const } };
    expect(one(hub(rims), 'brake-kind', 31).state).toBe('fine');
    expect(one(hub(rims), 'brake-kind', 34).state).toBe('stop');
  });
});

describe('a machine with two wheels at one end', () => {
  // The trade: a low trike with two steered wheels has a brake on each of these, a lever for each, and none behind.
  const paired = (pairBrakes: 'each' | 'one' | 'unknown', wheelCount: 2 | 3 = 3) =>
    hub({ donor: { wheelCount, brakeFront: 'cable-disc', brakeRear: 'none', pairBrakes } });

  it.each([
    ['each', 'fine', 'yes'],
    ['one', 'stop', 'no'],
    ['unknown', 'unknown', 'unknown'],
  ] as const)('with brakes there that are %s to a wheel: %s', (pairBrakes, state, law) => {
    const s = paired(pairBrakes);
    expect(one(s, 'brake-kind').state).toBe(state);
    expect(independentBrakes(s, knownBuild(s))).toBe(law);
    const [way] = evaluate(s, shippedRules()).law.ways;
    expect(way?.facts.twoBrakes).toMatchObject({ answer: law });
  });

  it('stops with both of them; nobody knows how short where it is not said that there are two', () => {
    const ms2 = (pairBrakes: 'each' | 'one') => braking(subjectOf(paired(pairBrakes)), kmhToMs(25)).ms2;
    expect(ms2('each') / ms2('one')).toBeCloseTo(2, 9);
    expect(one(paired('unknown'), 'stopping').unanswered).toEqual(['brakes of the wheels side by side']);
    // At both ends, four wheels have a pair at each.
    const four = (pairBrakes: 'each' | 'one') =>
      braking(
        subjectOf(
          hub({ donor: { wheelCount: 4, brakeFront: 'drum', brakeRear: 'drum', pairBrakes, tyreGrip: 1.5 } }),
        ),
        kmhToMs(25),
      );
    expect(four('each').ms2 / four('one').ms2).toBeCloseTo(2, 9);
  });

  it('asks for it where it would tell, and only there', () => {
    // What nobody has looked at is not told as if it were so.
    expect(phraseText(one(paired('unknown'), 'brake-kind').why)).toContain(
      'where the wheels side by side have',
    );
    expect(phraseText(one(paired('each'), 'brake-kind').why)).toMatch(
      /^The wheels side by side have a brake/,
    );
    expect(one(paired('unknown'), 'brake-kind').unanswered).toEqual(['brakes of the wheels side by side']);
    expect(one(paired('each', 2), 'brake-kind').state).toBe('stop');
    const both = hub({ donor: { wheelCount: 3, brakeFront: 'cable-disc', brakeRear: 'cable-disc' } });
    expect(one(both, 'brake-kind').state).toBe('fine');
  });

  it('has none left to the law either where the hub that comes out held it', () => {
    const s = hub({
      donor: { brakeFront: 'rim', brakeRear: 'coaster' },
      drive: { wheel: 'rear', name: 'Hub' },
    });
    const [way] = evaluate(s, shippedRules()).law.ways;
    expect(way?.facts.twoBrakes).toMatchObject({ answer: 'no' });
  });
});

describe('a brake that is part of a hub', () => {
  const brakes = (brakeFront: BrakeKind, brakeRear: BrakeKind, wheel: 'front' | 'rear') =>
    hub({ donor: { brakeFront, brakeRear }, drive: { wheel, name: 'Hub' } });

  // The trade: a back-pedal brake and a drum are built into the hub that comes out.
  it('goes out with it: one brake is left, and its slowing with it', () => {
    const coaster = brakes('rim', 'coaster', 'rear');
    const kind = one(coaster, 'brake-kind');
    expect(kind.state).toBe('stop');
    expect(phraseText(kind.why)).toContain('goes the rear back-pedal brake');
    expect(braking(subjectOf(coaster), 7).ms2).toBe(braking(subjectOf(brakes('rim', 'none', 'rear')), 7).ms2);
    expect(one(brakes('drum', 'rim', 'front'), 'brake-kind').state).toBe('stop');
    expect(one(brakes('drum', 'drum', 'rear'), 'brake-kind').state).toBe('stop');
  });

  it('stays where the motor is at the other end, in the bracket, to be chosen, or in the donor already', () => {
    expect(one(brakes('drum', 'rim', 'rear'), 'brake-kind').state).toBe('fine');
    expect(one(brakes('rim', 'coaster', 'front'), 'brake-kind').state).toBe('fine');
    const coaster = { donor: { brakeFront: 'rim' as const, brakeRear: 'coaster' as const } };
    const [found] = checks(sample({ ...coaster, drive: { name: 'Mid' } }, 'mid-drive')).filter(
      (c) => c.id === 'brake-kind',
    );
    expect(found?.state).toBe('fine');
    const kept = brakes('rim', 'coaster', 'rear');
    expect(one({ ...kept, donor: { ...kept.donor, keeps: ['motor'] } }, 'brake-kind').state).toBe('fine');
    expect(brakesLeft(newBuild('Nothing chosen'), knownBuild(newBuild('Nothing chosen'))).lost).toEqual([]);
  });

  // The trade: it needs a chain that no spring gives way to.
  it('by the pedals stands behind one cog, or gears in the hub', () => {
    const of = (cogTeeth: number[], wheel: 'front' | 'rear' = 'front') =>
      checks(
        sample({
          donor: { brakeFront: 'rim', brakeRear: 'coaster' },
          drive: { wheel, name: 'Hub' },
          gearing: { cogTeeth },
        }),
      ).find((c) => c.id === 'back-pedal-gears')?.state;
    expect(of([18])).toBeUndefined();
    expect(of([18, 14, 11])).toBe('look');
    // The one that went out with the hub asks nothing.
    expect(of([18, 14, 11], 'rear')).toBeUndefined();
  });

  // The trade: most motors in the bracket free-wheel backwards.
  it('is asked for behind a motor in the bracket: one that runs free backwards leaves no brake, and one only', () => {
    const mid = (brakeRear: BrakeKind, pullsBack: 'yes' | 'no' | 'unknown' = 'unknown') =>
      sample({ donor: { brakeFront: 'rim', brakeRear }, drive: { name: 'Mid', pullsBack } }, 'mid-drive');
    const of = (build: ReturnType<typeof mid>, id = 'back-pedal') => checks(build).find((c) => c.id === id);
    expect(of(mid('rim'))).toBeUndefined();
    expect(of(mid('coaster'))).toMatchObject({
      state: 'unknown',
      unanswered: ['whether its cranks turn the chain back'],
    });
    expect(of(mid('coaster', 'yes'))?.state).toBe('fine');
    expect(of(mid('coaster', 'no'))?.state).toBe('stop');
    expect(of(mid('coaster', 'no'), 'brake-kind')?.state).toBe('stop');
    const two = (build: ReturnType<typeof mid>) => independentBrakes(build, knownBuild(build));
    expect((['yes', 'no', 'unknown'] as const).map((says) => two(mid('coaster', says)))).toEqual([
      'yes',
      'no',
      'unknown',
    ]);
  });

  it('is never given back by any choice of motor: what is left is no more than there was', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const left = brakesLeft(build, knownBuild(build));
        for (const end of ['front', 'rear'] as const) {
          const here = end === 'front' ? build.donor.brakeFront : build.donor.brakeRear;
          expect(left[end]).toBe(left.lost.includes(end) ? 'none' : here);
          if (left.lost.includes(end)) expect(['coaster', 'drum']).toContain(here);
        }
      }),
      RUNS,
    );
  });
});
