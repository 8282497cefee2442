import { describe, expect, it } from 'vitest';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { part, type PartOf } from '../parts/part.ts';
import { sample } from '../test/sample.ts';
import { evaluate } from '../test/evaluate.ts';
import { chainPullN, chainWear, hallSpacingDeg, motorCadence } from './gearing.ts';
import { ringRows } from '../explore/rings.ts';
import { shippedRules } from '../law/rules.ts';
import { compareLayouts, layoutsFound } from '../explore/layouts.ts';
import { study } from './study.ts';

const motors = shelfFile.flatMap((file): PartOf<'motor'>[] => {
  const one = part.parse(file);
  return one.type === 'motor' ? [one] : [];
});

describe('sensor spacing', () => {
  // By hand, 120 electrical degrees: 7 pole pairs 17.14, 23 pole pairs 5.22 mechanical degrees.
  it.each([
    [7, 17.14],
    [23, 5.22],
    [1, 120],
  ])('of %d pole pairs is %d degrees', (pairs, degrees) => {
    expect(hallSpacingDeg(pairs)).toBeCloseTo(degrees, 2);
  });
});

describe('pull in the chain', () => {
  // By hand: 200 N at a tyre of 0.33 m radius is 66 N m; on a 21-tooth cog (radius 42.4 mm) 1555 N, and a
  // chain of 96 % takes 1620 N.
  it('is the wheel’s torque over the cog’s radius', () => {
    const { machine } = study(
      sample(
        {
          donor: { rolloutMm: 2 * Math.PI * 330 },
          gearing: { ringTeeth: 42, cogTeeth: [21], chainEfficiency: 0.96 },
        },
        'mid-drive',
      ),
    );
    const gear = machine.gears[0];
    if (gear === undefined) throw new Error('no gear');
    expect(chainPullN(machine, gear, 42, 200)).toBeCloseTo(1620, -1);
  });

  it('of a hub motor is the legs’ alone, and of a mid-drive both', () => {
    const hub = evaluate(sample({}, 'geared-hub')).gears[0];
    const mid = evaluate(sample({}, 'mid-drive')).gears[0];
    expect(mid?.chainN ?? 0).toBeGreaterThan(2 * (hub?.chainN ?? 0));
  });

  it('is judged the harder the more it is, and the smaller the cog', () => {
    expect(chainWear(500, 24)).toBe('fine');
    expect(chainWear(1500, 24)).toBe('look');
    expect(chainWear(3000, 24)).toBe('stop');
    expect(chainWear(1000, 11)).toBe('look');
    expect(chainWear(1000, 21)).toBe('fine');
  });
});

describe('hub gears', () => {
  const three = sample(
    { gearing: { ringTeeth: 38, cogTeeth: [19], hubRatios: [0.733, 1, 1.364] } },
    'mid-drive',
  );

  it('give a row each, lowest first, spaced by their ratios', () => {
    const { gears } = evaluate(three);
    expect(gears.map((g) => g.hubGear)).toEqual([1, 2, 3]);
    expect((gears[2]?.developmentM ?? 0) / (gears[1]?.developmentM ?? 1)).toBeCloseTo(1.364, 6);
    // Fact of gearing: two turns of the wheel a turn of the cranks at 38 on 19.
    const roundMm = evaluate(three).known.donor.rolloutMm.value;
    expect(gears[1]?.developmentM).toBeCloseTo((2 * roundMm) / 1000, 9);
  });

  it('can be held on the hill, counted from one', () => {
    const held = { ...three, gearing: { ...three.gearing, heldHubGear: 1 } };
    const { climb } = evaluate(held).hill;
    expect(climb.climbs && climb.hubGear).toBe(1);
  });

  it('multiply cogs where there are several', () => {
    const both = { ...three, gearing: { ...three.gearing, cogTeeth: [16, 22] } };
    expect(evaluate(both).gears).toHaveLength(6);
  });
});

describe('where a mid-drive pulls best', () => {
  const cadence = motorCadence(study(sample({ controller: { phaseCurrentA: 40 } }, 'mid-drive')));

  it('is full up to a knee, strongest about there, and nothing in the end', () => {
    if (cadence === undefined) throw new Error('none');
    expect(cadence.fullPullTo).toBeGreaterThan(20);
    expect(cadence.mostPowerAt).toBeGreaterThanOrEqual(cadence.fullPullTo - 1);
    expect(cadence.noneFrom).toBeGreaterThan(cadence.mostPowerAt);
    // Kv 58 on 48 V over a reduction of 21.9 is 127 rpm without load: the motor gives nothing from there.
    expect(cadence.noneFrom).toBeGreaterThan(100);
    expect(cadence.noneFrom).toBeLessThan(140);
  });

  it('is no matter of the cranks for a hub', () => {
    expect(motorCadence(study(sample({}, 'geared-hub')))).toBeUndefined();
  });
});

