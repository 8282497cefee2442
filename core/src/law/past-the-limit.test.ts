import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { evaluate } from '../test/evaluate.ts';
import { sample } from '../test/sample.ts';
import { saidOf } from './sentence.ts';

const label = (value: number) => ({ source: 'label' as const, value });

/** A machine that its motor alone brings to some 50 km/h, help ending where it is told. */
const strong = (
  place: string,
  helpKmh: number,
  controls: Partial<BuildDocument['controls']>,
): BuildDocument =>
  sample({
    brief: { place },
    donor: {
      rolloutMm: 2148,
      cdaM2: 0.5,
      crr: 0.008,
      operablePedals: 'yes',
      brakeFront: 'rim',
      brakeRear: 'rim',
    },
    drive: {
      kind: 'geared-hub',
      ratedPowerW: label(240),
      kvRpmPerV: 60,
      resistanceOhm: 0.06,
      hysteresisNm: 0.1,
      eddyNms: 3e-4,
      reduction: 5,
      efficiency: 0.9,
    },
    pack: { nominalV: label(48), cellsInSeries: 13, capacityAh: 12, healthPct: 100, wiringMohm: 20 },
    controller: {
      limitsSpeed: true,
      assistCutoffKmh: label(helpKmh),
      assistTaperKmh: 1,
      setRolloutMm: 2148,
      lifted: 'no',
      batteryCurrentA: 40,
      phaseCurrentA: 90,
      resistanceMohm: 8,
    },
    controls: {
      assistSensor: 'cadence',
      pedalHelpStops: 'yes',
      brakeCutoffs: 'yes',
      speedometer: 'yes',
      classLabel: 'yes',
      ...controls,
    },
  });

const here = (build: BuildDocument) => evaluate(build).law.here;
/** How a class of the place is judged. */
const as = (build: BuildDocument, id: string) =>
  here(build)
    .tests.flatMap((t) => t.categories)
    .find((c) => c.category.id === id)?.outcome;

describe('a throttle that drives on where the help of the pedals has ended', () => {
  const past = (throttle: 'full' | 'pedalling', kmh: number) =>
    ({ throttle, throttleLimited: true, throttleCutoffKmh: label(kmh) }) as const;

  it('is ridden to its own limit', () => {
    const { topKmh } = evaluate(strong('us', 25, past('full', 40)));
    expect(topKmh.half).toBeGreaterThan(38);
    expect(topKmh.half).toBeLessThan(40.1);
  });

  it('counts with the speed that it reaches by the hand alone', () => {
    expect(as(strong('us', 32.1, past('full', 30)), 'US-MODEL-2')).not.toBe('outside');
    expect(as(strong('us', 32.1, past('full', 40)), 'US-MODEL-2')).toBe('outside');
    expect(as(strong('ca-qc', 25, past('full', 40)), 'CA-QC-PAB')).toBe('outside');
  });

  it('counts as help while pedalling, where it works only then', () => {
    expect(as(strong('eu', 25, past('pedalling', 25)), 'EU-EPAC')).not.toBe('outside');
    expect(as(strong('eu', 25, past('pedalling', 32)), 'EU-EPAC')).toBe('outside');
  });
});

describe('whether the limit of the help holds the throttle too', () => {
  const open = (limitHoldsThrottle: BuildDocument['controls']['limitHoldsThrottle']) =>
    strong('ca-qc', 31.9, { throttle: 'full', limitHoldsThrottle });

  it('is asked: nothing is inside while nobody has said', () => {
    expect(as(open('unknown'), 'CA-QC-PAB')).toBe('cannot-tell');
    const place = here(open('unknown'));
    const clause = place.unsettled.find((c) => c.state === 'unknown');
    expect(clause?.profile).toBe('throttle past the limit');
    expect(clause?.why).toMatch(/limit holds the throttle/);
    expect(saidOf(place).todo).toMatch(/throttle drives past the limit/);
  });

  it('is judged as told', () => {
    expect(as(open('yes'), 'CA-QC-PAB')).not.toMatch(/outside|cannot-tell/);
    expect(as(open('no'), 'CA-QC-PAB')).toBe('outside');
    expect(as(open('planned'), 'CA-QC-PAB')).toBe('check');
  });

  it('is ridden as told', () => {
    expect(evaluate(open('yes')).topKmh.half).toBeLessThan(32);
    expect(evaluate(open('no')).topKmh.half).toBeGreaterThan(40);
  });

  it('is no question without a sensor at the pedals, with a limit of its own, or without any limit', () => {
    const asked = (build: BuildDocument): boolean =>
      evaluate(build).law.ways.some((way) => way.profile === 'throttle past the limit');
    expect(asked(strong('ca-qc', 31.9, { throttle: 'full', assistSensor: 'none' }))).toBe(false);
    expect(
      asked(strong('ca-qc', 31.9, { throttle: 'full', throttleLimited: true, throttleCutoffKmh: label(20) })),
    ).toBe(false);
    expect(asked(strong('ca-qc', 31.9, { throttle: 'none' }))).toBe(false);
    const free = strong('ca-qc', 31.9, { throttle: 'full' });
    expect(asked({ ...free, controller: { ...free.controller, limitsSpeed: false } })).toBe(false);
  });
});

describe('a throttle whose limit nobody has read', () => {
  it('is told as fast as its motor makes it, also beyond what such limits usually are', () => {
    const unread = {
      throttle: 'full',
      throttleLimited: true,
      throttleCutoffKmh: { source: 'unknown' },
      limitHoldsThrottle: 'no',
    } as const;
    const build = strong('us', 32, unread);
    const drive = { ...build.drive, efficiency: { source: 'unknown' } } as const;
    const fact = evaluate({ ...build, drive }).law.ways[0]?.facts.throttleAloneKmh;
    expect(fact?.high).toBeGreaterThan(45);
    // With gears that lose less than is usual it is faster still.
    expect(fact?.unsure?.high).toBeGreaterThan((fact?.high ?? Infinity) + 0.3);
  });
});
