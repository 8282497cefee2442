import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { convert, type Unit } from '../quantity/units.ts';
import { readBuildText } from '../document/read.ts';
import { evaluate } from '../test/evaluate.ts';
import { number, say } from '../test/law-facts.ts';
import { sample } from '../test/sample.ts';
import { EXAMPLES, type Example } from '../test/worked-law.ts';
import { shippedRules } from './rules.ts';
import type { NumberClause } from './rule-schema.ts';

const label = (value: number) => ({ source: 'label' as const, value });
const ROLLOUT_MM = 2148;
/** Force at the tyre per pedal force: what the motor and the chain pass on. */
const [MOTOR, CHAIN] = [0.9, 0.95];

/** The hand's part of an example: none, help to push, or a throttle with a limit of its own. */
function handOf(motorKmh: number, cutKmh: number): object {
  if (motorKmh === 0) return { throttle: 'none' };
  if (motorKmh < 6.5) return { throttle: 'walk', walkCutoffKmh: label(motorKmh) };
  return motorKmh < cutKmh
    ? { throttle: 'full', throttleLimited: true, throttleCutoffKmh: label(motorKmh) }
    : { throttle: 'full', limitHoldsThrottle: 'yes' };
}

/** A whole document of an example: a strong motor that every limit holds, everything entered, nothing left out. */
function documentOf([, place, ratedW, cutKmh, motorKmh, , other]: Example): BuildDocument {
  const curve = other.assistRatio?.corners;
  const fade = other.helpFades?.answer === 'no' ? 0 : 1;
  const build = (donorKg: number) =>
    sample({
      brief: { place },
      donor: {
        massKg: label(donorKg),
        rolloutMm: ROLLOUT_MM,
        operablePedals: other.operablePedals?.answer ?? 'yes',
        wheelCount: (other.wheelCount?.high ?? 2) as 2 | 3 | 4,
        brakeFront: 'rim',
        brakeRear: 'rim',
        widthMm: label(other.widthMm?.high ?? 620),
        wheelbaseMm: 1080,
        crr: 0.008,
        cdaM2: 0.5,
      },
      drive: {
        ratedPowerW: label(ratedW),
        kvRpmPerV: 60,
        resistanceOhm: 0.06,
        hysteresisNm: 0.1,
        eddyNms: 3e-4,
        reduction: 5,
        efficiency: MOTOR,
        massKg: label(4),
      },
      gearing: { chainEfficiency: CHAIN },
      pack: {
        nominalV: label(other.nominalV?.high ?? 48),
        cellsInSeries: 13,
        capacityAh: 12,
        healthPct: 100,
        massKg: label(3),
        wiringMohm: 20,
      },
      controller: {
        limitsSpeed: true,
        assistCutoffKmh: label(cutKmh),
        assistTaperKmh: curve === undefined ? fade : cutKmh - 9.9,
        setRolloutMm: ROLLOUT_MM,
        lifted: 'no',
        batteryCurrentA: 40,
        phaseCurrentA: 90,
        massKg: label(1),
        resistanceMohm: 8,
        standbyW: 3,
      },
      controls: {
        assistSensor: curve === undefined ? 'cadence' : 'torque',
        ...(curve === undefined ? {} : { assistRatio: ((curve[0]?.ratio ?? 0) * CHAIN) / MOTOR - 1e-9 }),
        ...handOf(motorKmh, cutKmh),
        helpFollows: 'power',
        pedalHelpStops: 'yes',
        brakeCutoffs: 'yes',
        speedometer: 'yes',
        classLabel: 'yes',
      },
    });
  const wanted = other.massKg?.high ?? 19;
  const light = massOf(build(10));
  return build(10 + wanted - light);
}

const massOf = (build: BuildDocument): number => evaluate(build).law.ways[0]?.facts.massKg?.high ?? NaN;

/** As it would come out of a file. */
function read(build: BuildDocument): BuildDocument {
  const back = readBuildText(JSON.stringify(build));
  if (!back.ok) throw new Error(JSON.stringify(back));
  return back.value;
}

const fitsOf = (build: BuildDocument): readonly string[] | undefined =>
  evaluate(read(build))
    .law.here.tests[0]?.categories.filter((c) => c.outcome === 'inside' || c.outcome === 'check')
    .map((c) => c.category.id);

describe('the worked examples, from whole documents', () => {
  it.each(EXAMPLES)('%s in %s: %d W, help to %d km/h, motor alone to %d km/h', (...example) => {
    expect(fitsOf(documentOf(example))).toEqual(example[7]);
  });
});

