import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { assembleKnown } from '../machine/assemble.ts';
import { sample, type Changes } from '../test/sample.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { wayOf } from '../ride/corners.ts';
import { lawFacts, type LawFacts } from './facts.ts';
import { FEDERAL_RIDER_KG, federalTestSpeeds, noLoadSpeed } from './motor-alone.ts';

const facts = (build: BuildDocument): LawFacts => {
  const [first] = lawFacts(wayOf(build));
  if (first === undefined) throw new Error('no facts');
  return first.facts;
};
const machineOf = (build: BuildDocument) => assembleKnown(build, knownBuild(build));

describe('the federal test', () => {
  const build = sample({ controls: { throttle: 'full' }, controller: { limitsSpeed: false } });

  it('has an operator of 170 lb, 77.11 kg (15 U.S.C. s.2085(b); the pound is exact)', () => {
    expect(FEDERAL_RIDER_KG).toBeCloseTo(77.1107029, 7);
  });

  it('does not depend on who really rides, on his load or on his legs', () => {
    const heavy = {
      ...build,
      brief: {
        ...build.brief,
        riderMassKg: { source: 'measured' as const, value: 140 },
        loadMassKg: { source: 'measured' as const, value: 60 },
        riderPowerW: { source: 'measured' as const, value: 300 },
      },
    };
    expect(federalTestSpeeds(machineOf(heavy))).toEqual(federalTestSpeeds(machineOf(build)));
  });

  it('is a band, below the no-load speed', () => {
    const machine = machineOf(build);
    const { low, high } = federalTestSpeeds(machine);
    expect(low).toBeLessThan(high);
    expect(high).toBeLessThan(noLoadSpeed(machine));
  });

  it('ends at the controller’s limit', () => {
    const limited = sample({
      controls: { throttle: 'full' },
      controller: { limitsSpeed: true, assistCutoffKmh: 30, assistTaperKmh: 0 },
    });
    expect(federalTestSpeeds(machineOf(limited)).high * 3.6).toBeCloseTo(30, 4);
  });
});