describe('rings side by side', () => {
  const rows = ringRows(sample({ controller: { limitsSpeed: false } }, 'mid-drive'), [48, 38, 42, 38]);

  it('come once each, smallest first, and a smaller one starts on the steeper hill', () => {
    expect(rows.map((r) => r.teeth)).toEqual([38, 42, 48]);
    for (let i = 1; i < rows.length; i += 1) {
      expect(rows[i]?.startPct ?? 0).toBeLessThanOrEqual(rows[i - 1]?.startPct ?? 0);
      expect(rows[i]?.links ?? 0).toBeGreaterThanOrEqual(rows[i - 1]?.links ?? 0);
      expect(rows[i]?.tallestKmh ?? 0).toBeGreaterThan(rows[i - 1]?.tallestKmh ?? 0);
    }
  });
});

describe('an external drive', () => {
  const build = sample(
    { drive: { motorSprocketTeeth: 11, wheelSprocketTeeth: 44, reduction: 3 } },
    'external',
  );

  it('turns the wheel by its sprockets as well as its own gears', () => {
    const gear = study(build).machine.gears[0];
    const { machine } = study(build);
    expect((gear?.motorRatio ?? 0) * machine.wheelRadius).toBeCloseTo(12, 9);
  });

  it('says its ratio, the next length sold and what it pulls', () => {
    const out = evaluate(build).fit.external;
    expect(out?.ratio).toBe(4);
    expect((out?.stock ?? 1) % 2).toBe(0);
    expect(out?.pullN ?? 0).toBeGreaterThan(100);
  });

  it('loses less by belt than by chain', () => {
    const belt = { ...build, drive: { ...build.drive, medium: 'belt' as const } };
    expect(study(belt).machine.efficiency).toBeGreaterThan(study(build).machine.efficiency);
  });
});

describe('front, rear, middle or external on one donor', () => {
  const build = sample({
    donor: { frameMaterial: 'steel', forkMaterial: 'aluminium', forkKind: 'suspension' },
  });
  const layouts = compareLayouts(build, motors, shippedRules());
  const by = (name: string) => layouts.find((l) => l.name === name);

  it('tries each with a motor of its kind, the build’s own where it is one', () => {
    expect(layouts.map((l) => l.name)).toEqual(['front', 'rear', 'middle', 'external']);
    expect(by('rear')).toMatchObject({ own: true });
    expect(motors.find((m) => m.name === by('middle')?.motor)?.kind).toBe('mid-drive');
    expect(motors.find((m) => m.name === by('front')?.motor)?.overLocknutMm).toBe(100);
  });

  // Statics: a front drive loses load on a hill, a rear drive gains it.
  it('grips better behind than in front', () => {
    expect(by('front')?.slipDryPct ?? 0).toBeLessThan(by('rear')?.slipDryPct ?? 0);
  });

  it('shares a mid-drive’s pull over all gears, at the chain’s cost', () => {
    expect(by('middle')?.motorGears).toBe(build.gearing.cogTeeth.length);
    expect(by('middle')?.chainN ?? 0).toBeGreaterThan(by('rear')?.chainN ?? 0);
  });

  it('takes motors for the volts of the pack, and says where none is let in', () => {
    for (const { motor, own } of layouts) {
      const labelV = own ? undefined : motors.find((m) => m.name === motor)?.labelV;
      if (labelV !== undefined && labelV !== null) expect(48 / labelV).toBeLessThanOrEqual(1.4);
    }
    const union = { ...build, brief: { ...build.brief, place: 'eu' } };
    const there = compareLayouts(union, motors, shippedRules());
    // Two outrunners of 1,000 W and more are all that runs on these volts: Regulation (EU) 168/2013 lets in 250 W.
    expect(there.find((l) => l.name === 'external')).toMatchObject({ letIn: false, classState: 'stop' });
  });

  it('praises only what can be fitted, climbs and is let in', () => {
    const [one] = layouts;
    if (one === undefined) throw new Error('no layouts');
    const like = (name: typeof one.name, hillKmh: number | undefined, letIn: boolean) => ({
      ...one,
      name,
      motor: 'one',
      stops: [],
      hillKmh,
      letIn,
      classState: 'fine' as const,
    });
    const found = layoutsFound([
      like('front', undefined, true),
      like('rear', 9, true),
      like('middle', 12, true),
      like('external', 20, false),
    ]);
    expect(found.free).toHaveLength(4);
    expect(found.climbing.map((l) => l.name)).toEqual(['external', 'middle', 'rear']);
    expect(found.good.map((l) => l.name)).toEqual(['middle', 'rear']);
  });

  it('says what it cannot try when the shelf is empty', () => {
    expect(compareLayouts(build, [], shippedRules()).find((l) => l.name === 'middle')).toMatchObject({
      motor: undefined,
      stops: [],
    });
  });
});