describe('what is measured', () => {
  const weighed = (donorKg: number): BuildDocument => {
    const build = documentOf(['', 'kr', 250, 24.9, 0, 'yes', { massKg: number(29) }, []]);
    const less = massOf(build);
    const { massKg } = build.donor;
    if (massKg.source === 'unknown') throw new Error('no mass');
    return {
      ...build,
      donor: { ...build.donor, massKg: { source: 'measured', value: massKg.value + donorKg - less } },
    };
  };
  const massClause = (kg: number) =>
    evaluate(weighed(kg)).law.here.tests[0]?.categories[0]?.clauses.find(
      (c) => c.clause.kind === 'number' && c.clause.fact === 'massKg',
    );

  it('is looked at, and breaks nothing, where it is past a limit by less than it was measured to', () => {
    // The donor’s scale is good for one in a hundred: 0.2 kg of some 21.
    expect(massClause(29.9)?.state).toBe('pass');
    expect(massClause(30.1)).toMatchObject({ state: 'check' });
    expect(massClause(30.1)?.why).toMatch(/at the limit/);
    expect(massClause(31)?.state).toBe('fail');
  });

  it('by a millimetre of roll-out makes no moped', () => {
    const rolled = (mm: number) => {
      const build = documentOf(['', 'eu', 250, 25, 0, 'yes', {}, []]);
      return evaluate({ ...build, donor: { ...build.donor, rolloutMm: { source: 'measured', value: mm } } })
        .law.here;
    };
    expect(rolled(ROLLOUT_MM).outcome).toBe('inside');
    expect(rolled(ROLLOUT_MM + 1)).toMatchObject({ outcome: 'check', className: 'EPAC' });
    expect(rolled(ROLLOUT_MM + 40).outcome).not.toBe('check');
  });
});

/** A document of which one number that a clause asks for is set, on a machine that is in order elsewhere. */
const SETS: Partial<Record<NumberClause['fact'], (value: number, place: string) => Example>> = {
  ratedPowerW: (w, place) => ['', place, w, 20, 0, 'yes', {}, []],
  assistEndKmh: (kmh, place) => ['', place, 200, kmh, 0, 'yes', {}, []],
  throttleAloneKmh: (kmh, place) => ['', place, 200, 46, kmh, 'no', {}, []],
  // Without a fade: the motor is as fast as what holds it.
  motorAloneKmh: (kmh, place) => ['', place, 200, 46, kmh, 'no', { helpFades: say('no') }, []],
  massKg: (kg, place) => ['', place, 200, 20, 0, 'yes', { massKg: number(kg) }, []],
  nominalV: (v, place) => ['', place, 200, 20, 0, 'yes', { nominalV: number(v) }, []],
  widthMm: (mm, place) => ['', place, 200, 20, 0, 'yes', { widthMm: number(mm) }, []],
};
/** Units of the instruments as documents are written. */
const IN: Partial<Record<Unit, Unit>> = { mph: 'km/h', hp: 'W', lb: 'kg', in: 'mm' };
const LIMITS = shippedRules().flatMap(({ id, tests: [own] }) =>
  (own?.categories ?? []).flatMap((category) =>
    category.clauses.flatMap((clause) =>
      clause.kind === 'number' &&
      clause.certainty === 'high' &&
      clause.toleratedTo === undefined &&
      clause.cautionFrom === undefined &&
      clause.limit > 0 &&
      clause.fact in SETS
        ? [[id, category.id, clause.id, clause] as const]
        : [],
    ),
  ),
);

describe('every sure limit that a machine can be set to, from whole documents', () => {
  it.each(LIMITS)('%s, %s, %s: below, at and beyond it', (place, category, _id, clause) => {
    const at = (value: number) => {
      const example = SETS[clause.fact]?.(value, place);
      if (example === undefined) throw new Error(clause.fact);
      const found = evaluate(read(documentOf(example)))
        .law.here.tests.flatMap((t) => t.categories)
        .find((c) => c.category.id === category);
      return found?.clauses.find((c) => c.clause.id === clause.id)?.state;
    };
    const limit = convert(clause.limit, clause.unit, IN[clause.unit] ?? clause.unit);
    const step = clause.fact === 'ratedPowerW' || clause.fact === 'widthMm' ? 1 : 0.1;
    expect(at(limit - step)).toBe('pass');
    expect(at(limit)).toBe(clause.op === '<' ? 'fail' : 'pass');
    expect(at(limit + step)).toBe('fail');
  });
});

describe('what is planned and not looked at', () => {
  it('is never green: a limit that shall not be lifted, help that shall stop, levers and a speedometer', () => {
    const example = EXAMPLES.find(([, place, watts, cut]) => place === 'gb' && watts === 250 && cut < 25);
    if (example === undefined) throw new Error('no example within EAPC');
    const build = documentOf(example);
    const state = (b: BuildDocument) => evaluate(b).figures.find((f) => f.id === 'class')?.state;
    const now = state(build);
    const lifted = { ...build, controller: { ...build.controller, lifted: 'planned' as const } };
    const stops = { ...build, controls: { ...build.controls, pedalHelpStops: 'planned' as const } };
    expect(now).toBe('fine');
    expect(state(lifted)).toBe('look');
    expect(state(stops)).toBe('look');
  });
});