describe('facts of a build', () => {
  it('end the help at the cut-off, or at the no-load speed where nothing else does', () => {
    const limited = facts(sample({ controller: { limitsSpeed: true, assistCutoffKmh: 24.9 } }));
    expect(limited.assistEndKmh).toMatchObject({ high: 24.9, source: 'measured' });
    const build = sample({ controller: { limitsSpeed: false } });
    // Hot magnets are 6.6 % weaker, and the motor as much faster without load (0.11 %/K, from memory).
    expect(facts(build).assistEndKmh?.high).toBeCloseTo((noLoadSpeed(machineOf(build)) * 3.6) / 0.934, 9);
  });

  it('do not believe a cut-off that the motor cannot reach', () => {
    const slow = facts(sample({ controller: { assistCutoffKmh: 120 }, drive: { kvRpmPerV: 20 } }));
    // The motor is hardly known: what it might reach is not, either.
    expect(slow.assistEndKmh?.source).toBe('unknown');
    expect(slow.assistEndKmh?.unsure?.high).toBeLessThan(120);
    expect(slow.assistEndKmh?.high).toBeLessThan(60);
  });

  it('never turn an unknown rating into a number', () => {
    expect(facts(sample()).ratedPowerW).toBeUndefined();
    expect(facts(sample({ drive: { ratedPowerW: 250 } })).ratedPowerW).toMatchObject({
      high: 250,
      source: 'measured',
    });
  });

  it('know what a hand control can do alone', () => {
    expect(facts(sample({ controls: { throttle: 'none' } })).throttleAloneKmh?.high).toBe(0);
    expect(facts(sample({ controls: { throttle: 'walk', walkCutoffKmh: 5.5 } })).throttleAloneKmh?.high).toBe(
      5.5,
    );
    const full = facts(sample({ controls: { throttle: 'full' }, controller: { limitsSpeed: false } }));
    expect(full.throttleAloneKmh?.high).toBe(full.motorAloneKmh?.high);
    expect(full.throttleAloneKmh?.high).toBeGreaterThan(25);
  });

  it('say that a motor without a sensor at the pedals does not stop with them', () => {
    const none = facts(
      sample({ controls: { assistSensor: 'none', throttle: 'full', pedalHelpStops: 'yes' } }),
    );
    expect(none.motorStopsWithPedals.answer).toBe('no');
  });

  it('tell a motor that can run with the pedals still from help that does not stop with them', () => {
    const beside = facts(
      sample({ controls: { assistSensor: 'cadence', throttle: 'full', pedalHelpStops: 'yes' } }),
    );
    expect(beside.pedalHelpStops.answer).toBe('yes');
    expect(beside.motorStopsWithPedals.answer).toBe('no');
    const turning = facts(
      sample({ controls: { assistSensor: 'cadence', throttle: 'pedalling', pedalHelpStops: 'yes' } }),
    );
    expect(turning.motorStopsWithPedals.answer).toBe('yes');
    expect(turning.throttle.answer).toBe('no');
    expect(turning.throttleAloneKmh?.high).toBe(0);
    expect(turning.motorAloneKmh?.high).toBe(0);
  });

  it('end the throttle at its own limit, by the true wheel, and the help at the controller’s', () => {
    const limited = (controls: object, setRolloutMm: number) =>
      facts(
        sample({
          controls: {
            assistSensor: 'cadence',
            throttle: 'full',
            throttleLimited: true,
            throttleCutoffKmh: 32,
            ...controls,
          },
          donor: { rolloutMm: 2000 },
          controller: { limitsSpeed: true, assistCutoffKmh: 40, setRolloutMm },
          drive: { kvRpmPerV: 15, reduction: 1 },
        }),
      );
    const right = limited({}, 2000);
    expect(right.throttleAloneKmh).toMatchObject({ high: 32, source: 'measured' });
    expect(right.assistEndKmh?.high).toBe(40);
    expect(limited({}, 1900).throttleAloneKmh?.high).toBeCloseTo((32 * 2000) / 1900, 9);
    // Nothing but the hand asks for help: where it stops, all help has ended.
    expect(limited({ assistSensor: 'none' }, 2000).assistEndKmh?.high).toBe(32);
  });

  it('end the help between the wheels that it could be, where nobody has read which', () => {
    const held = { limitsSpeed: true, assistCutoffKmh: 25, setRolloutMm: 2100 };
    const strong = { kvRpmPerV: 40, reduction: 1 };
    const ends = (donor: NonNullable<Changes['donor']>) =>
      facts(sample({ donor, controller: held, drive: strong })).assistEndKmh;
    expect(ends({ beadMm: 622, tyreMm: 42, rolloutMm: { source: 'unknown' } })?.unsure).toBeUndefined();
    const open = ends({
      beadMm: { source: 'unknown' },
      tyreMm: { source: 'unknown' },
      rolloutMm: { source: 'unknown' },
    });
    expect(open?.source).toBe('unknown');
    expect(open?.unsure?.low).toBeLessThan(25);
    expect(open?.unsure?.high).toBeGreaterThan(25);
  });

  it('are those of the fastest pack as well: a switch that the rider can flip is a way of riding', () => {
    const pack = (nominalV: number, cellsInSeries: number) => {
      const [first] = sample({ pack: { nominalV, cellsInSeries } }).packs;
      return first;
    };
    const joined = (how: 'switch' | 'parallel'): BuildDocument => {
      const build = sample({ controller: { limitsSpeed: false } });
      return { ...build, joining: { ...build.joining, how }, packs: [pack(36, 10), pack(52, 14)] };
    };
    const ends = (build: BuildDocument) =>
      lawFacts(wayOf(build)).map((way) => [
        way.profile,
        way.facts.nominalV?.high,
        way.facts.assistEndKmh?.high ?? 0,
      ]);
    const [own, other] = ends(joined('switch'));
    expect(own?.slice(0, 2)).toEqual(['', 36]);
    expect(other?.slice(0, 2)).toEqual(['on pack 2', 52]);
    expect(Number(other?.[2])).toBeCloseTo((Number(own?.[2]) * 14) / 10, 0);
    expect(ends(joined('parallel'))).toHaveLength(1);
    const lifted = { ...joined('switch') };
    const both = { ...lifted, controller: { ...lifted.controller, lifted: 'yes' as const } };
    expect(ends(both).map(([name]) => name)).toEqual([
      '',
      'limit lifted',
      'on pack 2',
      'limit lifted, on pack 2',
    ]);
  });

  it.each(['packs.0.cellsInSeries', 'packs.1.cellsInSeries'] as const)(
    'reckon with two packs that feed together, where nobody has read %s',
    (path) => {
      // The first alone gives little, whatever its volts are.
      const built = sample({
        controls: { throttle: 'full' },
        controller: { limitsSpeed: false, batteryCurrentA: 60, phaseCurrentA: 150 },
        pack: { nominalV: 72, cellsInSeries: 20, capacityAh: 2, wiringMohm: 500 },
        second: { nominalV: 72, cellsInSeries: 20, capacityAh: 40, wiringMohm: 20, join: 'switch' },
      });
      const alike: BuildDocument = { ...built, joining: { ...built.joining, how: 'parallel' } };
      const told = facts(alike);
      const uncounted = facts(withQuantity(alike, path, { source: 'unknown' }));
      // What is not read widens what is told, and never narrows it.
      for (const name of ['peakWheelW', 'motorAloneKmh'] as const)
        expect(uncounted[name]?.unsure?.high, name).toBeGreaterThanOrEqual(
          (told[name]?.unsure?.high ?? Infinity) - 1e-6,
        );
    },
  );

  it('take a limit of the throttle that nobody has read for none, as the physics does', () => {
    const unread = {
      throttle: 'full',
      throttleLimited: true,
      throttleCutoffKmh: { source: 'unknown' },
    } as const;
    const open = { throttle: 'full', throttleLimited: false } as const;
    for (const assistSensor of ['none', 'cadence'] as const) {
      const at = (controls: typeof unread | typeof open) =>
        facts(sample({ controls: { assistSensor, ...controls }, controller: { limitsSpeed: false } }));
      for (const fact of ['throttleAloneKmh', 'motorAloneKmh', 'assistEndKmh'] as const)
        expect(at(unread)[fact]?.high, fact).toBe(at(open)[fact]?.high);
      expect(at(unread).throttleAloneKmh?.unsure?.labels).toContain('Throttle drives it up to');
    }
  });

  it('call a walk key a throttle where it goes faster than a walk, and do not guess how fast it goes', () => {
    const key = (walkCutoffKmh: number | { readonly source: 'unknown' }) =>
      facts(sample({ controls: { throttle: 'walk', walkCutoffKmh } })).throttle.answer;
    expect(key(6)).toBe('no');
    expect(key(6.1)).toBe('yes');
    expect(key({ source: 'unknown' })).toBe('unknown');
  });

  it('take what is planned as it should be, and as something to look at', () => {
    const planned = facts(
      sample({ controls: { pedalHelpStops: 'planned', brakeCutoffs: 'planned', speedometer: 'planned' } }),
    );
    for (const name of ['pedalHelpStops', 'brakesCutMotor', 'speedometer', 'motorStopsWithPedals'] as const) {
      expect(planned[name]).toMatchObject({ answer: 'yes' });
      expect(planned[name].rests).toContain('planned');
    }
  });

  it('say that help without a limit does not fade', () => {
    expect(facts(sample({ controller: { limitsSpeed: false } })).helpFades.answer).toBe('no');
    const faded = facts(sample({ controller: { assistTaperKmh: 1 } })).helpFades;
    expect(faded).toMatchObject({ answer: 'yes' });
    expect(faded.rests).toBeUndefined();
    // One that is only assumed is a thing to check, and one that nobody has looked for is not known.
    const supposed = { source: 'assumed', value: 1 } as const;
    expect(facts(sample({ controller: { assistTaperKmh: supposed } })).helpFades.rests).toBe(
      'it rests on assumed values',
    );
    expect(facts(sample({ controller: { assistTaperKmh: { source: 'unknown' } } })).helpFades.answer).toBe(
      'unknown',
    );
  });
});
